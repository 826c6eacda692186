import { depthAt, push, pushAt, type Shape } from './shape.ts';

/** How much two turned shapes cover each other, and which way that becomes less. */

/** A shape turned: its border points, and its box, relative to its middle. */
export interface Turned {
	angle: number;
	cos: number;
	sin: number;
	x: Float64Array;
	y: Float64Array;
	left: number;
	right: number;
	low: number;
	high: number;
}

/** Radians. */
export function turn(shape: Shape, angle: number): Turned {
	const n = shape.x.length;
	const xs = new Float64Array(n);
	const ys = new Float64Array(n);
	// Quarter turns are exact, so that what fits to the last digit does.
	const quarter = Math.round((angle * 2) / Math.PI);
	const exact = Math.abs(angle - (quarter * Math.PI) / 2) < 1e-12;
	const cos = exact ? [1, 0, -1, 0][((quarter % 4) + 4) % 4]! : Math.cos(angle);
	const sin = exact ? [0, 1, 0, -1][((quarter % 4) + 4) % 4]! : Math.sin(angle);
	let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
	for (let k = 0; k < n; k++) {
		const x = shape.x[k]! * cos - shape.y[k]! * sin;
		const y = shape.x[k]! * sin + shape.y[k]! * cos;
		xs[k] = x;
		ys[k] = y;
		if (x < left) left = x;
		if (x > right) right = x;
		if (y < low) low = y;
		if (y > high) high = y;
	}
	return { angle, cos, sin, x: xs, y: ys, left, right, low, high };
}

/** Pieces may lie so deep in each other and count as touching, mm. */
export const TOUCH = 0.004;

/** Whether a point lies outside the box of a piece as it is turned. */
const misses = ({ left, right, low, high }: Turned, x: number, y: number): boolean =>
	x <= left || x >= right || y <= low || y >= high;

/** Half of how much border of one lies in another, weighed by its depth, mm². */
export function depths(
	of: Turned,
	along: Float64Array,
	ox: number,
	oy: number,
	other: Turned,
	shape: Shape,
	bound: number
): number {
	const { x, y } = of;
	const { cos, sin } = other;
	const { field } = shape;
	let sum = 0;
	for (let k = 0; k < x.length; k++) {
		const px = x[k]! + ox;
		const py = y[k]! + oy;
		if (misses(other, px, py)) continue;
		const d = depthAt(field, px * cos + py * sin, py * cos - px * sin);
		if (d > TOUCH) {
			sum += d * along[k]!;
			if (sum > bound) return sum;
		}
	}
	return sum;
}

/** By how much an overlap changes when the piece that is looked at moves by one mm, or turns by one radian. */
export const slope = { x: 0, y: 0, turn: 0 };

/** As `depths`, without a bound, adding its slope; `sign` is 1 when the points are those of the piece that moves. */
export function slopes(
	of: Turned,
	along: Float64Array,
	ox: number,
	oy: number,
	other: Turned,
	shape: Shape,
	sign: 1 | -1
): number {
	const { x, y } = of;
	const { cos, sin } = other;
	const { field } = shape;
	let sum = 0;
	for (let k = 0; k < x.length; k++) {
		const px = x[k]! + ox;
		const py = y[k]! + oy;
		if (misses(other, px, py)) continue;
		const d = pushAt(field, px * cos + py * sin, py * cos - px * sin);
		if (d <= TOUCH) continue;
		const ds = along[k]!;
		sum += d * ds;
		const gx = (push.x * cos - push.y * sin) * ds * sign;
		const gy = (push.x * sin + push.y * cos) * ds * sign;
		slope.x += gx;
		slope.y += gy;
		// About the middle of the piece that moves: its own point, or where the other's point lies as seen from it.
		const rx = sign > 0 ? x[k]! : px;
		const ry = sign > 0 ? y[k]! : py;
		slope.turn += rx * gy - ry * gx;
	}
	return sum;
}
