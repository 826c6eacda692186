import { error } from '@sveltejs/kit';
import { actionsOf, trialsOf } from '$lib/server/commands/actions.ts';
import { database } from '$lib/server/database.ts';
import { versionsOf } from '$lib/server/read/versions.ts';
import { shapeCommands } from '$lib/server/commands/shape.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	const { fit } = await parent();
	const shapeId = Number(params.shape);
	if (!fit.shapes.some((s) => s.id === shapeId)) error(404, 'There is no such shape.');
	return { shapeId, versions: await versionsOf(await database(), 'shape', shapeId) };
};

const { editShape, unworkShape } = shapeCommands;
export const actions: Actions = { ...actionsOf({ editShape, unworkShape }), ...trialsOf({ editShape }) };
