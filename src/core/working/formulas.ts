import { wholePacks } from '../needs/shopping.ts';
import { orderByDay } from '../needs/leadTime.ts';
import { scaledToWearer } from '../measure/body/bodyScale.ts';
import { girthOver } from '../measure/body/girth.ts';
import { reachOf } from '../measure/body/goesOn.ts';
import { factorOf } from '../measure/body/resize.ts';
import { combine } from '../measure/plane/combine.ts';
import { valueOn } from '../measure/plane/pictureMeasure.ts';
import { DAY } from '../units/localTime.ts';

export interface Formula {
	/** In words, with the names of the inputs. */
	words: string;
	compute: (values: readonly number[]) => number;
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
const at = (values: readonly number[], i: number) => values[i] ?? 0;

/** The first value is the factor for what stands off the plane; then x and y of each point, mm. */
const onPlane = (kind: 'length' | 'circle' | 'angle' | 'area') => (v: readonly number[]) =>
	at(v, 0) *
	valueOn(
		kind,
		Array.from({ length: (v.length - 1) / 2 }, (_, i) => [at(v, 2 * i + 1), at(v, 2 * i + 2)] as const)
	);

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
	product: { words: 'all of these multiplied', compute: (v) => v.reduce((a, b) => a * b, 1) },
	seedSheets: {
		words: 'the first three multiplied ÷ the last',
		compute: (v) => (at(v, 0) * at(v, 1) * at(v, 2)) / at(v, 3)
	},
	girthOver: {
		words: 'girth + 2π × thickness of all layers between',
		compute: (v) => girthOver(at(v, 0), sum(v.slice(1)))
	},
	reach: {
		words: 'closed girth × (1 + stretch) + what the opening adds',
		compute: (v) => reachOf({ closed: at(v, 0), stretch: at(v, 1), opening: at(v, 2) })
	},
	closureRange: { words: 'the largest closed girth less the smallest', compute: (v) => at(v, 1) - at(v, 0) },
	resizePercent: {
		words: '(body + ease) ÷ what the pattern was made for × 100',
		compute: (v) => factorOf({ body: at(v, 0), ease: at(v, 1), nominal: at(v, 2) }) * 100
	},
	scaledToWearer: {
		words: 'length × wearer’s stature ÷ the figure’s',
		compute: (v) => scaledToWearer(at(v, 0), at(v, 1), at(v, 2))
	},
	planeLength: {
		words: 'distances between the points of the plane, added up × what stands off it',
		compute: onPlane('length')
	},
	planeCircle: {
		words: 'diameter of the circle nearest to the points × what stands off the plane',
		compute: onPlane('circle')
	},
	planeAngle: { words: 'angle at the second of three points of the plane', compute: onPlane('angle') },
	planeArea: { words: 'area within the points of the plane × what stands off it', compute: onPlane('area') },
	planeHeads: { words: 'height of the figure ÷ crown to chin', compute: (v) => at(v, 0) / at(v, 1) },
	weightedMean: {
		words: 'Σ (value ÷ σ²) ÷ Σ (1 ÷ σ²), values and their σ by turns',
		compute: (v) =>
			combine(
				Array.from({ length: v.length / 2 }, (_, i) => ({ value: at(v, 2 * i), sigma: at(v, 2 * i + 1) }))
			).value
	},
	finish: { words: 'hands-on end of the last step + its waiting', compute: (v) => at(v, 0) + at(v, 1) }
} as const satisfies Record<string, Formula>;

export type FormulaKey = keyof typeof FORMULAS;
