import { actionsOf } from '$lib/server/commands/actions.ts';
import { travelCommands } from '$lib/server/commands/travel.ts';
import { database } from '$lib/server/database.ts';
import { loadGoing } from '$lib/server/read/travel.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, locals }) => {
	const { packed, ...worn } = await parent();
	const { record, workshop } = packed.value;
	return loadGoing(await database(), record, workshop, locals.now, worn);
};

export const actions: Actions = actionsOf(travelCommands);
