import type { TechniqueKey } from '../facts/step.ts';

/**
 * Closures that do each other's work, by technique: so many of them hold what one strap with a buckle holds, or 10 cm of
 * hook-and-loop. Snaps stand 30 to 40 mm apart, magnets give way sooner. Common practice; starting values, from memory.
 */
export const JOINS: Readonly<Record<TechniqueKey, number>> = {
	hookAndLoop: 1,
	buckle: 1,
	snap: 3,
	magnet: 2
};
/** The same of what closes an opening of half a metre: a zip, snaps, hook-and-loop, eyelets on both sides. */
export const OPENINGS: Readonly<Record<TechniqueKey, number>> = {
	closure: 1,
	hookAndLoop: 5,
	snap: 14,
	eyelet: 40
};
