import { throughMiddleOf } from '../body/girth.ts';
import { count, mm, type Dimension, type Param } from './shaper.ts';

/** Of what a shape is cut from. 0 is paper, or cloth as thin as paper. */
export const THICKNESS = {
	name: 'thickness',
	unit: 'mm',
	value: 0,
	least: 0,
	most: 50,
	hint: 'of foam or board; what it is cut from says it'
} as const satisfies Param;

/** On which of its faces a round was measured. */
export const MEASURED_AT = {
	name: 'measured',
	unit: 'count',
	value: 0,
	least: 0,
	most: 1,
	choices: ['inside, as it goes on', 'outside, as it looks']
} as const satisfies Param;

/** Outside, the middle lies inwards. */
export const sign = (measured: number): 1 | -1 => (measured === 1 ? -1 : 1);

/**
 * Round the middle of the thickness of a wall whose edge is cut square to its face: `C ± π·t·cos(lean)`.
 * @param girth round the face that was measured, mm
 * @param lean of the wall off the axis, degrees: 0 stands straight, 90 lies flat
 */
export const throughMiddle = (girth: number, thickness: number, lean: number, measured: number): number =>
	throughMiddleOf(girth, sign(measured) * thickness, lean);

export const roundDimension = (
	title: string,
	girth: number,
	thickness: number,
	lean: number,
	measured: number
): Dimension => ({
	title,
	of: 'length',
	formula: 'throughMiddle',
	inputs: [
		mm('girth', girth),
		mm('thickness', thickness),
		{ name: 'lean of the side', value: lean, of: 'angle' },
		count('measured inside 1, outside −1', sign(measured))
	]
});
