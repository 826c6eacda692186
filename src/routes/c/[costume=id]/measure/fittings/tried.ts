import type { Component } from '$core/facts/component.ts';
import type { Fitting } from '$core/facts/fitting.ts';

/** What was tried on, from the skin outwards. */
export const triedOn = (fitting: Fitting, components: readonly Component[]): Component[] =>
	components
		.filter((c) => fitting.componentIds.includes(c.id))
		.sort((a, b) => a.layer - b.layer || a.id - b.id);

/** All components to choose from, those that were tried on first. */
export function triedFirst(
	fitting: Fitting | undefined,
	components: readonly Component[]
): { value: number; label: string }[] {
	const on = fitting ? triedOn(fitting, components) : [];
	return [...on, ...components.filter((c) => !on.includes(c))].map((c) => ({
		value: c.id,
		label: `${c.code} ${c.name}`
	}));
}
