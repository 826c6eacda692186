import type { EdgeMarks, Piece } from '../../facts/piece.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { seek } from '../../units/seek.ts';
import { piece } from '../pattern/piece.ts';
import { count, type Dimension, mm } from '../pattern/shaper.ts';
import { curve, line, runLength, type Run } from './drawing.ts';

/** How far each half of the cap runs on level, and comes in level at the top, as shares of its width: the front is hollowed more. */
const HOLLOW = { front: 0.55, back: 0.4 };
const TOP = 0.45;

export interface SleeveGiven {
	/** Of the armhole, in front and behind, from the underarm to the end of the shoulder, mm. */
	front: number;
	back: number;
	/** How much longer the cap is, 0.04 for 4 %. */
	ease: number;
	/** Round the thickest of the arm, round the hem, and from the end of the shoulder to the hem, mm, eases added. */
	arm: number;
	hem: number;
	length: number;
	/** Of each armhole from the underarm to its mark, mm. */
	marks: { front: number; back: number };
}

export interface Sleeve {
	piece: Piece;
	/** Of the cap above the underarm, mm. */
	cap: number;
}

/** From the underarm at its end to the top of the cap, level at both. */
const half = (wide: number, high: number, hollow: number): Run => ({
	from: [wide, 0],
	edges: [curve([wide * (1 - hollow), 0], [wide * TOP, high], [0, high])]
});

/** How wide a half of the cap is that comes out so long at that height; null where none does. */
const wideFor = (long: number, high: number, hollow: number): number | null =>
	seek((wide) => runLength(half(wide, high, hollow)), long, 0, long * 1.001);

/**
 * A straight sleeve: each half of its cap is as long as its half of the armhole and the ease, and both together are as wide as the arm.
 * How high the cap stands is sought for that. Its underarm seams lean alike, so that they are as long as each other.
 */
export function sleeveOf(
	given: SleeveGiven,
	marks: { seam: EdgeMarks; hem: EdgeMarks },
	onto: boolean
): Parsed<Sleeve> {
	const { front, back, ease, arm, hem, length } = given;
	const [long, longBack] = [front * (1 + ease), back * (1 + ease)];
	const widths = (high: number) => ({
		front: wideFor(long, high, HOLLOW.front) ?? 0,
		back: wideFor(longBack, high, HOLLOW.back) ?? 0
	});
	const most = long + longBack;
	if (arm >= most - 1) return bad('sleeveTooWide', { most: Math.floor(most - 1) }, ['arm']);
	const cap = seek((high) => widths(high).front + widths(high).back, arm, 0, Math.min(long, longBack));
	if (cap === null) return bad('sleeveTooNarrow', {}, ['arm']);
	if (cap >= length - 10) return bad('sleeveTooShort', { least: Math.ceil(cap + 10) }, ['sleeveLength']);
	const wide = widths(cap);
	const lean = (arm - hem) / 2;
	if (wide.front - lean < 5 || wide.back - lean < 5) return bad('hemTooNarrow', {}, ['sleeveHem']);
	const foot = cap - length;
	const sewn: EdgeMarks = {
		seam: 'armhole',
		...(onto ? { onto } : {}),
		...(ease ? { fullness: 1 + ease } : {}),
		...marks.seam
	};
	const underarm: EdgeMarks = { seam: 'underarm', ...marks.seam };
	const [right, left] = [half(wide.front, cap, HOLLOW.front), half(wide.back, cap, HOLLOW.back)];
	const mirrored = left.edges[0]!;
	return good({
		cap,
		piece: piece(
			'sleeve',
			{
				start: [lean - wide.back, foot],
				edges: [
					line([wide.front - lean, foot], marks.hem),
					line([wide.front, 0], underarm),
					{ ...right.edges[0]!, ...sewn },
					mirrored.kind === 'cubic'
						? curve(
								[-mirrored.c2[0], mirrored.c2[1]],
								[-mirrored.c1[0], mirrored.c1[1]],
								[-wide.back, 0],
								sewn
							)
						: mirrored,
					line([lean - wide.back, foot], underarm)
				]
			},
			{
				quantity: 2,
				mirrored: true,
				grain: 90,
				notches: [
					{ edge: 2, along: given.marks.front * (1 + ease), pair: 'armhole, front' },
					{ edge: 3, along: 0, pair: 'end of the shoulder' },
					{
						edge: 3,
						along: Math.max(0, longBack - given.marks.back * (1 + ease)),
						pair: 'armhole, back'
					}
				]
			}
		)
	});
}

/** The sleeves of a body whose armholes are drawn. */
export const sleevesFor = (
	armholes: { front: Run; back: Run },
	its: { arm: number; armEase: number; sleeveHem: number; sleeveLength: number; capEase: number },
	cut: { across: (mm: number) => number; along: (mm: number) => number },
	marks: { seam: EdgeMarks; hem: EdgeMarks }
): Parsed<Sleeve> => {
	const upTo = ({ from, edges }: Run) => runLength({ from, edges: edges.slice(0, 1) });
	return sleeveOf(
		{
			front: runLength(armholes.front),
			back: runLength(armholes.back),
			ease: its.capEase / 100,
			arm: cut.across(its.arm + its.armEase),
			hem: cut.across(its.sleeveHem),
			length: cut.along(its.sleeveLength),
			marks: { front: upTo(armholes.front), back: upTo(armholes.back) }
		},
		marks,
		false
	);
};

export const armholeDimension = (armholes: { front: Run; back: Run }): Dimension => ({
	title: 'Armhole',
	of: 'length',
	formula: 'sum',
	inputs: [mm('in front', runLength(armholes.front)), mm('behind', runLength(armholes.back))]
});

/** @param armhole all round, as cut, mm */
export const capDimensions = (armhole: number, capEase: number, cap: number): Dimension[] => [
	{
		title: 'Cap of the sleeve, along its edge',
		of: 'length',
		formula: 'withPercent',
		inputs: [mm('armhole', armhole), count('ease, percent', capEase)]
	},
	{
		title: 'Height of the sleeve’s cap',
		of: 'length',
		formula: 'same',
		inputs: [mm('at which both halves are as wide as the arm', cap)]
	}
];
