import { FillRule, intersectD } from 'clipper2-ts';
import { cutLine } from './allowance.ts';
import { boxOf, edgeLength, edgesOf, flatten, type Box } from './outline.ts';
import { distance, type Point } from '../../units/point.ts';
import { placedPiece } from './piece.ts';
import type { Piece } from '../../facts/piece.ts';
import type { NumberedPiece } from './numbered.ts';
import type { LaidPiece } from './tile.ts';

/**
 * The placement chart: pieces lie as they are put together, joined edges facing each other, as far as they can lie
 * flat without covering each other. Edges of one shape are joined that bear the same seam. Every piece is there as
 * often as one copy of the component has it.
 */
export interface PlacementChart {
	pieces: LaidPiece[];
	width: number;
	height: number;
	/** Facing edges that are joined, numbered: where each number stands. */
	joins: { name: string; at: Point }[];
}

const GAP_SHARE = 0.03;
const SAME_LENGTH = 0.02;
/** More of one piece than this would only fill the chart. */
const MOST_COPIES = 24;
const MOST_TRIES = 12;

interface Put {
	numbered: NumberedPiece;
	piece: Piece;
	points: Point[];
}

const put = (its: NumberedPiece, piece: Piece): Put => ({
	numbered: its,
	piece,
	points: flatten(piece.outline, 0.5).points
});
const path = (points: readonly Point[]) => points.map(([x, y]) => ({ x, y }));

function covers(a: Put, b: Put): boolean {
	const [p, q] = [boxOf(a.points), boxOf(b.points)];
	if (p.left >= q.right || p.right <= q.left || p.bottom >= q.top || p.top <= q.bottom) return false;
	return intersectD([path(a.points)], [path(b.points)], FillRule.NonZero, 3).length > 0;
}

/** The piece turned and moved so that one of its edges faces that of another, a gap apart. */
function facing(its: NumberedPiece, edge: number, to: { from: Point; to: Point }, gap: number): Put {
	const turned = placedPiece(its.piece, { turn: turnTo(its, edge, to) });
	const at = edgesOf(turned.outline)[edge]!;
	const long = distance(to.from, to.to) || 1;
	const out: Point = [(to.to[1] - to.from[1]) / long, -(to.to[0] - to.from[0]) / long];
	const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
	const [goal, is] = [middle(to.from, to.to), middle(at.from, at.edge.to)];
	return put(
		its,
		placedPiece(turned, { move: [goal[0] - is[0] + out[0] * gap, goal[1] - is[1] + out[1] * gap] })
	);
}

/** How far the piece must be turned to face the edge, degrees from −180 to 180. */
function turnTo(its: NumberedPiece, edge: number, to: { from: Point; to: Point }): number {
	const mine = edgesOf(its.piece.outline)[edge]!;
	const angle = (a: Point, b: Point) => (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
	const turn = angle(to.to, to.from) - angle(mine.from, mine.edge.to);
	return ((((turn + 180) % 360) + 360) % 360) - 180;
}

/** One group of joined pieces, the largest first. Takes them out of `left`. */
function group(left: Set<NumberedPiece>, gap: number) {
	const area = ({ piece }: NumberedPiece) => {
		const { left, right, top, bottom } = boxOf(flatten(piece.outline, 1).points);
		return (right - left) * (top - bottom);
	};
	const first = [...left].reduce((a, b) => (area(b) > area(a) ? b : a));
	left.delete(first);
	const placed = [put(first, first.piece)];
	const joins: { at: Point }[] = [];
	for (let i = 0; i < placed.length; i++) {
		const { numbered: its, piece } = placed[i]!;
		for (const { from, edge } of edgesOf(piece.outline)) {
			if (edge.seam === undefined || edge.onto || edge.along) continue;
			const long = edgeLength(from, edge);
			const to = { from, to: edge.to };
			// The least turned first: a panel goes on beside its neighbour, not upside down.
			const matches = [...left]
				.filter((other) => other.shape === its.shape)
				.flatMap((other) =>
					edgesOf(other.piece.outline).flatMap((o, n) =>
						o.edge.seam === edge.seam && Math.abs(edgeLength(o.from, o.edge) - long) <= SAME_LENGTH * long
							? [{ other, n, turn: Math.abs(turnTo(other, n, to)) }]
							: []
					)
				)
				.sort((a, b) => a.turn - b.turn);
			for (const { other, n } of matches.slice(0, MOST_TRIES)) {
				const next = facing(other, n, to, gap);
				if (placed.some((p) => covers(p, next))) continue;
				placed.push(next);
				left.delete(other);
				const there = edgesOf(next.piece.outline)[n]!;
				joins.push({
					at: [
						(from[0] + edge.to[0] + there.from[0] + there.edge.to[0]) / 4,
						(from[1] + edge.to[1] + there.from[1] + there.edge.to[1]) / 4
					]
				});
				break;
			}
		}
	}
	return { placed, joins };
}

/** A piece as often as one copy of the component has it, half of them mirrored where it says so. */
const instances = (its: NumberedPiece): NumberedPiece[] =>
	Array.from({ length: Math.min(MOST_COPIES, its.piece.quantity) }, (_, i) =>
		its.piece.mirrored && i % 2 ? { ...its, piece: placedPiece(its.piece, { mirror: true }) } : { ...its }
	);

/** Lays the groups of joined pieces side by side, in rows. */
export function placementChart(pieces: readonly NumberedPiece[]): PlacementChart {
	const sizes = pieces.map(({ piece }) => boxOf(flatten(piece.outline, 1).points));
	const largest = Math.max(1, ...sizes.map((b) => Math.max(b.right - b.left, b.top - b.bottom)));
	const gap = largest * GAP_SHARE;
	const left = new Set(pieces.flatMap(instances));
	const groups: { placed: Put[]; joins: { at: Point }[]; box: Box }[] = [];
	while (left.size) {
		const { placed, joins } = group(left, gap);
		groups.push({ placed, joins, box: boxOf(placed.flatMap((p) => p.points)) });
	}
	const room = groups.reduce(
		(sum, { box }) => sum + (box.right - box.left + gap) * (box.top - box.bottom + gap),
		0
	);
	const widest = Math.max(...groups.map(({ box }) => box.right - box.left), 1);
	const across = Math.max(widest, Math.sqrt(1.5 * room));
	const laid: LaidPiece[] = [];
	const joins: PlacementChart['joins'] = [];
	let [x, y, row, width] = [0, 0, 0, 0];
	for (const g of [...groups].sort((a, b) => b.box.top - b.box.bottom - (a.box.top - a.box.bottom))) {
		const [wide, high] = [g.box.right - g.box.left, g.box.top - g.box.bottom];
		if (x > 0 && x + wide > across) [x, y, row] = [0, y + row + 3 * gap, 0];
		const by: Point = [x - g.box.left, y - g.box.bottom];
		for (const { numbered: its, piece } of g.placed)
			laid.push({
				...its,
				piece,
				at: by,
				cut: cutLine(piece).map(([px, py]): Point => [px + by[0], py + by[1]])
			});
		for (const j of g.joins)
			joins.push({ name: String(joins.length + 1), at: [j.at[0] + by[0], j.at[1] + by[1]] });
		width = Math.max(width, x + wide);
		x += wide + 3 * gap;
		row = Math.max(row, high);
	}
	return { pieces: laid, width, height: y + row, joins };
}
