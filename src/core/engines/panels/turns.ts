import type { BodyPoint } from '../../facts/panelPlan.ts';

const NEAR = 1e-6;

/** Whole turns, degrees, that bring a turn as near as it can be to another. */
export const turnsTo = (turn: number, other: number): number => 360 * Math.round((other - turn) / 360);

/** By how many degrees of whole turns one point is turned on against another that is the same place; null where it is another place. */
export function turnedBy(a: BodyPoint, b: BodyPoint): number | null {
	const whole = turnsTo(a.turn, b.turn);
	return Math.abs(a.level - b.level) < NEAR && Math.abs(b.turn - a.turn - whole) < NEAR ? whole : null;
}

/** The same on the wearer's other side. */
export const mirror = (p: BodyPoint): BodyPoint => ({ level: p.level, turn: 180 - p.turn });
