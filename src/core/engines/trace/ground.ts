import type { Piece } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { boxOf, flatten, type Box } from '../pattern/outline.ts';
import type { Traced } from './trace.ts';

/** The known rectangle comes out so near to where it lies, mm. */
const NEAR = 3;
const SIDES = ['left', 'right', 'top', 'bottom'] as const;

/** Why an outline is no piece: others lie in its holes, it is cut off by where the picture ends, or it is the known rectangle. */
export type Ground = 'under' | 'cut' | 'known';

export interface TracedOutline {
	piece: Piece;
	/** Across and up, mm. */
	wide: number;
	high: number;
	/** Null for what may be a piece. */
	ground: Ground | null;
}

/** What was traced, and what of it is the ground that pieces lie on. @param known the rectangle where it lies among them, mm, y up */
export function tracedOutlines(
	{ pieces, cut }: Pick<Traced, 'pieces' | 'cut'>,
	known: readonly Point[] | null
): TracedOutline[] {
	const boxes = pieces.map((p) => boxOf(flatten(p.outline).points));
	const sheet = known && boxOf(known);
	const holds = (a: Box, b: Box) =>
		a.left <= b.left && a.right >= b.right && a.bottom <= b.bottom && a.top >= b.top;
	return pieces.map((piece, i) => {
		const box = boxes[i]!;
		const holes = piece.holes.map((h) => boxOf(flatten(h).points));
		const ground = boxes.some((other) => other !== box && holes.some((hole) => holds(hole, other)))
			? 'under'
			: cut.includes(i)
				? 'cut'
				: sheet && SIDES.every((s) => Math.abs(box[s] - sheet[s]) < NEAR)
					? 'known'
					: null;
		return { piece, wide: box.right - box.left, high: box.top - box.bottom, ground };
	});
}
