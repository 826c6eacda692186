import { wornAs, wornWeight } from '$core/answers/variant.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { variantCommands } from '$lib/server/commands/variant.ts';
import { dressed, LOOK } from '$lib/server/dress.ts';
import type { Actions, PageServerLoad } from './$types';

/** Alone, and with one helper. */
const PEOPLE = 2;

export const load: PageServerLoad = async ({ parent }) => {
	const { packed, wear, weights } = await parent();
	const all = packed.value.record.components;
	// However many there are, they are looked for as long as one.
	const seconds = LOOK / (1 + wear.variants.length);
	return {
		/** All of it first, then each way to wear it. */
		columns: [null, ...wear.variants].map((variant) => {
			const as = wornAs(variant, all, wear);
			const { circle, plans } = dressed(as.components, as.wear, PEOPLE, seconds);
			return {
				variant,
				worn: as.components.map((c) => c.id),
				circle: circle !== null,
				weight: wornWeight(as.components, weights),
				minutes: plans.map(({ dressers, minutes, proved }) => ({ dressers, minutes, proved }))
			};
		})
	};
};

export const actions: Actions = actionsOf(variantCommands);
