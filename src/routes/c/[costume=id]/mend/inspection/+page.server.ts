import { actionsOf } from '$lib/server/commands/actions.ts';
import { healthCommands } from '$lib/server/commands/health.ts';
import { database } from '$lib/server/database.ts';
import { loadInspection } from '$lib/server/read/health.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, locals }) => {
	const { record, workshop } = (await parent()).packed.value;
	return { looks: await loadInspection(await database(), record, workshop, locals.now) };
};

export const actions: Actions = actionsOf({ lookAt: healthCommands.lookAt });
