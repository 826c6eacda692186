import type { Point, Point3 } from '../../units/point.ts';
import { ovalAt, type Oval } from './oval.ts';
import { unroll } from './unroll.ts';

/** Steps from the middle to the side. */
const STEPS = 180;

/** Nearer than this to the middle is in the middle, mm. */
const NOTHING = 1e-6;

/** A place on it: how far round to the side (0 is the middle, 1 the side, less than 0 the other half), and how far up (0 to 1). */
export interface OnFront {
	round: number;
	up: number;
}

/**
 * The half of a band between two ovals that lies in front: the surface that can be laid flat joins points where both run in the same
 * direction, so every line straight up on it is straight when it is laid flat. Unrolled in triangles from its middle.
 */
export function ovalFront(lower: Oval, upper: Oval, height: number) {
	const way = (oval: Oval, z: number) =>
		Array.from({ length: STEPS + 1 }, (_, i) => ovalAt(oval, z, (Math.PI * i) / 2 / STEPS));
	const inSpace = { lower: way(lower, 0), upper: way(upper, height) };
	const laid = unroll(inSpace.lower, inSpace.upper);

	/** Between the steps beside it, and between both edges. */
	function place<P extends readonly number[]>(
		edges: { lower: readonly P[]; upper: readonly P[] },
		{ round, up }: OnFront
	) {
		const step = Math.min(Math.abs(round), 1) * STEPS;
		const i = Math.min(Math.floor(step), STEPS - 1);
		const on = (edge: readonly P[], axis: number) =>
			edge[i]![axis]! + (edge[i + 1]![axis]! - edge[i]![axis]!) * (step - i);
		const at = (axis: number) => on(edges.lower, axis) * (1 - up) + on(edges.upper, axis) * up;
		return { at, side: round < 0 ? -1 : 1 };
	}

	/** Steps to the side at that height until it is enough: how far that is, after how many steps, and how long the last one was. */
	function along(up: number, enough: (far: number, step: number) => boolean) {
		const point = (step: number): Point3 => {
			const { at } = place(inSpace, { round: step / STEPS, up });
			return [at(0), at(1), at(2)];
		};
		let [far, last, step, before] = [0, 1, 0, point(0)];
		while (step < STEPS && !enough(far, step)) {
			const next = point(++step);
			last = Math.hypot(next[0] - before[0], next[1] - before[1]);
			far += last;
			before = next;
		}
		return { far, step, last };
	}

	return {
		/** Laid flat: the middle stands upright on 0, 0. */
		flat(on: OnFront): Point {
			const { at, side } = place(laid, on);
			return [side * at(0), at(1)];
		},
		worn(on: OnFront): Point3 {
			const { at, side } = place(inSpace, on);
			return [side * at(0), at(1), at(2)];
		},
		/** From the middle, level along the surface, mm, at a height of 0 to 1. */
		aside(round: number, up: number): number {
			const { far, step, last } = along(up, (_, at) => at >= round * STEPS);
			return far - (step - round * STEPS) * last;
		},
		/** How far round lies what is so far from the middle, level along the surface, mm; null beyond the side. */
		roundAt(aside: number, up: number): number | null {
			if (aside < NOTHING) return 0;
			const { far, step, last } = along(up, (far) => far >= aside);
			return far < aside ? null : (step - (far - aside) / last) / STEPS;
		}
	};
}
export type OvalFront = ReturnType<typeof ovalFront>;
