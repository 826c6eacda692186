import { coatsWithoutMaterial, shoppingLines } from '$core/answers/shopping.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { materialCommands } from '$lib/server/commands/material.ts';
import { purchaseCommands } from '$lib/server/commands/purchase.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { packed } = await parent();
	const { record, workshop } = packed.value;
	return {
		lines: shoppingLines(record, workshop),
		coatsMissing: coatsWithoutMaterial(record, workshop.materials)
	};
};

export const actions: Actions = actionsOf({ ...purchaseCommands, ...materialCommands });
