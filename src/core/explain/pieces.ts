import type { Dimension } from '../engines/pattern/shaper.ts';
import type { LengthUnit } from '../units/measure.ts';
import type { Figure } from './figure.ts';
import { type As, type Input, length, number } from '../units/figure.ts';
import type { Piece } from '../facts/piece.ts';
import { sizesOfPiece } from '../engines/pattern/piece.ts';
import type { Material } from '../facts/material.ts';

/** A dimension as a figure that shows its working. */
export function dimensionFigure(dimension: Dimension, unit: LengthUnit): Figure {
	const as: As =
		dimension.of === 'length' || dimension.of === 'area'
			? { kind: dimension.of, unit }
			: { kind: 'number', ...(dimension.of === 'angle' ? { unit: '°' } : {}) };
	return {
		title: dimension.title,
		formula: dimension.formula,
		as,
		inputs: dimension.inputs.map((i): Input =>
			i.of === 'length'
				? length(i.name, i.value, unit, 'the shape')
				: number(i.name, i.value, 'the shape', i.of === 'angle' ? '°' : undefined)
		)
	};
}

/** What the pieces of a shape come to, piece by piece. */

const WHAT = {
	outline: { title: 'Outline to cut, one copy', of: 'cutLength', as: 'length' },
	seam: { title: 'Seams', of: 'seam', as: 'length' },
	bevelled: { title: 'Bevelled edges', of: 'bevelled', as: 'length' },
	area: { title: 'Area', of: 'area', as: 'area' },
	cutArea: { title: 'Area as cut, with allowances', of: 'cutArea', as: 'area' }
} as const;
export type PieceSum = keyof typeof WHAT;

/** A sum over the pieces. Two joined edges are one seam. */
export function piecesFigure(what: PieceSum, pieces: readonly Piece[], unit: LengthUnit): Figure {
	const { title, of, as } = WHAT[what];
	const share = what === 'seam' ? 0.5 : 1;
	return {
		title,
		formula: 'sum',
		as: { kind: as, unit },
		inputs: pieces.map((piece): Input => ({
			name: `${piece.name}, ${piece.quantity} ×${share < 1 ? ' half of its joined edges' : ''}`,
			value: sizesOfPiece(piece)[of] * piece.quantity * share,
			as: { kind: as, unit },
			source: 'its outline'
		}))
	};
}

/** Grams of a piece, as often as one copy has it. */
export const weightFigure = (piece: Piece, material: Material): Figure => ({
	title: 'Weight',
	formula: 'product',
	as: { kind: 'number', unit: 'g' },
	inputs: [
		number('area', sizesOfPiece(piece).area / 1e6, 'its outline, without allowances', 'm²'),
		number('how many', piece.quantity, 'its quantity'),
		number(`1 m² of ${material.name}`, material.gramsPerM2 ?? 0, 'Stash', 'g')
	]
});
