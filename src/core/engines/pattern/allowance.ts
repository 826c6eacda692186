import { EndType, FillRule, inflatePathsD, JoinType, unionD } from 'clipper2-ts';
import type { Corner, Outline } from '../../facts/piece.ts';
import { crossesItself, flatten, TOLERANCE } from './outline.ts';
import type { Point } from '../../units/point.ts';

/** Beyond so many times the allowance a sharp corner is cut off. */
const MITER_LIMIT = 4;
/** Points of one curve turn by less than this, radians: no corner. */
const SMOOTH = 0.35;

/**
 * The line to cut along: the outline moved out by each edge's allowance. A kept library resolves where the
 * moved edges run into each other.
 * @returns points, counter-clockwise
 */
export function cutLine(
	{ outline, corner = 'miter' }: { outline: Outline; corner?: Corner },
	tolerance = TOLERANCE
): Point[] {
	const { points, edges } = flatten(outline, tolerance);
	const n = points.length;
	const out = points.map((p, i) => {
		const q = points[(i + 1) % n]!;
		const length = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1;
		return [(q[1] - p[1]) / length, -(q[0] - p[0]) / length] as const;
	});
	const width = (i: number) => outline.edges[edges[i]!]!.allowance ?? 0;
	const moved = points.flatMap((p, i): Point[] => {
		const before = (i + n - 1) % n;
		return joined(p, out[before]!, width(before), out[i]!, width(i), corner, tolerance);
	});
	if (!crossesItself(moved)) return moved;
	// An edge that vanishes behind its neighbours turns round and winds the other way: only what winds once is piece.
	const solution = unionD([moved.map(([x, y]) => ({ x, y }))], [], FillRule.Positive, 4);
	return largestOf(solution);
}

/** The outline larger all round by so much, or smaller: by a kept library. Empty when nothing is left. */
export function offset(outline: Outline, mm: number, tolerance = TOLERANCE): Point[] {
	const path = flatten(outline, tolerance).points.map(([x, y]) => ({ x, y }));
	return largestOf(inflatePathsD([path], mm, JoinType.Miter, EndType.Polygon, MITER_LIMIT, 4));
}

function largestOf(paths: readonly { x: number; y: number }[][]): Point[] {
	const area = (path: { x: number; y: number }[]) =>
		path.reduce((sum, p, i) => {
			const q = path[(i + 1) % path.length]!;
			return sum + p.x * q.y - q.x * p.y;
		}, 0);
	const [largest] = [...paths].sort((a, b) => area(b) - area(a));
	return (largest ?? []).map((p): Point => [p.x, p.y]);
}

/** The corner at `p` between an edge moved out by `a` along `u` and the next one, by `b` along `v`. */
function joined(
	p: Point,
	u: Point,
	a: number,
	v: Point,
	b: number,
	corner: Corner,
	tolerance: number
): Point[] {
	const first: Point = [p[0] + u[0] * a, p[1] + u[1] * a];
	const second: Point = [p[0] + v[0] * b, p[1] + v[1] * b];
	const cross = u[0] * v[1] - u[1] * v[0];
	const dot = u[0] * v[0] + u[1] * v[1];
	const turn = Math.atan2(cross, dot);
	if (Math.abs(cross) < 1e-9 && dot > 0) return a === b ? [first] : [first, second];
	// Where both moved lines meet: x·u = p·u + a and x·v = p·v + b.
	const meet = (): Point | null => {
		if (Math.abs(cross) < 1e-9) return null;
		const [d, e] = [p[0] * u[0] + p[1] * u[1] + a, p[0] * v[0] + p[1] * v[1] + b];
		return [(d * v[1] - e * u[1]) / cross, (u[0] * e - v[0] * d) / cross];
	};
	const at = meet();
	const far = at ? Math.hypot(at[0] - p[0], at[1] - p[1]) : Infinity;
	const limit = MITER_LIMIT * Math.max(a, b);
	if (turn < 0) return at && far <= limit ? [at] : [first, p, second];
	if (Math.abs(turn) < SMOOTH && at && a === b) return [at];
	if (corner === 'round' && a === b && a > 0) {
		const n = Math.max(2, Math.ceil(turn / (2 * Math.acos(Math.max(0, 1 - tolerance / a)))));
		const begin = Math.atan2(u[1], u[0]);
		return Array.from({ length: n + 1 }, (_, i): Point => {
			const angle = begin + (turn * i) / n;
			return [p[0] + a * Math.cos(angle), p[1] + a * Math.sin(angle)];
		});
	}
	return corner === 'bevel' || !at || far > limit ? [first, second] : [at];
}
