import { catalogueOf } from '$core/trade/catalogue.ts';
import { packsForCoats } from '$core/answers/coatStack.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { coatCommands } from '$lib/server/commands/coat.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { copies, packed } = await parent();
	const { record, workshop } = packed.value;
	const coats = record.coats.map((c) => ({ ...c, copies: copies[c.componentId] ?? 1 }));
	return {
		packs: packsForCoats(coats, catalogueOf(workshop.handbook), workshop.materials, workshop.settings)
	};
};

export const actions: Actions = actionsOf({ ...coatCommands, ...stepCommands });
