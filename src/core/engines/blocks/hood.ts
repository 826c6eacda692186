import type { EdgeMarks, Piece } from '../../facts/piece.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { piece } from '../pattern/piece.ts';
import { curve, line } from './drawing.ts';

/** Of a quarter of an ellipse drawn as one cubic. */
const ROUND = 0.5522847498;

/**
 * Half of a hood: its neck edge is half of the neckline, its back stands so far behind the face that the head goes in with its ease,
 * and it is rounded from there over the crown. The two halves are mirrored, so that back and crown are one seam.
 * @param neck half of the neckline, mm @param deep from the face to the back @param high from the neckline to the crown
 */
export function hoodOf(
	neck: number,
	deep: number,
	high: number,
	marks: { seam: EdgeMarks; face: EdgeMarks },
	onto: boolean
): Parsed<Piece> {
	if (deep < 40) return bad('faceTooWide', {}, ['face']);
	const crown: EdgeMarks = { seam: 'crown', ...marks.seam };
	const turn = Math.min(deep * 0.7, high / 2);
	const level = high - turn;
	return good(
		piece(
			'half of the hood',
			{
				start: [0, 0],
				edges: [
					line([neck, 0], { seam: 'neckline', ...(onto ? { onto } : {}), ...marks.seam }),
					curve([neck + (deep - neck) * 0.3, level * 0.35], [deep, level * 0.5], [deep, level], crown),
					curve([deep, level + turn * ROUND], [deep - turn * (1 - ROUND), high], [deep - turn, high], crown),
					line([0, high], crown),
					line([0, 0], marks.face)
				]
			},
			{ quantity: 2, mirrored: true, grain: 90, notches: [{ edge: 2, along: 0, pair: 'back of the head' }] }
		)
	);
}

/** How deep and how high half of a hood is, mm as cut. */
export const hoodSizes = (
	its: Readonly<Record<'head' | 'headEase' | 'face' | 'headLength' | 'headRoom', number>>,
	cut: { across: (mm: number) => number; along: (mm: number) => number }
): [deep: number, high: number] => [
	cut.across(its.head + its.headEase - its.face) / 2,
	cut.along(its.headLength + its.headRoom)
];
