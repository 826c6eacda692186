import { catalogueOf } from '$core/trade/catalogue.ts';
import { packsForCoats } from '$core/answers/coatStack.ts';
import { dryingNow } from '$core/answers/today.ts';
import { spraySessions } from '$core/answers/spraySessions.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { coatCommands } from '$lib/server/commands/coat.ts';
import { recipeCommands } from '$lib/server/commands/recipe.ts';
import { stackCommands } from '$lib/server/commands/stack.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import { workshopCommands } from '$lib/server/commands/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, locals }) => {
	const { copies, packed } = await parent();
	const { record, workshop, plan } = packed.value;
	const coats = record.coats.map((c) => ({ ...c, copies: copies[c.componentId] ?? 1 }));
	return {
		sprays: spraySessions(record, workshop, plan),
		drying: dryingNow(record, workshop, locals.now),
		packs: packsForCoats(coats, catalogueOf(workshop.handbook), workshop.materials, workshop.settings)
	};
};

export const actions: Actions = actionsOf({
	...coatCommands,
	...stackCommands,
	...stepCommands,
	...recipeCommands,
	setAir: workshopCommands.setAir
});
