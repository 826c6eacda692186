import { Bezier } from 'bezier-js';
import { distance, type Point } from '../../units/point.ts';
import type { Edge, EdgeMarks, Outline } from '../../facts/piece.ts';
import { type Problem, problem } from '../../units/problem.ts';

const along = (a: Point, b: Point, t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];

/** Each edge with where it begins. */
export function edgesOf(outline: Outline): { from: Point; edge: Edge }[] {
	let from = outline.start;
	return outline.edges.map((edge) => {
		const placed = { from, edge };
		from = edge.to;
		return placed;
	});
}

export const polygon = (points: readonly Point[], marks: readonly EdgeMarks[] = []): Outline => ({
	start: points[0]!,
	edges: points.map((_, i) => ({ kind: 'line', to: points[(i + 1) % points.length]!, ...marks[i] }))
});

/** A full circle, counter-clockwise; a hole runs clockwise. */
export const circle = ([x, y]: Point, radius: number, hole = false): Outline => ({
	start: [x + radius, y],
	edges: [
		{ kind: 'arc', to: [x - radius, y], bulge: hole ? -1 : 1 },
		{ kind: 'arc', to: [x + radius, y], bulge: hole ? -1 : 1 }
	]
});

/** The angle that an arc turns through, counter-clockwise positive, and its radius. */
export function arcOf(
	from: Point,
	to: Point,
	bulge: number
): { turn: number; radius: number; centre: Point } {
	const chord = distance(from, to);
	const turn = 4 * Math.atan(bulge);
	const radius = (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge));
	// From the chord's middle to the centre: to the left of the way for a counter-clockwise arc below half a turn.
	const h = (chord * (1 - bulge * bulge)) / (4 * bulge);
	const [mx, my] = along(from, to, 0.5);
	return {
		turn,
		radius,
		centre: [mx - ((to[1] - from[1]) / chord) * h, my + ((to[0] - from[0]) / chord) * h]
	};
}

const cubicAt = (a: Point, b: Point, c: Point, d: Point, t: number): Point => {
	const u = 1 - t;
	const at = (i: 0 | 1) => u * u * u * a[i] + 3 * u * u * t * b[i] + 3 * u * t * t * c[i] + t * t * t * d[i];
	return [at(0), at(1)];
};
const cubicSlope = (a: Point, b: Point, c: Point, d: Point, t: number): Point => {
	const u = 1 - t;
	const at = (i: 0 | 1) => 3 * (u * u * (b[i] - a[i]) + 2 * u * t * (c[i] - b[i]) + t * t * (d[i] - c[i]));
	return [at(0), at(1)];
};

/** Nodes and weights of Gauss and Legendre on 0 … 1; Abramowitz and Stegun, table 25.4. */
const GAUSS = [
	[0.046910077030668, 0.1184634425280945],
	[0.2307653449471585, 0.2393143352496833],
	[0.5, 0.2844444444444445],
	[0.7692346550528415, 0.2393143352496833],
	[0.953089922969332, 0.1184634425280945]
] as const;

export function edgeLength(from: Point, edge: Edge): number {
	if (edge.kind === 'line' || (edge.kind === 'arc' && edge.bulge === 0)) return distance(from, edge.to);
	if (edge.kind === 'arc') {
		const { turn, radius } = arcOf(from, edge.to, edge.bulge);
		return Math.abs(turn) * radius;
	}
	// By quadrature of Gauss and Legendre with 24 nodes.
	return new Bezier(...from, ...edge.c1, ...edge.c2, ...edge.to).length();
}

export const outlineLength = (outline: Outline): number =>
	edgesOf(outline).reduce((sum, { from, edge }) => sum + edgeLength(from, edge), 0);

/** Exact: Green's theorem edge by edge. Negative for a clockwise outline. mm². */
export function signedArea(outline: Outline): number {
	const [ox, oy] = outline.start;
	let twice = 0;
	for (const { from, edge } of edgesOf(outline)) {
		const [x0, y0, x1, y1] = [from[0] - ox, from[1] - oy, edge.to[0] - ox, edge.to[1] - oy];
		if (edge.kind === 'cubic') {
			// ½∫(x·y′ − y·x′) is of fifth degree: five nodes are exact.
			for (const [node, weight] of GAUSS) {
				const [x, y] = cubicAt(from, edge.c1, edge.c2, edge.to, node);
				const [dx, dy] = cubicSlope(from, edge.c1, edge.c2, edge.to, node);
				twice += weight * ((x - ox) * dy - (y - oy) * dx);
			}
			continue;
		}
		twice += x0 * y1 - x1 * y0;
		if (edge.kind === 'arc' && edge.bulge !== 0) {
			const { turn, radius } = arcOf(from, edge.to, edge.bulge);
			twice += radius * radius * (turn - Math.sin(turn));
		}
	}
	return twice / 2;
}

/** Flattened as closely as asked; 0.1 mm is finer than anybody cuts. */
export const TOLERANCE = 0.1;
const MOST_PARTS = 2000;

/** Points along an edge without its first, none farther from the curve than the tolerance. */
export function flattenEdge(from: Point, edge: Edge, tolerance = TOLERANCE): Point[] {
	if (edge.kind === 'line' || (edge.kind === 'arc' && edge.bulge === 0)) return [edge.to];
	if (edge.kind === 'arc') {
		const { turn, radius, centre } = arcOf(from, edge.to, edge.bulge);
		const step = 2 * Math.acos(Math.max(0, 1 - tolerance / radius));
		const n = Math.min(MOST_PARTS, Math.max(2, Math.ceil(Math.abs(turn) / (step || 1))));
		const begin = Math.atan2(from[1] - centre[1], from[0] - centre[0]);
		return Array.from({ length: n }, (_, i): Point => {
			if (i === n - 1) return edge.to;
			const angle = begin + (turn * (i + 1)) / n;
			return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
		});
	}
	const bend = (a: Point, b: Point, c: Point) => Math.hypot(a[0] - 2 * b[0] + c[0], a[1] - 2 * b[1] + c[1]);
	// A chord strays by at most max|B″|/8n², and max|B″| is 6 times the larger second difference.
	const d = Math.max(bend(from, edge.c1, edge.c2), bend(edge.c1, edge.c2, edge.to));
	const n = Math.min(MOST_PARTS, Math.max(2, Math.ceil(Math.sqrt((0.75 * d) / tolerance))));
	return Array.from({ length: n }, (_, i) =>
		i === n - 1 ? edge.to : cubicAt(from, edge.c1, edge.c2, edge.to, (i + 1) / n)
	);
}

export interface FlatOutline {
	points: Point[];
	/** Of the segment that begins at the point of the same index: the edge it is a part of. */
	edges: number[];
}

export function flatten(outline: Outline, tolerance = TOLERANCE): FlatOutline {
	const points: Point[] = [];
	const edges: number[] = [];
	edgesOf(outline).forEach(({ from, edge }, i) => {
		points.push(from);
		edges.push(i);
		for (const p of flattenEdge(from, edge, tolerance).slice(0, -1)) {
			points.push(p);
			edges.push(i);
		}
	});
	return { points, edges };
}

export interface Box {
	left: number;
	bottom: number;
	right: number;
	top: number;
}

export function boxOf(points: readonly Point[]): Box {
	const box = { left: Infinity, bottom: Infinity, right: -Infinity, top: -Infinity };
	for (const [x, y] of points) {
		box.left = Math.min(box.left, x);
		box.right = Math.max(box.right, x);
		box.bottom = Math.min(box.bottom, y);
		box.top = Math.max(box.top, y);
	}
	return box;
}

export const touches = (a: Box, b: Box): boolean =>
	a.left < b.right && a.right > b.left && a.bottom < b.top && a.top > b.bottom;

/** Whether a closed line of points goes round a point: crossings of a ray, even or odd. */
export function goesRound(points: readonly Point[], [x, y]: Point): boolean {
	let inside = false;
	points.forEach((a, i) => {
		const b = points[(i + 1) % points.length]!;
		if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside;
	});
	return inside;
}

/** The same edge the other way: from its end to its beginning. */
export const backwards = ({ from, edge }: { from: Point; edge: Edge }): Edge =>
	edge.kind === 'cubic'
		? { ...edge, c1: edge.c2, c2: edge.c1, to: from }
		: edge.kind === 'arc'
			? { ...edge, bulge: -edge.bulge, to: from }
			: { ...edge, to: from };

/** What an edge carries, for another line in its place. */
export function marksOf(edge: Edge): EdgeMarks {
	const marks = ['seam', 'onto', 'fullness', 'along', 'shaped', 'allowance', 'bevel'] as const;
	return Object.fromEntries(marks.flatMap((m) => (edge[m] === undefined ? [] : [[m, edge[m]]])));
}

export interface Motion {
	/** Left becomes right: x → −x, before turning. */
	mirror?: boolean;
	/** Degrees counter-clockwise about 0, 0. */
	turn?: number;
	move?: Point;
}

export function placed([x, y]: Point, { mirror = false, turn = 0, move = [0, 0] }: Motion): Point {
	const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
	const px = mirror ? -x : x;
	return [px * c - y * s + move[0], px * s + y * c + move[1]];
}

/** A mirrored outline still runs counter-clockwise: its edges come in the opposite order. */
export function placedOutline(outline: Outline, by: Motion): Outline {
	const p = (point: Point) => placed(point, by);
	const edges = edgesOf(outline).map(({ from, edge }): { from: Point; edge: Edge } => ({
		from: p(from),
		edge:
			edge.kind === 'cubic'
				? { ...edge, c1: p(edge.c1), c2: p(edge.c2), to: p(edge.to) }
				: { ...edge, to: p(edge.to) }
	}));
	if (!by.mirror) return { start: p(outline.start), edges: edges.map((e) => e.edge) };
	return {
		start: p(outline.start),
		edges: edges
			.reverse()
			.map(({ from, edge }): Edge =>
				edge.kind === 'cubic' ? { ...edge, c1: edge.c2, c2: edge.c1, to: from } : { ...edge, to: from }
			)
	};
}

const MOST_POINTS = 20_000;

/**
 * Whether a line of points crosses itself: by sweeping over x, so that thousands of points are no trouble. Plain
 * arrays of numbers: this runs for every piece whenever a point is moved.
 */
export function crossesItself(points: readonly Point[]): boolean {
	const n = points.length;
	const xs = new Float64Array(n + 1);
	const ys = new Float64Array(n + 1);
	for (let i = 0; i <= n; i++) {
		const p = points[i % n]!;
		xs[i] = p[0];
		ys[i] = p[1];
	}
	const left = new Float64Array(n);
	for (let i = 0; i < n; i++) left[i] = Math.min(xs[i]!, xs[i + 1]!);
	const order = Uint32Array.from({ length: n }, (_, i) => i).sort((i, j) => left[i]! - left[j]!);
	const active = new Uint32Array(n);
	let count = 0;
	for (const i of order) {
		const [ax, ay, bx, by] = [xs[i]!, ys[i]!, xs[i + 1]!, ys[i + 1]!];
		const [low, high] = ay < by ? [ay, by] : [by, ay];
		let kept = 0;
		for (let k = 0; k < count; k++) {
			const j = active[k]!;
			const [cx, cy, dx, dy] = [xs[j]!, ys[j]!, xs[j + 1]!, ys[j + 1]!];
			if (cx < left[i]! && dx < left[i]!) continue;
			active[kept++] = j;
			if ((cy > high && dy > high) || (cy < low && dy < low)) continue;
			const s1 = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
			const s2 = (bx - ax) * (dy - ay) - (by - ay) * (dx - ax);
			if (s1 * s2 >= 0) continue;
			const s3 = (dx - cx) * (ay - cy) - (dy - cy) * (ax - cx);
			const s4 = (dx - cx) * (by - cy) - (dy - cy) * (bx - cx);
			if (s3 * s4 < 0) return true;
		}
		count = kept;
		active[count++] = i;
	}
	return false;
}

/** What is wrong with an outline that is to be cut out, or null. */
export function checkOutline(outline: Outline, hole = false): Problem | null {
	const numbers = [outline.start, ...outline.edges.map((e) => e.to)].flat();
	for (const e of outline.edges) {
		if (e.kind === 'arc') numbers.push(e.bulge);
		if (e.kind === 'cubic') numbers.push(...e.c1, ...e.c2);
	}
	if (!numbers.every(Number.isFinite)) return problem('outlineNumbers');
	if (outline.edges.length < 2) return problem('outlineOpen');
	if (distance(outline.start, outline.edges.at(-1)!.to) > 1e-6) return problem('outlineOpen');
	if (
		edgesOf(outline).some(
			({ from, edge }) => edge.kind === 'arc' && edge.bulge !== 0 && distance(from, edge.to) < 1e-9
		)
	)
		return problem('outlineArc');
	const { points } = flatten(outline);
	if (points.length > MOST_POINTS) return problem('outlinePoints', { most: MOST_POINTS });
	const area = signedArea(outline);
	if (Math.abs(area) < 1e-3) return problem('outlineArea');
	if (crossesItself(points)) return problem('outlineCrosses');
	if (area > 0 === hole) return problem(hole ? 'holeReversed' : 'outlineReversed');
	return null;
}
