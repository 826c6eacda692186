import { actionsOf, trialsOf } from '$lib/server/commands/actions.ts';
import { wearerCommands } from '$lib/server/commands/wearer.ts';
import { database } from '$lib/server/database.ts';
import { loadRecut } from '$lib/server/read/layout.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { fit, packed } = await parent();
	const { record, workshop } = packed.value;
	return { recut: await loadRecut(await database(), record, workshop, fit) };
};

const { editMeasure, fitCostume } = wearerCommands;

export const actions: Actions = { ...actionsOf(wearerCommands), ...trialsOf({ editMeasure, fitCostume }) };
