import type { Dimension } from '../engines/pattern/shaper.ts';
import { type LengthUnit, unitFor } from '../units/measure.ts';
import { type Figure, valueOf } from './figure.ts';
import { type As, type Input, length, number } from '../units/figure.ts';
import type { Piece } from '../facts/piece.ts';
import { driversOf } from '../engines/pattern/drivers.ts';
import { sizesOfPiece } from '../engines/pattern/piece.ts';
import type { Material } from '../facts/material.ts';

/** A dimension as a figure that shows its working. @param long of long lines */
export function dimensionFigure(dimension: Dimension, unit: LengthUnit, long: LengthUnit = unit): Figure {
	const as: As =
		dimension.of === 'length' || dimension.of === 'area'
			? { kind: dimension.of, unit }
			: { kind: 'number', ...(dimension.of === 'angle' ? { unit: '°' } : {}) };
	const figure: Figure = {
		title: dimension.title,
		formula: dimension.formula,
		as,
		inputs: dimension.inputs.map((i): Input =>
			i.of === 'length'
				? length(i.name, i.value, unit, 'the shape')
				: number(i.name, i.value, 'the shape', i.of === 'angle' ? '°' : undefined)
		)
	};
	return as.kind === 'length'
		? { ...figure, as: { kind: 'length', unit: unitFor(valueOf(figure), unit, long) } }
		: figure;
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

/** A sum over the pieces; seams by what they are. @param long of long lines: what is added up is read in one unit */
export function piecesFigure(
	what: PieceSum,
	pieces: readonly Piece[],
	its: LengthUnit,
	long: LengthUnit = its
): Figure {
	const { title, of, as } = WHAT[what];
	const sum = pieces.reduce((total, piece) => total + sizesOfPiece(piece)[of] * piece.quantity, 0);
	const unit = as === 'length' ? unitFor(sum, its, long) : its;
	const input = (name: string, value: number, source: string): Input => ({
		name,
		value,
		as: { kind: as, unit },
		source
	});
	return {
		title,
		formula: 'sum',
		as: { kind: as, unit },
		inputs:
			of === 'seam'
				? Object.entries(driversOf(pieces).seams).map(([kind, long]) =>
						input(`“${kind}”`, long, 'two edges are one seam; joined to something else, one is')
					)
				: pieces.map((piece) =>
						input(
							`${piece.name}, ${piece.quantity} ×`,
							sizesOfPiece(piece)[of] * piece.quantity,
							'its outline'
						)
					)
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
