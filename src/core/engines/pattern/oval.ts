import type { Point3 } from '../../units/point.ts';

/** Half of its width and of its depth, mm. */
export interface Oval {
	wide: number;
	deep: number;
}

/** Steps round an oval: the rule of equal steps is then exact to the last digit for any oval that is worn. */
const STEPS = 512;

/** Round an ellipse of half-widths 1 and `ratio`. Numerical integral of its arc length; exact for ratio 1: 2π. */
export function ovalRound(ratio: number): number {
	let sum = 0;
	for (let i = 0; i < STEPS; i++) {
		const t = (2 * Math.PI * i) / STEPS;
		sum += Math.hypot(Math.sin(t), ratio * Math.cos(t));
	}
	return (sum * 2 * Math.PI) / STEPS;
}

/** The oval of a girth. @param ratio its depth by its width */
export function ovalOf(girth: number, ratio: number): Oval {
	const wide = girth / ovalRound(ratio);
	return { wide, deep: wide * ratio };
}

/** Where an oval at the height z runs in the direction φ: 0 is the middle nearest to whoever looks, y < 0, and x grows from there. */
export function ovalAt({ wide, deep }: Oval, z: number, phi: number): Point3 {
	const t = Math.atan2(deep * Math.sin(phi - Math.PI / 2), wide * Math.cos(phi - Math.PI / 2));
	return [wide * Math.cos(t), deep * Math.sin(t), z];
}
