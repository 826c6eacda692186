import { distance, type Point } from '../../units/point.ts';
import { cutLine } from './allowance.ts';
import type { NumberedPiece } from './numbered.ts';

/** Rectangles of one size, to be measured off and cut without a pattern. Sizes as cut, mm. */
export interface CutListLine {
	name: string;
	codes: string[];
	/** The longer side first. */
	width: number;
	height: number;
	/** For all copies of the component. */
	count: number;
}

const SQUARE = 1e-6;
/** Sizes that differ by less are the same, mm. */
const SAME = 0.05;

/** The sides of what is cut of a piece, where that is a plain rectangle with nothing marked on it; null for any other. */
export function rectangleOf({ piece }: NumberedPiece): [width: number, height: number] | null {
	if (piece.holes.length || piece.lines.length || piece.notches.length || piece.foldEdge !== null)
		return null;
	if (piece.outline.edges.some((e) => e.kind !== 'line')) return null;
	const ring = cutLine(piece);
	const corners = ring.filter((p, i) => !isStraight(ring.at(i - 1)!, p, ring[(i + 1) % ring.length]!));
	if (corners.length !== 4) return null;
	const [a, b, c, d] = corners as [Point, Point, Point, Point];
	if (
		![
			[a, b, c],
			[b, c, d],
			[c, d, a]
		].every(([p, q, r]) => isSquare(p!, q!, r!))
	)
		return null;
	return [distance(a, b), distance(b, c)];
}

const turn = ([px, py]: Point, [qx, qy]: Point, [rx, ry]: Point) => ({
	cross: (qx - px) * (ry - qy) - (qy - py) * (rx - qx),
	dot: (qx - px) * (rx - qx) + (qy - py) * (ry - qy)
});
const long = (p: Point, q: Point, r: Point) => distance(p, q) * distance(q, r) || 1;
const isStraight = (p: Point, q: Point, r: Point) => Math.abs(turn(p, q, r).cross) < SQUARE * long(p, q, r);
const isSquare = (p: Point, q: Point, r: Point) => Math.abs(turn(p, q, r).dot) < SQUARE * long(p, q, r);

/**
 * Rectangles that are larger than a page, as a list to measure off by, the longest first; and what is left to be printed.
 * @param page what of a page is printed on, mm; nothing for a plotter, which prints all
 */
export function cutListOf(
	pieces: readonly NumberedPiece[],
	page: { width: number; height: number } | null
): { list: CutListLine[]; rest: NumberedPiece[] } {
	const list: CutListLine[] = [];
	const rest: NumberedPiece[] = [];
	for (const numbered of pieces) {
		const sides = page ? rectangleOf(numbered) : null;
		const fits = sides && page && Math.max(...sides) <= Math.max(page.width, page.height);
		if (!sides || fits) {
			rest.push(numbered);
			continue;
		}
		const [width, height] = [Math.max(...sides), Math.min(...sides)];
		const { name } = numbered.piece;
		const same = list.find(
			(l) => l.name === name && Math.abs(l.width - width) < SAME && Math.abs(l.height - height) < SAME
		);
		if (same) {
			same.codes.push(numbered.code);
			same.count += numbered.count;
		} else list.push({ name, codes: [numbered.code], width, height, count: numbered.count });
	}
	return { list: list.sort((a, b) => b.width - a.width || b.height - a.height), rest };
}
