import { pointInPolygonD, PointInPolygonResult } from 'clipper2-ts';
import pluralize from 'pluralize';
import type { Edge, Outline, Piece } from '../../facts/piece.ts';
import { distance, type Point } from '../../units/point.ts';
import { backwards, boxOf, circle, edgeLength, edgesOf, flatten, polygon } from './outline.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { checkPiece, placedPiece } from './piece.ts';
import type { PieceOperation } from '../../facts/pieceOperation.ts';
import { cutByLine } from './cut.ts';
import { resized } from './resized.ts';
import { offset } from './allowance.ts';
import { printPercent } from '../body/resize.ts';

/** The place on the piece, mm. */
export function placeOn(piece: Piece, [x, y]: readonly [number, number]): Point {
	const box = boxOf(flatten(piece.outline).points);
	return [box.left + (box.right - box.left) * x, box.bottom + (box.top - box.bottom) * y];
}

/** Whether a place lies on the piece, and in none of its holes. */
function isOn(piece: Piece, [x, y]: Point): boolean {
	const lies = (outline: Outline) =>
		pointInPolygonD(
			{ x, y },
			flatten(outline).points.map(([px, py]) => ({ x: px, y: py }))
		);
	return (
		lies(piece.outline) !== PointInPolygonResult.IsOutside &&
		piece.holes.every((hole) => lies(hole) !== PointInPolygonResult.IsInside)
	);
}

/** The outlines of so many fasteners, one width apart, turned about the middle of all of them; each closed, mm. */
export function fastenerOutlines(
	[x, y]: Point,
	{ wide, long, count, degrees }: { wide: number; long: number; count: number; degrees: number }
): Point[][] {
	const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
	const turned = (u: number, v: number): Point => [x + u * cos - v * sin, y + u * sin + v * cos];
	return Array.from({ length: count }, (_, i) => {
		const u = (i - (count - 1) / 2) * 2 * wide;
		const [w, l] = [wide / 2, long / 2];
		return [turned(u - w, -l), turned(u + w, -l), turned(u + w, l), turned(u - w, l), turned(u - w, -l)];
	});
}

/** The same the other way round. */
export function shareOf(piece: Piece, [x, y]: Point): [number, number] {
	const box = boxOf(flatten(piece.outline).points);
	return [(x - box.left) / (box.right - box.left), (y - box.bottom) / (box.top - box.bottom)];
}

const marked = (outline: Outline, wanted: readonly number[], mark: (e: Edge) => Edge): Outline => ({
	...outline,
	edges: outline.edges.map((e, i) => (wanted.length === 0 || wanted.includes(i) ? mark(e) : e))
});

/** From the end of an edge round to its beginning: everything but the edge itself. */
const without = (outline: Outline, edge: number) => {
	const all = edgesOf(outline);
	return [...all.slice(edge + 1), ...all.slice(0, edge)];
};

const place0 = (count: number, edge: number) => (i: number) => (i - edge - 1 + count) % count;

/** The other piece laid with its edge along the first one's, and both made one. */
function joined(one: Piece, edge: number, other: Piece, otherEdge: number): Parsed<Piece> {
	const [e, o] = [edgesOf(one.outline)[edge], edgesOf(other.outline)[otherEdge]];
	if (!e || !o) return bad('workEdge');
	const [long, otherLong] = [edgeLength(e.from, e.edge), edgeLength(o.from, o.edge)];
	if (Math.abs(long - otherLong) > 0.5)
		return bad('joinLength', { one: long.toFixed(1), other: otherLong.toFixed(1) });
	const angle = (p: Point, q: Point) => (Math.atan2(q[1] - p[1], q[0] - p[0]) * 180) / Math.PI;
	const turn = angle(e.edge.to, e.from) - angle(o.from, o.edge.to);
	const start = placedPiece(other, { turn }).outline;
	const at = edgesOf(start)[otherEdge]!.from;
	const laid = placedPiece(placedPiece(other, { turn }), {
		move: [e.edge.to[0] - at[0], e.edge.to[1] - at[1]]
	});
	const facing = edgesOf(laid.outline)[otherEdge]!;
	const points = (from: Point, its: Edge) => [
		from,
		...flatten({ start: from, edges: [its] }).points.slice(1)
	];
	const middle = (list: Point[]) => list[Math.floor(list.length / 2)]!;
	if (
		distance(facing.edge.to, e.from) > 0.5 ||
		(e.edge.kind !== 'line' &&
			distance(middle(points(e.from, e.edge)), middle(points(facing.edge.to, backwards(facing)))) > 0.5)
	)
		return bad('joinCurve');
	const [mine, theirs] = [without(one.outline, edge), without(laid.outline, otherEdge)];
	const edges = [...mine, ...theirs].map((p) => p.edge);
	edges[edges.length - 1] = { ...edges.at(-1)!, to: e.edge.to };
	edges[mine.length - 1] = { ...edges[mine.length - 1]!, to: e.from };
	const [a, b] = [place0(one.outline.edges.length, edge), place0(laid.outline.edges.length, otherEdge)];
	const sum = (of: 'eyelets' | 'boned') => {
		const both = (one[of] ?? 0) + (other[of] ?? 0);
		return both > 0 ? { [of]: both } : {};
	};
	return good({
		...one,
		...sum('eyelets'),
		...sum('boned'),
		name: `${one.name} and ${other.name}`,
		outline: { start: e.edge.to, edges },
		holes: [...one.holes, ...laid.holes],
		lines: [...one.lines, ...laid.lines],
		notches: [
			...one.notches.filter((n) => n.edge !== edge).map((n) => ({ ...n, edge: a(n.edge) })),
			...laid.notches
				.filter((n) => n.edge !== otherEdge)
				.map((n) => ({ ...n, edge: mine.length + b(n.edge) }))
		],
		foldEdge: one.foldEdge === null || one.foldEdge === edge ? null : a(one.foldEdge)
	});
}

/** Half a piece and its mirror image over one of its straight edges. */
function unfolded(piece: Piece, edge: number): Parsed<Piece> {
	const at = edgesOf(piece.outline)[edge];
	if (!at) return bad('workEdge');
	if (at.edge.kind !== 'line') return bad('foldStraight');
	const half = { ...piece, foldEdge: null };
	const mirror = placedPiece(half, { mirror: true });
	const whole = joined(half, edge, mirror, piece.outline.edges.length - 1 - edge);
	return whole.ok ? good({ ...whole.value, name: piece.name }) : whole;
}

function worked(pieces: readonly Piece[], work: PieceOperation, n: number): Parsed<Piece[]> {
	const piece = pieces[work.piece];
	if (!piece) return bad('workPiece', { number: work.piece + 1 });
	const edgeCount = piece.outline.edges.length;
	const named = 'edges' in work ? work.edges : 'edge' in work ? [work.edge] : [];
	if (named.some((e) => e >= edgeCount)) return bad('workEdge');
	const put = (...its: Piece[]): Parsed<Piece[]> =>
		good([...pieces.slice(0, work.piece), ...its, ...pieces.slice(work.piece + 1)]);
	switch (work.kind) {
		case 'allowance': {
			// Nothing is added along a fold: it is not cut.
			const all = piece.outline.edges.map((_, i) => i).filter((i) => i !== piece.foldEdge);
			const outline = marked(
				piece.outline,
				work.edges.length ? work.edges : all,
				({ allowance: _a, ...e }) => (work.mm ? { ...e, allowance: work.mm } : e)
			);
			return put({ ...piece, outline, corner: work.corner });
		}
		case 'bevel':
			return put({
				...piece,
				outline: marked(piece.outline, work.edges, ({ bevel: _b, ...e }) =>
					work.degrees ? { ...e, bevel: work.degrees } : e
				)
			});
		case 'split': {
			const [a, b] = [placeOn(piece, work.from), placeOn(piece, work.to)];
			const split = cutByLine(piece, a, b, { ...work, cut: n + 1 });
			return split.ok ? put(...split.value) : split;
		}
		case 'join': {
			const other = pieces[work.other];
			if (!other || work.other === work.piece) return bad('joinOther');
			if (other.quantity !== piece.quantity || other.mirrored !== piece.mirrored) return bad('joinQuantity');
			const one = joined(piece, work.edge, other, work.otherEdge);
			if (!one.ok) return one;
			return good(pieces.flatMap((p, i) => (i === work.piece ? [one.value] : i === work.other ? [] : [p])));
		}
		case 'notch': {
			const { from, edge } = edgesOf(piece.outline)[work.edge]!;
			const notch = { edge: work.edge, along: work.at * edgeLength(from, edge), pair: work.pair };
			return put({ ...piece, notches: [...piece.notches, notch] });
		}
		case 'line': {
			const points = [placeOn(piece, work.from), placeOn(piece, work.to)];
			return put({ ...piece, lines: [...piece.lines, { use: work.use, points }] });
		}
		case 'fastener': {
			const middle = placeOn(piece, work.at);
			if (!isOn(piece, middle)) return bad('fastenerOff');
			const lines = fastenerOutlines(middle, work).map((points) => ({ use: 'placement' as const, points }));
			return put({ ...piece, lines: [...piece.lines, ...lines] });
		}
		case 'hole':
			return put({
				...piece,
				holes: [...piece.holes, circle(placeOn(piece, work.at), work.diameter / 2, true)]
			});
		case 'resize':
			return put(resized(piece, [work.width, work.height]));
		case 'grow': {
			const points = offset(piece.outline, work.mm);
			if (points.length < 3) return bad('growGone');
			return put({ ...piece, outline: polygon(points), notches: [], foldEdge: null });
		}
		case 'pair':
			return piece.mirrored
				? bad('alreadyPair')
				: put({ ...piece, quantity: piece.quantity * 2, mirrored: true });
		case 'fold':
			if (piece.outline.edges[work.edge]!.kind !== 'line') return bad('foldStraight');
			return put({
				...piece,
				foldEdge: work.edge,
				outline: marked(piece.outline, [work.edge], ({ allowance: _a, seam: _s, ...e }) => e)
			});
		case 'unfold': {
			const whole = unfolded(piece, work.edge);
			return whole.ok ? put(whole.value) : whole;
		}
		case 'grain':
			return put({ ...piece, grain: work.degrees });
		case 'quantity':
			if (piece.mirrored && work.quantity % 2) return bad('pairQuantity');
			return put({ ...piece, quantity: work.quantity });
		case 'name':
			return put({ ...piece, name: work.name });
		case 'role': {
			const { role: _, ...rest } = piece;
			return put(work.role ? { ...rest, role: work.role } : rest);
		}
		case 'remove':
			return pieces.length > 1 ? put() : bad('lastPiece');
	}
}

/** All works in order. The path of a problem leads to the work that cannot be done. */
export function applyOperations(pieces: readonly Piece[], works: readonly PieceOperation[]): Parsed<Piece[]> {
	let now = [...pieces];
	for (const [n, work] of works.entries()) {
		const next = worked(now, work, n);
		if (!next.ok) return { ok: false, problem: { ...next.problem, path: ['works', n] } };
		for (const piece of next.value) {
			if (now.includes(piece)) continue;
			const problem = checkPiece(piece);
			if (problem) return { ok: false, problem: { ...problem, path: ['works', n] } };
		}
		now = next.value;
	}
	return good(now);
}

const percent = (factor: number) => `${printPercent(factor)} %`;

/** What a work does, in words; `name` is that of its piece. */
export function operationWords(work: PieceOperation, name: string, length: (mm: number) => string): string {
	const which =
		'edges' in work ? (work.edges.length ? pluralize('edge', work.edges.length, true) : 'all edges') : '';
	switch (work.kind) {
		case 'allowance':
			return work.mm
				? `${name}: allowance of ${length(work.mm)} on ${which}, ${work.corner} corners`
				: `${name}: no allowance on ${which}`;
		case 'bevel':
			return `${name}: ${work.degrees}° bevel on ${which}`;
		case 'split':
			return `${name}: split, ${work.allowance ? `${length(work.allowance)} allowance` : 'no allowance'}, ${pluralize('register mark', work.marks, true)}`;
		case 'join':
			return `${name}: joined to another piece`;
		case 'notch':
			return `${name}: notch ${work.pair}`;
		case 'line':
			return `${name}: ${work.use} line`;
		case 'fastener':
			return `${name}: place of ${work.count > 1 ? `${work.count} fasteners` : 'a fastener'}, ${length(work.wide)} × ${length(work.long)}`;
		case 'hole':
			return `${name}: hole of ${length(work.diameter)}`;
		case 'resize':
			return `${name}: at ${percent(work.width)} of its width, ${percent(work.height)} of its height`;
		case 'grow':
			return `${name}: ${work.mm < 0 ? 'smaller' : 'larger'} by ${length(Math.abs(work.mm))} all round`;
		case 'pair':
			return `${name}: a mirrored pair`;
		case 'fold':
			return `${name}: half on the fold`;
		case 'unfold':
			return `${name}: mirrored into a whole`;
		case 'grain':
			return work.degrees === null ? `${name}: no grain` : `${name}: grain at ${work.degrees}°`;
		case 'quantity':
			return `${name}: ${work.quantity} ×`;
		case 'name':
			return `${name}: called ${work.name}`;
		case 'role':
			return `${name}: ${work.role || 'as the shape'}`;
		case 'remove':
			return `${name}: left out`;
	}
}
