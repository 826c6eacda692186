import { actionsOf } from '$lib/server/commands/actions.ts';
import { shapeCommands } from '$lib/server/commands/shape.ts';
import { error } from '@sveltejs/kit';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	const { fit } = await parent();
	const shapeId = Number(params.shape);
	const number = Number(params.piece);
	if (!fit.shapes.some((s) => s.id === shapeId) || !Number.isSafeInteger(number) || number < 1)
		error(404, 'There is no such piece.');
	return { shapeId, index: number - 1 };
};

const { workShape, unworkShape, drawShape } = shapeCommands;
export const actions: Actions = actionsOf({ workShape, unworkShape, drawShape });
