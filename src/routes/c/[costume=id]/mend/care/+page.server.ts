import { slowerBy } from '$core/answers/wait.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { keepingCommands } from '$lib/server/commands/keeping.ts';
import { database } from '$lib/server/database.ts';
import { loadCares } from '$lib/server/read/health.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, workshop } = (await parent()).packed.value;
	return {
		cares: await loadCares(await database(), record, workshop),
		slower: slowerBy(workshop.settings)
	};
};

export const actions: Actions = actionsOf(keepingCommands);
