import type { Edge, Notch, Outline, Piece } from '../../facts/piece.ts';
import {
	boxOf,
	checkOutline,
	edgeLength,
	edgesOf,
	flatten,
	outlineLength,
	placed,
	placedOutline,
	type Motion,
	signedArea
} from './outline.ts';
import { cutLine } from './allowance.ts';
import { distance, type Point } from '../../units/point.ts';
import { type Problem, problem } from '../../units/problem.ts';

export const piece = (
	name: string,
	outline: Outline,
	more: Partial<Omit<Piece, 'name' | 'outline'>> = {}
): Piece => ({
	name,
	outline,
	holes: [],
	lines: [],
	notches: [],
	grain: null,
	quantity: 1,
	mirrored: false,
	foldEdge: null,
	...more
});

export interface PieceSizes {
	/** Of the finished piece, holes taken out, mm². */
	area: number;
	/** With its allowances: what is cut from the material, mm². */
	cutArea: number;
	/** What the knife goes along: the cut line and the holes, mm. */
	cutLength: number;
	/** Edges that are joined to another, mm. */
	seam: number;
	/** Edges that are not cut square, mm. */
	bevelled: number;
	/** Edges that are joined to nothing, mm. */
	edge: number;
}

/** Of one piece, or of the whole that is unfolded from it. Lengths in mm, areas in mm². */
export function sizesOfPiece(piece: Piece): PieceSizes {
	const edges = edgesOf(piece.outline).map((e) => ({ ...e, length: edgeLength(e.from, e.edge) }));
	const folds = piece.foldEdge === null ? 1 : 2;
	const sum = (of: (e: (typeof edges)[number], i: number) => boolean) =>
		folds * edges.reduce((total, e, i) => total + (i !== piece.foldEdge && of(e, i) ? e.length : 0), 0);
	const holes = piece.holes.reduce((total, h) => total + Math.abs(signedArea(h)), 0);
	const plain = piece.outline.edges.every((e) => !e.allowance);
	const cut = plain ? null : cutLine(piece);
	const loop = (points: readonly Point[]) => ({
		start: points[0]!,
		edges: points.map((_, i) => ({ kind: 'line' as const, to: points[(i + 1) % points.length]! }))
	});
	const fold =
		piece.foldEdge === null ? 0 : cut ? onFold(cut, edges[piece.foldEdge]!) : edges[piece.foldEdge]!.length;
	const around = cut ? outlineLength(loop(cut)) : outlineLength(piece.outline);
	return {
		area: folds * (signedArea(piece.outline) - holes),
		cutArea: folds * ((cut ? signedArea(loop(cut)) : signedArea(piece.outline)) - holes),
		cutLength: folds * (around - fold + piece.holes.reduce((total, h) => total + outlineLength(h), 0)),
		seam: sum((e) => e.edge.seam !== undefined),
		bevelled: sum((e) => !!e.edge.bevel),
		edge: sum((e) => e.edge.seam === undefined && !e.edge.along)
	};
}

/** Of a cut line, what lies along the fold: allowances beside it make it longer than the edge. */
function onFold(cut: readonly Point[], { from, edge }: { from: Point; edge: Edge }): number {
	const length = distance(from, edge.to);
	const off = ([x, y]: Point) =>
		Math.abs((edge.to[0] - from[0]) * (y - from[1]) - (edge.to[1] - from[1]) * (x - from[0])) / length;
	return cut.reduce((sum, p, i) => {
		const q = cut[(i + 1) % cut.length]!;
		return off(p) < 1e-3 && off(q) < 1e-3 ? sum + distance(p, q) : sum;
	}, 0);
}

/** What is wrong with a piece, or null. `path` leads to the part. */
export function checkPiece(piece: Piece): Problem | null {
	const its = checkOutline(piece.outline);
	if (its) return { ...its, path: ['outline'] };
	for (const [i, hole] of piece.holes.entries()) {
		const wrong = checkOutline(hole, true);
		if (wrong) return { ...wrong, path: ['holes', i] };
	}
	const { left, right, top, bottom } = boxOf(flatten(piece.outline).points);
	const least = Math.min(right - left, top - bottom);
	for (const [i, edge] of piece.outline.edges.entries())
		if ((edge.allowance ?? 0) < 0 || (edge.allowance ?? 0) > least)
			return problem('allowanceTooLarge', {}, ['outline', 'edges', i]);
	for (const [i, notch] of piece.notches.entries()) {
		const at = edgesOf(piece.outline)[notch.edge];
		if (!at || notch.along < 0 || notch.along > edgeLength(at.from, at.edge) + 1e-6)
			return problem('notchOffEdge', {}, ['notches', i]);
	}
	return null;
}

/** Where a notch lies, and the direction outwards from the piece there. */
export function notchPlace(piece: Piece, notch: Notch): { at: Point; out: Point } {
	const { from, edge } = edgesOf(piece.outline)[notch.edge]!;
	const points = [from, ...flatten({ start: from, edges: [edge] }, 0.02).points.slice(1), edge.to];
	let left = notch.along;
	for (let i = 1; i < points.length; i++) {
		const [a, b] = [points[i - 1]!, points[i]!];
		const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
		if (left <= length || i === points.length - 1) {
			const t = length === 0 ? 0 : Math.min(1, left / length);
			const out: Point = length === 0 ? [0, 0] : [(b[1] - a[1]) / length, -(b[0] - a[0]) / length];
			return { at: [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t], out };
		}
		left -= length;
	}
	return { at: from, out: [0, 0] };
}

/** A piece mirrored, turned and moved as a whole. */
export function placedPiece(piece: Piece, by: Motion): Piece {
	const last = piece.outline.edges.length - 1;
	const lengths = edgesOf(piece.outline).map((e) => edgeLength(e.from, e.edge));
	const turned = (angle: number) => (by.mirror ? 180 - angle : angle) + (by.turn ?? 0);
	return {
		...piece,
		outline: placedOutline(piece.outline, by),
		holes: piece.holes.map((h) => placedOutline(h, by)),
		lines: piece.lines.map((l) => ({ ...l, points: l.points.map((p) => placed(p, by)) })),
		notches: piece.notches.map((n) =>
			by.mirror ? { ...n, edge: last - n.edge, along: lengths[n.edge]! - n.along } : n
		),
		grain: piece.grain === null ? null : turned(piece.grain),
		foldEdge: piece.foldEdge === null ? null : by.mirror ? last - piece.foldEdge : piece.foldEdge
	};
}
