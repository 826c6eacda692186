import { wornAs, wornWeight } from '$core/answers/variant.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { variantCommands } from '$lib/server/commands/variant.ts';
import { dressed } from '$lib/server/dress.ts';
import type { Actions, PageServerLoad } from './$types';

/** Alone, and with one helper. */
const PEOPLE = 2;

export const load: PageServerLoad = async ({ parent }) => {
	const { packed, wear, weights } = await parent();
	const all = packed.value.record.components;
	return {
		/** All of it first, then each way to wear it. */
		columns: [null, ...wear.variants].map((variant) => {
			const as = wornAs(variant, all, wear);
			const { circle, plans } = dressed(as.components, as.wear, PEOPLE);
			return {
				variant,
				worn: as.components.map((c) => c.id),
				circle: circle !== null,
				weight: wornWeight(as.components, weights),
				minutes: plans.map(({ dressers, minutes }) => ({ dressers, minutes }))
			};
		})
	};
};

export const actions: Actions = actionsOf(variantCommands);
