import { dressingCircle, dressingPlan, mostHands } from '$core/answers/dressing.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { comesOff } from '$core/answers/takingOff.ts';
import { preparationCommands } from '$lib/server/commands/preparation.ts';
import { joinCommands } from '$lib/server/commands/join.ts';
import type { Actions, PageServerLoad } from './$types';

const MOST_DRESSERS = 3;
/** Seconds to look for a quicker order: what is found by then is shown, and whether it is proved. */
const LOOK = 0.03;

export const load: PageServerLoad = async ({ parent }) => {
	const { packed, wear } = await parent();
	const { components } = packed.value.record;
	const circle = dressingCircle(components, wear);
	const least = mostHands(components, wear);
	const people = Array.from({ length: MOST_DRESSERS }, (_, i) => i + 1).filter((n) => n >= least);
	const plans = circle
		? []
		: people.map((n) => {
				const began = performance.now();
				return dressingPlan(components, wear, n, LOOK, () => (performance.now() - began) / 1000);
			});
	const off = circle ? [] : comesOff(components, wear, () => performance.now() / 1000);
	return { circle, plans, off };
};

export const actions: Actions = actionsOf({ ...joinCommands, ...preparationCommands });
