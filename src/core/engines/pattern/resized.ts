import { arcOf, boxOf, edgeLength, edgesOf, flatten } from './outline.ts';
import type { Edge, Outline } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import type { Piece } from '../../facts/piece.ts';

/** Factors of width (x) and height (y). */
export type Factors = readonly [x: number, y: number];

/**
 * A piece printed larger or smaller, width and height apart. What keeps its size stays as it is: allowances,
 * bevels, and holes, which only move with their middle. Notches keep their share of their edge. Common practice.
 */
export function resized(piece: Piece, factors: Factors): Piece {
	const by = ([x, y]: Point): Point => [x * factors[0], y * factors[1]];
	const even = Math.abs(factors[0] - factors[1]) < 1e-12;
	const edges: Edge[] = [];
	/** Where the parts of each old edge are among the new ones: an arc that becomes an oval has several. */
	const parts: number[][] = [];
	for (const { from, edge } of edgesOf(piece.outline)) {
		const its = !even && edge.kind === 'arc' && edge.bulge !== 0 ? arcAsCubics(from, edge) : [edge];
		parts.push(its.map((_, i) => edges.length + i));
		for (const e of its)
			edges.push(
				e.kind === 'cubic' ? { ...e, c1: by(e.c1), c2: by(e.c2), to: by(e.to) } : { ...e, to: by(e.to) }
			);
	}
	const outline: Outline = { start: by(piece.outline.start), edges };
	const before = edgesOf(piece.outline).map(({ from, edge }) => edgeLength(from, edge));
	const after = edgesOf(outline).map(({ from, edge }) => edgeLength(from, edge));
	return {
		...piece,
		outline,
		holes: piece.holes.map((hole) => {
			const { left, right, bottom, top } = boxOf(flatten(hole).points);
			const middle: Point = [(left + right) / 2, (bottom + top) / 2];
			const [x, y] = by(middle);
			return moved(hole, [x - middle[0], y - middle[1]]);
		}),
		lines: piece.lines.map((line) => ({ ...line, points: line.points.map(by) })),
		notches: piece.notches.map((notch) => {
			const its = parts[notch.edge]!;
			const whole = its.reduce((sum, i) => sum + after[i]!, 0);
			let along = (notch.along / before[notch.edge]!) * whole;
			for (const i of its) {
				if (along <= after[i]! || i === its.at(-1))
					return { ...notch, edge: i, along: Math.min(along, after[i]!) };
				along -= after[i]!;
			}
			return notch;
		}),
		// A fold is straight, so it stays one edge.
		foldEdge: piece.foldEdge === null ? null : parts[piece.foldEdge]![0]!
	};
}

function moved(outline: Outline, [dx, dy]: Point): Outline {
	const by = ([x, y]: Point): Point => [x + dx, y + dy];
	return {
		start: by(outline.start),
		edges: outline.edges.map((e) =>
			e.kind === 'cubic' ? { ...e, c1: by(e.c1), c2: by(e.c2), to: by(e.to) } : { ...e, to: by(e.to) }
		)
	};
}

/** At most an eighth of a turn each, which a cubic follows to 4 millionths of the radius: the usual 4/3·tan(turn/4). */
function arcAsCubics(from: Point, edge: Extract<Edge, { kind: 'arc' }>): Edge[] {
	const { turn, radius, centre } = arcOf(from, edge.to, edge.bulge);
	const count = Math.ceil(Math.abs(turn) / (Math.PI / 4));
	const step = turn / count;
	const reach = (4 / 3) * Math.tan(step / 4) * radius;
	const first = Math.atan2(from[1] - centre[1], from[0] - centre[0]);
	const { kind: _k, to: _t, bulge: _b, ...marks } = edge;
	return Array.from({ length: count }, (_, i): Edge => {
		const [a, b] = [first + i * step, first + (i + 1) * step];
		const at = (angle: number): Point => [
			centre[0] + radius * Math.cos(angle),
			centre[1] + radius * Math.sin(angle)
		];
		const [p, q] = [at(a), at(b)];
		return {
			kind: 'cubic',
			c1: [p[0] - reach * Math.sin(a), p[1] + reach * Math.cos(a)],
			c2: [q[0] + reach * Math.sin(b), q[1] - reach * Math.cos(b)],
			to: i === count - 1 ? edge.to : q,
			...marks
		};
	});
}
