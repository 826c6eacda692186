import type { Edge, EdgeMarks } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { backwards, edgeLength } from '../pattern/outline.ts';

/** Edges one after the other, from where they begin. */
export interface Run {
	from: Point;
	edges: readonly Edge[];
}

export const line = (to: Point, marks: EdgeMarks = {}): Edge => ({ kind: 'line', to, ...marks });
export const curve = (c1: Point, c2: Point, to: Point, marks: EdgeMarks = {}): Edge => ({
	kind: 'cubic',
	c1,
	c2,
	to,
	...marks
});

export const plus = (p: Point, [dx, dy]: Point, times = 1): Point => [p[0] + dx * times, p[1] + dy * times];
export const between = (a: Point, b: Point, t: number): Point => [
	a[0] + (b[0] - a[0]) * t,
	a[1] + (b[1] - a[1]) * t
];
/** One long, from a to b. */
export function towards(a: Point, b: Point): Point {
	const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
	return [(b[0] - a[0]) / long, (b[1] - a[1]) / long];
}

export const endOf = ({ from, edges }: Run): Point => edges.at(-1)?.to ?? from;

const starts = ({ from, edges }: Run): { from: Point; edge: Edge }[] =>
	edges.map((edge, i) => ({ from: i ? edges[i - 1]!.to : from, edge }));

export const runLength = (run: Run): number =>
	starts(run).reduce((sum, { from, edge }) => sum + edgeLength(from, edge), 0);

/** The same way back. */
export const runBack = (run: Run): Run => ({
	from: endOf(run),
	edges: starts(run).reverse().map(backwards)
});

/** Every point moved alike. */
export const runMoved = ({ from, edges }: Run, move: (p: Point) => Point): Run => ({
	from: move(from),
	edges: edges.map((e): Edge =>
		e.kind === 'cubic' ? { ...e, c1: move(e.c1), c2: move(e.c2), to: move(e.to) } : { ...e, to: move(e.to) }
	)
});

export const marked = ({ from, edges }: Run, marks: EdgeMarks): Run => ({
	from,
	edges: edges.map((e) => ({ ...e, ...marks }))
});

/** Turned about a point, radians counter-clockwise. */
export const turnAbout =
	([cx, cy]: Point, angle: number) =>
	([x, y]: Point): Point => [
		cx + (x - cx) * Math.cos(angle) - (y - cy) * Math.sin(angle),
		cy + (x - cx) * Math.sin(angle) + (y - cy) * Math.cos(angle)
	];

/** Left becomes right. */
export const mirrorPoint = ([x, y]: Point): Point => [-x, y];

/** A smooth line through points, each with its direction along the stretch from the one before to the one after (Catmull and Rom, 1974). */
export function smooth(points: readonly Point[]): Run {
	const slope = (i: number): Point => {
		const [a, b] = [points[Math.max(0, i - 1)]!, points[Math.min(points.length - 1, i + 1)]!];
		return towards(a, b);
	};
	return {
		from: points[0]!,
		edges: points.slice(1).map((to, i) => {
			const from = points[i]!;
			const third = Math.hypot(to[0] - from[0], to[1] - from[1]) / 3;
			return curve(plus(from, slope(i), third), plus(to, slope(i + 1), -third), to);
		})
	};
}
