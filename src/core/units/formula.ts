import type { FigureOf } from './figure.ts';
import { wholePacks } from './packs.ts';

/** How a figure is worked out: in words, with the names of its inputs, and as code. */
export interface Formula {
	words: string;
	compute: (values: readonly number[]) => number;
}

/** The value at a place; 0 where there is none. */
export const at = (values: readonly number[], i: number) => values[i] ?? 0;
export const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

/** Formulas of any figure. Inputs stand in the order in which the figure gives them. */
export const PLAIN_FORMULAS = {
	sum: { words: 'all of these added up', compute: sum },
	difference: { words: 'the first less all the others', compute: (v) => at(v, 0) - sum(v.slice(1)) },
	product: { words: 'all of these multiplied', compute: (v) => v.reduce((a, b) => a * b, 1) },
	wholeProduct: {
		words: 'all of these multiplied, rounded to a whole one',
		compute: (v) => Math.round(v.reduce((a, b) => a * b, 1))
	},
	same: { words: 'as it comes out', compute: (v) => at(v, 0) },
	share: { words: 'the first ÷ the second', compute: (v) => at(v, 0) / at(v, 1) },
	sharePercent: { words: 'the first ÷ the second × 100', compute: (v) => (100 * at(v, 0)) / at(v, 1) },
	hypotenuse: { words: '√(first² + second²)', compute: (v) => Math.hypot(at(v, 0), at(v, 1)) },
	packs: {
		words: '(needed − in the stash − bought) ÷ pack, rounded up to whole packs',
		compute: (v) => wholePacks(at(v, 0) - at(v, 1) - at(v, 2), at(v, 3))
	},
	workUse: {
		words: 'what each step uses up, added up × the times ÷ what is in one',
		compute: (v) => (sum(v.slice(0, -2)) * at(v, v.length - 2)) / at(v, v.length - 1)
	},
	seedSheets: {
		words: 'the first three multiplied ÷ the last',
		compute: (v) => (at(v, 0) * at(v, 1) * at(v, 2)) / at(v, 3)
	}
} as const satisfies Record<string, Formula>;
export type PlainFormula = keyof typeof PLAIN_FORMULAS;

/** The value of a figure that takes no more than these. */
export const plainValue = ({ formula, inputs }: FigureOf<PlainFormula>): number =>
	PLAIN_FORMULAS[formula].compute(inputs.map((i) => i.value));
