import { error } from '@sveltejs/kit';
import { cutsOf } from '$core/answers/followPieces.ts';
import { driversOf } from '$core/engines/pattern/drivers.ts';
import { database } from '$lib/server/database.ts';
import { loadPieces } from '$lib/server/read/costume.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { coatCommands } from '$lib/server/commands/coat.ts';
import { componentCommands } from '$lib/server/commands/component.ts';
import { logCommands } from '$lib/server/commands/log.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import { purchaseCommands } from '$lib/server/commands/purchase.ts';
import { seedCommands } from '$lib/server/commands/seed.ts';
import { recipeCommands } from '$lib/server/commands/recipe.ts';
import { stackCommands } from '$lib/server/commands/stack.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	const { packed } = await parent();
	const { record, workshop } = packed.value;
	const component = record.components.find((c) => String(c.id) === params.component);
	if (!component) error(404, 'There is no such component in this costume.');
	const { id } = record.costume;
	const from = { ...(await loadPieces(await database(), [id])).get(id)!, materials: workshop.materials };
	const pieces = cutsOf(component, record.components, from).flatMap((c) => c.pieces);
	return { componentId: component.id, seams: Object.keys(driversOf(pieces).seams) };
};

export const actions: Actions = actionsOf({
	...componentCommands,
	...stepCommands,
	...seedCommands,
	...coatCommands,
	...stackCommands,
	...recipeCommands,
	...purchaseCommands,
	...photoCommands,
	...logCommands
});
