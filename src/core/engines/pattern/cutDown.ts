import type { Piece } from '../../facts/piece.ts';
import type { PieceOperation } from '../../facts/pieceOperation.ts';
import { good, type Parsed } from '../../units/problem.ts';
import { applyOperations } from './operations.ts';
import { boxOf, flatten } from './outline.ts';

/**
 * Splits until no piece is longer than so much: each that is becomes the fewest equal parts, square to its longer side.
 *
 * @param most mm, more than nothing
 * @returns what is done besides what was done already; nothing where all are short enough
 */
export function cutDown(pieces: readonly Piece[], most: number): Parsed<PieceOperation[]> {
	const works: PieceOperation[] = [];
	let now = [...pieces];
	for (;;) {
		const sides = now.map(({ outline }) => {
			const box = boxOf(flatten(outline).points);
			return [box.right - box.left, box.top - box.bottom] as const;
		});
		const piece = sides.findIndex((s) => Math.max(...s) > most + 1e-3);
		if (piece < 0) return good(works);
		const [wide, high] = sides[piece]!;
		const share = 1 / Math.ceil(Math.max(wide, high) / most - 1e-6);
		const line: Pick<PieceOperation & { kind: 'split' }, 'from' | 'to'> =
			wide >= high ? { from: [share, 0], to: [share, 1] } : { from: [0, share], to: [1, share] };
		const split: PieceOperation = { kind: 'split', piece, ...line, allowance: 0, marks: 2 };
		const done = applyOperations(now, [split]);
		if (!done.ok) return done;
		works.push(split);
		now = done.value;
	}
}
