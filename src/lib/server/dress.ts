import { dressingCircle, dressingPlan, mostHands, type DressingPlan } from '$core/answers/dressing.ts';
import type { Component } from '$core/facts/component.ts';
import type { DressRecord } from '$core/facts/wear.ts';

/** The wearer among them. */
const MOST_DRESSERS = 3;
/** Seconds to look for a quicker order: what is found by then is shown, and whether it is proved. */
export const LOOK = 0.03;

/** How it is put on by one, two and three people, those that are enough; or what waits for each other. */
export function dressed(
	components: readonly Component[],
	wear: DressRecord,
	most = MOST_DRESSERS,
	seconds = LOOK
): { circle: Component[] | null; plans: DressingPlan[] } {
	const circle = dressingCircle(components, wear);
	if (circle) return { circle, plans: [] };
	const least = mostHands(components, wear);
	const people = Array.from({ length: most }, (_, i) => i + 1).filter((n) => n >= least);
	const plans = people.map((n) => {
		const began = performance.now();
		return dressingPlan(components, wear, n, seconds, () => (performance.now() - began) / 1000);
	});
	return { circle, plans };
}
