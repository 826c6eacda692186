import { actionsOf } from '$lib/server/commands/actions.ts';
import { shapeCommands } from '$lib/server/commands/shape.ts';
import { database } from '$lib/server/database.ts';
import { loadRecut } from '$lib/server/read/layout.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { fit, packed } = await parent();
	const { record, workshop } = packed.value;
	return { recut: await loadRecut(await database(), record, workshop, fit) };
};

/** Removing is done from the shape's own page, which is then gone. */
export const actions: Actions = actionsOf({ removeShape: shapeCommands.removeShape });
