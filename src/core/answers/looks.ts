import type { Component, SeenFrom } from '../facts/component.ts';

/** How much a component counts for the look, by where it is seen from. Starting values, from memory. */
const SEEN: Record<SeenFrom, number> = { near: 1, stage: 0.7, never: 0.1 };

/** What each component counts for the look of the costume, and all of them together. */
export function looksOf(components: readonly Pick<Component, 'id' | 'lookNeed' | 'seenFrom'>[]): {
	look: ReadonlyMap<number, number>;
	wholeLook: number;
} {
	const look = new Map(components.map((c) => [c.id, c.lookNeed * SEEN[c.seenFrom]]));
	return { look, wholeLook: [...look.values()].reduce((sum, l) => sum + l, 0) || 1 };
}
