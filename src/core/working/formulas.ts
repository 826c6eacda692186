import { wholeMinutes } from '../costume/step.ts';
import { wholePacks } from '../needs/shopping.ts';
import { orderByDay } from '../needs/leadTime.ts';
import { scaledToWearer } from '../measure/body/bodyScale.ts';
import { bandLength, girthOver } from '../measure/body/girth.ts';
import { reachOf } from '../measure/body/goesOn.ts';
import { factorOf } from '../measure/body/resize.ts';
import { combine } from '../measure/plane/combine.ts';
import { valueOn } from '../measure/plane/pictureMeasure.ts';
import { printedVolume, printMinutes } from '../mesh/printed.ts';
import { rollLength } from '../layout/settings.ts';
import { ovalRound } from '../pattern/oval.ts';
import { DAY } from '../units/localTime.ts';

export interface Formula {
	/** In words, with the names of the inputs. */
	words: string;
	compute: (values: readonly number[]) => number;
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
const at = (values: readonly number[], i: number) => values[i] ?? 0;

const radians = (degrees: number) => (degrees * Math.PI) / 180;
const degrees = (radians: number) => (radians * 180) / Math.PI;

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
		words: 'set-up + amount × copies × minutes each, a minute at least',
		compute: (v) => wholeMinutes(at(v, 0) + at(v, 1) * at(v, 2) * at(v, 3))
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
	printedVolume: {
		words: 'walls (area × wall) + what is inside of them × infill',
		compute: (v) => printedVolume(at(v, 0), at(v, 1), at(v, 2), at(v, 3))
	},
	printMinutes: {
		words: 'laid down ÷ flow + layers × time to go up one + parts × start',
		compute: (v) => Math.round(printMinutes(at(v, 0), at(v, 1), at(v, 2), at(v, 3), at(v, 4), at(v, 5)))
	},
	wholeProduct: {
		words: 'all of these multiplied, rounded to a whole one',
		compute: (v) => Math.round(v.reduce((a, b) => a * b, 1))
	},
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
		words: '(body + ease) ÷ the finished garment that the pattern was made for × 100',
		compute: (v) => factorOf({ body: at(v, 0), ease: at(v, 1), nominal: at(v, 2), madeFor: 'garment' }) * 100
	},
	resizeBodyPercent: {
		words: '(body + ease) ÷ (the body that the pattern was made for + the same ease, which is in it) × 100',
		compute: (v) => factorOf({ body: at(v, 0), ease: at(v, 1), nominal: at(v, 2), madeFor: 'body' }) * 100
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
	same: { words: 'as it comes out', compute: (v) => at(v, 0) },
	sharePercent: { words: 'the first ÷ the second × 100', compute: (v) => (100 * at(v, 0)) / at(v, 1) },
	rollLength: {
		words: 'length laid ÷ (1 − shrinkage) + one repeat to match the print by',
		compute: (v) => rollLength(at(v, 0), { shrinkLength: at(v, 1), repeat: at(v, 2) })
	},
	share: { words: 'the first ÷ the second', compute: (v) => at(v, 0) / at(v, 1) },
	hypotenuse: { words: '√(first² + second²)', compute: (v) => Math.hypot(at(v, 0), at(v, 1)) },
	coneAngle: {
		words: '360° × radius ÷ slant ÷ panels',
		compute: (v) => (360 * at(v, 0)) / at(v, 1) / at(v, 2)
	},
	bandPanel: {
		words: '(girth + π × thickness − gap) ÷ panels',
		compute: (v) => (bandLength(at(v, 0), at(v, 1)) - at(v, 2)) / at(v, 3)
	},
	bandRadius: {
		words: '(girth + π × thickness) ÷ 2π',
		compute: (v) => bandLength(at(v, 0), at(v, 1)) / (2 * Math.PI)
	},
	ringOuter: {
		words: 'slant × wide ÷ (wide − narrow)',
		compute: (v) => (at(v, 0) * at(v, 1)) / (at(v, 1) - at(v, 2))
	},
	ringAngle: {
		words: '(outer − inner edge) ÷ width, from radians to degrees',
		compute: (v) => degrees((at(v, 0) - at(v, 1)) / at(v, 2))
	},
	arcLength: { words: 'radius × angle, the angle in radians', compute: (v) => at(v, 0) * radians(at(v, 1)) },
	arcRadius: { words: 'arc ÷ angle, the angle in radians', compute: (v) => at(v, 0) / radians(at(v, 1)) },
	capRadius: {
		words: '(radius of the rim² + depth²) ÷ (2 × depth)',
		compute: (v) => (at(v, 0) ** 2 + at(v, 1) ** 2) / (2 * at(v, 1))
	},
	wedgeWidth: {
		words: '2π × (radius of the disc − radius of the rim) ÷ wedges',
		compute: (v) => (2 * Math.PI * (at(v, 0) - at(v, 1))) / at(v, 2)
	},
	bevelOffset: { words: 'thickness × tan(bevel)', compute: (v) => at(v, 0) * Math.tan(radians(at(v, 1))) },
	ridgeBevel: { words: '(180° − inside angle) ÷ 2', compute: (v) => (180 - at(v, 0)) / 2 },
	skirtRadius: {
		words: 'girth ÷ (2π × part of a circle)',
		compute: (v) => at(v, 0) / (2 * Math.PI * at(v, 1))
	},
	skirtHem: {
		words: '2π × part of a circle × (waist radius + length)',
		compute: (v) => 2 * Math.PI * at(v, 2) * (at(v, 0) + at(v, 1))
	},
	pleatCloth: {
		words: 'finished width + pleats × folds × 2 × depth',
		compute: (v) => at(v, 0) + at(v, 1) * at(v, 3) * 2 * at(v, 2)
	},
	loopStrip: { words: 'width × times + lap', compute: (v) => at(v, 0) * at(v, 1) + at(v, 2) },
	capeHem: {
		words: 'radius of the neckline + length at the back − hem’s centre moved back by',
		compute: (v) => at(v, 0) + at(v, 1) - at(v, 2)
	},
	ovalWidth: {
		words: '2 × (girth + π × thickness) ÷ the round of an oval of half-width 1 and that depth',
		compute: (v) => (2 * bandLength(at(v, 0), at(v, 1))) / ovalRound(at(v, 2))
	},
	sashLength: {
		words: 'girth × times round + 2 × hanging end + knot',
		compute: (v) => at(v, 0) * at(v, 1) + 2 * at(v, 2) + at(v, 3)
	},
	squareSide: { words: '√(length × width)', compute: (v) => Math.sqrt(at(v, 0) * at(v, 1)) },
	strapLength: {
		words: 'girth + half the row of holes + tip + turned back',
		compute: (v) => at(v, 0) + ((at(v, 1) - 1) / 2) * at(v, 2) + at(v, 3) + at(v, 4)
	},
	strapLeast: {
		words: 'girth − half the row of holes',
		compute: (v) => at(v, 0) - ((at(v, 1) - 1) / 2) * at(v, 2)
	},
	lacingCord: {
		words: '2 × spaces × √(spacing² + across²) + across + 2 × end',
		compute: (v) => 2 * at(v, 0) * Math.hypot(at(v, 1), at(v, 2)) + at(v, 2) + 2 * at(v, 3)
	},
	chord: {
		words: '2 × radius × sin(180° ÷ petals)',
		compute: (v) => 2 * at(v, 0) * Math.sin(Math.PI / at(v, 1))
	},
	chordByAngle: {
		words: '2 × length × sin(angle ÷ 2)',
		compute: (v) => 2 * at(v, 0) * Math.sin(radians(at(v, 1)) / 2)
	},
	finish: { words: 'hands-on end of the last step + its waiting', compute: (v) => at(v, 0) + at(v, 1) },
	oddsOf100: {
		words: 'builds that were ready ÷ builds, of 100',
		compute: (v) => (at(v, 0) / at(v, 1)) * 100
	}
} as const satisfies Record<string, Formula>;

export type FormulaKey = keyof typeof FORMULAS;
