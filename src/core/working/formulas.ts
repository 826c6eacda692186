import { wholePacks } from '../needs/shopping.ts';
import { orderByDay } from '../needs/leadTime.ts';
import { DAY } from '../units/localTime.ts';

export interface Formula {
	/** In words, with the names of the inputs. */
	words: string;
	compute: (values: readonly number[]) => number;
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
const at = (values: readonly number[], i: number) => values[i] ?? 0;

/** Inputs stand in the order in which the figure gives them. */
export const FORMULAS = {
	stepMinutes: {
		words: 'set-up + amount × copies × minutes each',
		compute: (v) => Math.round(at(v, 0) + at(v, 1) * at(v, 2) * at(v, 3))
	},
	sum: { words: 'all of these added up', compute: sum },
	difference: { words: 'the first less all the others', compute: (v) => at(v, 0) - sum(v.slice(1)) },
	packs: {
		words: '(needed − in the stash − bought) ÷ pack, rounded up to whole packs',
		compute: (v) => wholePacks(at(v, 0) - at(v, 1) - at(v, 2), at(v, 3))
	},
	cost: { words: 'packs × price + shipping', compute: (v) => at(v, 0) * at(v, 1) + at(v, 2) },
	coatPacks: {
		words: 'area × coats × copies ÷ what one pack covers with one coat',
		compute: (v) => (at(v, 0) * at(v, 1) * at(v, 2)) / at(v, 3)
	},
	orderBy: {
		words: 'day it is needed − lead time; it counts as there from noon',
		compute: (v) => orderByDay(at(v, 0), { leadDays: at(v, 1), leadWorkingDays: false }) * DAY
	},
	orderByWorking: {
		words: 'day it is needed − lead time in working days, Monday to Friday; it counts as there from noon',
		compute: (v) => orderByDay(at(v, 0), { leadDays: at(v, 1), leadWorkingDays: true }) * DAY
	},
	daysLeft: { words: 'event day − today', compute: (v) => at(v, 0) - at(v, 1) },
	readyBy: { words: 'event − buffer days', compute: (v) => at(v, 0) - at(v, 1) * DAY },
	finish: { words: 'hands-on end of the last step + its waiting', compute: (v) => at(v, 0) + at(v, 1) }
} as const satisfies Record<string, Formula>;

export type FormulaKey = keyof typeof FORMULAS;
