import type { Edge, EdgeMarks, Piece } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { piece } from './piece.ts';

/**
 * A strip folded along its middle, both of whose long edges are sewn to `seam`: as long as that, and beyond it what lies beneath when
 * it is closed. All mm.
 */
export function bandOf(
	name: string,
	seam: string,
	round: number,
	under: number,
	height: number,
	allowance: EdgeMarks,
	quantity = 1
): Piece {
	const long = round + under;
	const edge = (to: Point, its: EdgeMarks): Edge => ({ kind: 'line', to, ...its, ...allowance });
	return piece(
		name,
		{
			start: [0, 0],
			edges: [
				edge([round, 0], { seam }),
				...(under ? [edge([long, 0], {})] : []),
				edge([long, 2 * height], {}),
				edge([0, 2 * height], { along: true }),
				edge([0, 0], {})
			]
		},
		{
			grain: 0,
			quantity,
			lines: [
				{
					use: 'fold',
					points: [
						[0, height],
						[long, height]
					]
				}
			],
			notches: under ? [{ edge: 0, along: round, pair: `end of the ${seam}` }] : []
		}
	);
}

/** The same without anything beyond. */
export const foldedStrip = (
	name: string,
	long: number,
	wide: number,
	seam: string,
	allowance: EdgeMarks,
	quantity = 1
): Piece => bandOf(name, seam, long, 0, wide, allowance, quantity);
