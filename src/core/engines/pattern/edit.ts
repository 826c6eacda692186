import { bad, good, type Parsed } from '../../units/problem.ts';
import { partOf, pointAt } from './cut.ts';
import { boxOf, edgesOf, flatten, marksOf } from './outline.ts';
import { distance, type Point } from '../../units/point.ts';
import type { Edge, Outline } from '../../facts/piece.ts';
import type { Piece } from '../../facts/piece.ts';

/**
 * Changes of one outline by hand. Point i is where edge i begins; every change gives a new outline and leaves
 * the old one as it was.
 */

const shifted = (p: Point, [dx, dy]: Point): Point => [p[0] + dx, p[1] + dy];

/** A point moved; the handles of curves that meet there go with it. */
export function movePoint(outline: Outline, i: number, to: Point): Outline {
	const n = outline.edges.length;
	const from = edgesOf(outline)[i]?.from;
	if (!from) return outline;
	const by: Point = [to[0] - from[0], to[1] - from[1]];
	const before = (i + n - 1) % n;
	const edges = outline.edges.map((e, at): Edge => {
		let its = e;
		if (at === before) its = its.kind === 'cubic' ? { ...its, to, c2: shifted(its.c2, by) } : { ...its, to };
		if (at === i && its.kind === 'cubic') its = { ...its, c1: shifted(its.c1, by) };
		return its;
	});
	return { start: i === 0 ? to : outline.start, edges };
}

/** A handle of a curve moved. */
export function moveHandle(outline: Outline, edge: number, handle: 'c1' | 'c2', to: Point): Outline {
	return {
		...outline,
		edges: outline.edges.map((e, i) => (i === edge && e.kind === 'cubic' ? { ...e, [handle]: to } : e))
	};
}

/** A new point in an edge, which keeps its line: both parts carry what the edge carried. */
export function insertPoint(piece: Piece, edge: number, t = 0.5): Piece {
	const at = edgesOf(piece.outline)[edge];
	if (!at) return piece;
	const first = partOf(at.from, at.edge, 0, t);
	const second = partOf(at.from, at.edge, t, 1);
	const share = lengthBefore(at.from, at.edge, t);
	const later = (i: number) => (i > edge ? i + 1 : i);
	return {
		...piece,
		outline: {
			...piece.outline,
			edges: piece.outline.edges.flatMap((e, i) => (i === edge ? [first, second] : [e]))
		},
		notches: piece.notches.map((n) =>
			n.edge === edge && n.along > share
				? { ...n, edge: edge + 1, along: n.along - share }
				: { ...n, edge: later(n.edge) }
		),
		foldEdge: piece.foldEdge === null ? null : later(piece.foldEdge)
	};
}

const lengthBefore = (from: Point, edge: Edge, t: number): number => {
	const steps = 200;
	let sum = 0;
	for (let i = 0; i < steps; i++)
		sum += distance(pointAt(from, edge, (t * i) / steps), pointAt(from, edge, (t * (i + 1)) / steps));
	return sum;
};

/** A point taken out: its two edges become one straight one. */
export function removePoint(piece: Piece, i: number): Parsed<Piece> {
	const n = piece.outline.edges.length;
	if (n <= 2) return bad('edgeCount');
	if (i < 0 || i >= n) return bad('noSuchPoint');
	const before = (i + n - 1) % n;
	const kept: Edge = {
		kind: 'line',
		to: piece.outline.edges[i]!.to,
		...marksOf(piece.outline.edges[before]!)
	};
	const edges = piece.outline.edges.flatMap((e, at) => (at === before ? [kept] : at === i ? [] : [e]));
	const start = i === 0 ? piece.outline.edges[0]!.to : piece.outline.start;
	// The list begins one edge later when the first point went: the last edge then stays last.
	const earlier = (e: number) => (e > i ? e - 1 : e);
	return good({
		...piece,
		outline: { start, edges },
		notches: piece.notches
			.filter((m) => m.edge !== i && m.edge !== before)
			.map((m) => ({ ...m, edge: earlier(m.edge) })),
		foldEdge:
			piece.foldEdge === null || piece.foldEdge === i || piece.foldEdge === before
				? null
				: earlier(piece.foldEdge)
	});
}

/** An edge made straight, an arc with so much rise over its chord, or a curve with handles. */
export function bendEdge(outline: Outline, edge: number, kind: Edge['kind'], rise = 0): Outline {
	const at = edgesOf(outline)[edge];
	if (!at) return outline;
	const { from } = at;
	const { to } = at.edge;
	const marks = marksOf(at.edge);
	const third = (t: number): Point => {
		const [x, y] = [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t];
		const length = distance(from, to) || 1;
		const out = rise * (4 / 3);
		return [x + ((to[1] - from[1]) / length) * out, y - ((to[0] - from[0]) / length) * out];
	};
	const bent: Edge =
		kind === 'line'
			? { kind, to, ...marks }
			: kind === 'arc'
				? // The bulge is twice the rise over the chord; outwards is to the right of the way.
					{ kind, to, bulge: (2 * rise) / (distance(from, to) || 1), ...marks }
				: { kind, to, c1: third(1 / 3), c2: third(2 / 3), ...marks };
	return { ...outline, edges: outline.edges.map((e, i) => (i === edge ? bent : e)) };
}

/** How far the middle of an edge rises over its chord, mm; outwards positive. */
export function riseOf(from: Point, edge: Edge): number {
	if (edge.kind === 'line') return 0;
	const [x, y] = pointAt(from, edge, 0.5);
	const long = distance(from, edge.to) || 1;
	return ((edge.to[1] - from[1]) * (x - from[0]) - (edge.to[0] - from[0]) * (y - from[1])) / long;
}

/** A straight edge given a length and a direction: its end moves. Degrees counter-clockwise from x. */
export function setEdge(outline: Outline, edge: number, length: number, degrees: number): Outline {
	const at = edgesOf(outline)[edge];
	if (!at) return outline;
	const angle = (degrees * Math.PI) / 180;
	const to: Point = [at.from[0] + length * Math.cos(angle), at.from[1] + length * Math.sin(angle)];
	return movePoint(outline, (edge + 1) % outline.edges.length, to);
}

/** Where an edge leads from end to end, degrees counter-clockwise from x. */
export const directionOf = (from: Point, edge: Edge): number =>
	(Math.atan2(edge.to[1] - from[1], edge.to[0] - from[0]) * 180) / Math.PI;

export interface Snap {
	at: Point;
	to: 'point' | 'middle' | 'level' | 'grid' | null;
}

/**
 * What a moved point catches on, nearest kind first: another point, the middle of an edge, level with another
 * point in x or y, the grid from the piece's lower left corner. `reach` and `grid` in mm.
 */
export function snap(
	outline: Outline,
	moved: Point,
	reach: number,
	grid: number,
	except: number | null
): Snap {
	const all = edgesOf(outline);
	const others = all.flatMap(({ from }, i) => (i === except ? [] : [from]));
	const nearest = (points: readonly Point[]) =>
		points.reduce<Point | null>(
			(best, p) =>
				distance(p, moved) <= reach && (!best || distance(p, moved) < distance(best, moved)) ? p : best,
			null
		);
	const point = nearest(others);
	if (point) return { at: point, to: 'point' };
	const n = all.length;
	const middle = nearest(
		all.flatMap(({ from, edge }, i) =>
			i === except || i === ((except ?? -5) + n - 1) % n ? [] : [pointAt(from, edge, 0.5)]
		)
	);
	if (middle) return { at: middle, to: 'middle' };
	const level = (axis: 0 | 1) =>
		others.reduce<number | null>((best, p) => {
			const off = Math.abs(p[axis] - moved[axis]);
			return off <= reach / 2 && (best === null || off < Math.abs(best - moved[axis])) ? p[axis] : best;
		}, null);
	const [x, y] = [level(0), level(1)];
	const { left, bottom } = boxOf(flatten(outline).points);
	const round = (v: number, from: number) => (grid > 0 ? from + Math.round((v - from) / grid) * grid : v);
	const onGrid: Point = [round(moved[0], left), round(moved[1], bottom)];
	if (x !== null || y !== null) return { at: [x ?? onGrid[0], y ?? onGrid[1]], to: 'level' };
	return { at: onGrid, to: grid > 0 ? 'grid' : null };
}
