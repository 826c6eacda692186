import type { FigureOf } from '../units/figure.ts';
import { FORMULAS, type FormulaKey } from './formulas.ts';

export type Figure = FigureOf<FormulaKey>;

/** The figure's value, by its formula. */
export const valueOf = (figure: Figure): number =>
	FORMULAS[figure.formula].compute(figure.inputs.map((i) => i.value));

/** The same figure with one input changed. */
export const withInput = (figure: Figure, index: number, value: number): Figure => ({
	...figure,
	inputs: figure.inputs.map((input, i) => (i === index ? { ...input, value } : input))
});
