import { valueOn } from '../engines/plane/pictureMeasure.ts';
import { sightAngle, stretchesIn } from '../answers/moving.ts';
import { foldedHeight, partLength } from '../answers/packed.ts';
import { holdsFor } from '../answers/holdRates.ts';
import { redoChance } from '../answers/redo.ts';
import { chanceOf } from '../answers/inspection.ts';
import { pulled } from '../answers/rehearsed.ts';
import { wholeMinutes } from '../units/duration.ts';
import { orderByDay } from '../answers/leadTime.ts';
import { isColdOrDamp, slowerBy } from '../answers/wait.ts';
import { COLD_BELOW, COLD_OR_DAMP_FACTOR, DAMP_ABOVE } from '../trade/coatProduct.ts';
import { DAY } from '../units/localTime.ts';
import { ciede2000 } from '../engines/colour/difference.ts';
import { printedVolume, printMinutes } from '../engines/mesh/printed.ts';
import { groupLoad } from '../engines/load/fastenerGroup.ts';
import type { Vec } from '../units/vec.ts';
import { girthOver } from '../engines/body/girth.ts';
import { reachOf } from '../engines/body/goesOn.ts';
import { factorOf } from '../engines/body/resize.ts';
import { largerThan, roomBetween } from '../engines/assembly/measures.ts';
import { scaledToWearer } from '../engines/body/bodyScale.ts';
import { combine } from '../engines/plane/combine.ts';
import { rollLength } from '../engines/layout/roll.ts';
import { SHAPE_FORMULAS } from '../engines/pattern/formulas.ts';
import { at, sum, type Formula } from '../units/formula.ts';

/** The first value is the factor for what stands off the plane; then x and y of each point, mm. */
const onPlane = (kind: 'length' | 'circle' | 'angle' | 'area' | 'straight') => (v: readonly number[]) =>
	at(v, 0) *
	valueOn(
		kind,
		Array.from({ length: (v.length - 1) / 2 }, (_, i) => [at(v, 2 * i + 1), at(v, 2 * i + 2)] as const)
	);

/** g, times its weight, where that is, which of the joins; then of each where it is and which way it comes off. */
function joinForce(v: readonly number[]) {
	const vec = (i: number): Vec => [at(v, i), at(v, i + 1), at(v, i + 2)];
	const joins = Array.from({ length: (v.length - 6) / 6 }, (_, i) => ({
		id: '',
		at: vec(6 + 6 * i),
		off: vec(9 + 6 * i),
		capacityN: { shear: 1, pull: 1 }
	}));
	return groupLoad({ id: '', kg: at(v, 0) / 1000, centre: vec(2), joins }, at(v, 1)).joins[at(v, 5) - 1]!;
}

/** Volts that LEDs in a row leave for their resistor. */
const overLeds = (v: readonly number[]) => at(v, 0) - at(v, 1) * at(v, 2);

/** Inputs stand in the order in which the figure gives them. */
export const FORMULAS = {
	...SHAPE_FORMULAS,
	stepMinutes: {
		words: 'set-up + amount × copies × minutes each, a minute at least',
		compute: (v) => wholeMinutes(at(v, 0) + at(v, 1) * at(v, 2) * at(v, 3))
	},
	contingency: {
		words: 'mean + again + deviations × one deviation − usual, whole minutes, and no less than nothing',
		compute: (v) => Math.max(0, Math.round(at(v, 0) + at(v, 1) + at(v, 2) * at(v, 3) - at(v, 4)))
	},
	perHour: {
		words: '(price − tax − materials) × 60 ÷ minutes of work',
		compute: (v) => (at(v, 3) > 0 ? Math.round(((at(v, 0) - at(v, 1) - at(v, 2)) * 60) / at(v, 3)) : 0)
	},
	cost: {
		words: 'packs × price + shipping − money back',
		compute: (v) => at(v, 0) * at(v, 1) + at(v, 2) - at(v, 3)
	},
	coatPacks: {
		words: 'area × coats × copies ÷ what one pack covers with one coat',
		compute: (v) => (at(v, 0) * at(v, 1) * at(v, 2)) / at(v, 3)
	},
	evenApart: {
		words: '(length − what is kept at both ends) ÷ distances',
		compute: (v) => (at(v, 0) - 2 * at(v, 1)) / at(v, 2)
	},
	ledResistor: {
		words: '(supply − LEDs in a row × volts of one) ÷ current (Ohm’s law)',
		compute: (v) => (overLeds(v) * 1000) / at(v, 3)
	},
	ledCurrent: {
		words: '(supply − LEDs in a row × volts of one) ÷ resistor × strings (Ohm’s law)',
		compute: (v) => (overLeds(v) / at(v, 3)) * 1000 * at(v, 4)
	},
	cellHours: {
		words: 'what a cell holds × rows × what of it is had ÷ current',
		compute: (v) => (at(v, 0) * at(v, 1) * at(v, 2)) / at(v, 3)
	},
	resistorHeat: {
		words: '(supply − LEDs in a row × volts of one)² ÷ resistor (Joule’s law)',
		compute: (v) => overLeds(v) ** 2 / at(v, 3)
	},
	resistorWarm: {
		words: 'warmer at full power × heat ÷ the power that it is sold for',
		compute: (v) => (at(v, 0) * at(v, 1)) / at(v, 2)
	},
	putOn: {
		words: 'copies × (by its kind + fasteners × each)',
		compute: (v) => at(v, 0) * (at(v, 1) + at(v, 2) * at(v, 3))
	},
	holdRate: {
		words:
			'10 × (before ÷ 10 × what it counts as + let go) ÷ (what it counts as + worn): a gamma distribution’s mean',
		compute: (v) => holdsFor(at(v, 0), at(v, 2), at(v, 3), at(v, 1))
	},
	letsGo: {
		words:
			'100 × (1 − e^(−oftener by load × oftener by age × (its kind ÷ 10 × what it counts as + let go) ÷ (what it counts as + worn)))',
		compute: (v) => 100 * chanceOf(at(v, 0), at(v, 2), at(v, 3), at(v, 4) * at(v, 5), at(v, 1))
	},
	redo: {
		words:
			'100 × (before × oftener × what it counts as + failed) ÷ (what it counts as + done): a beta distribution’s mean',
		compute: (v) => 100 * redoChance(at(v, 0) / 100, at(v, 1), at(v, 3), at(v, 4), at(v, 2))
	},
	least: { words: 'the least of them', compute: (v) => Math.min(...v) },
	longest: {
		words: 'how many times as long × the longest of them',
		compute: ([times = 1, ...hours]) => times * Math.max(0, ...hours)
	},
	rehearsed: {
		words: 'mean of before and the rehearsals, as logarithms, each by how sure it is: one rehearsal to 0.35',
		compute: ([before = 0, known = 0, ...times]) => pulled(before, known, times)
	},
	partLong: {
		words: 'how long it is ÷ parts + what they overlap',
		compute: (v) => partLength(at(v, 0), at(v, 1), at(v, 2))
	},
	folded: {
		words:
			'area × how thick × how its layers stand off ÷ (length × width of the parcel), no less than a finger',
		compute: (v) => foldedHeight(at(v, 0), at(v, 1), { loft: at(v, 2), length: at(v, 3), width: at(v, 4) })
	},
	tooWide: { words: 'how wide it is − what is clear', compute: (v) => at(v, 0) - at(v, 1) },
	wornOf: {
		words: 'whole turns of on and off × on, and of what is left no more than on',
		compute: (v) => stretchesIn(at(v, 0), { onMinutes: at(v, 1), restMinutes: at(v, 2) }).worn
	},
	sight: {
		words: '2 × atan(half the opening ÷ how far it is from the eye)',
		compute: (v) => sightAngle(at(v, 0), at(v, 1))
	},
	joinPull: {
		words:
			'straight off its face, by the elastic method for fastener groups: weight ÷ joins, and of the moment about their middle ω × how far it is from there; less than nothing is pressed on',
		compute: (v) => joinForce(v).pull
	},
	joinShear: {
		words:
			'along its face, by the elastic method for fastener groups: weight ÷ joins, and of the moment about their middle ω × how far it is from there',
		compute: (v) => joinForce(v).shear
	},
	slowerDrying: {
		words: `${COLD_OR_DAMP_FACTOR} times below ${COLD_BELOW} °C or above ${DAMP_ABOVE} % humidity, else as usual`,
		compute: (v) => slowerBy({ coldOrDamp: isColdOrDamp({ celsius: at(v, 0), humidity: at(v, 1) }) })
	},
	colourDifference: {
		words: 'CIEDE2000 of both colours in CIELAB, all weights 1 (CIE 142; Sharma, Wu and Dalal 2005)',
		compute: (v) => ciede2000(at(v, 0), at(v, 1), at(v, 2), at(v, 3), at(v, 4), at(v, 5))
	},
	orderBy: {
		words: 'day it is needed − lead time; it counts as there from noon',
		compute: (v) => orderByDay(at(v, 0), { leadDays: at(v, 1), leadWorkingDays: false }) * DAY
	},
	orderByWorking: {
		words: 'day it is needed − lead time in working days, Monday to Friday; it counts as there from noon',
		compute: (v) => orderByDay(at(v, 0), { leadDays: at(v, 1), leadWorkingDays: true }) * DAY
	},
	orderByOdds: {
		words: 'today + days that it can wait with the odds kept',
		compute: (v) => at(v, 0) + at(v, 1) * DAY
	},
	daysLeft: { words: 'event day − today', compute: (v) => at(v, 0) - at(v, 1) },
	readyBy: { words: 'event − buffer days', compute: (v) => at(v, 0) - at(v, 1) * DAY },
	printedVolume: {
		words: 'walls (area × wall) + what is inside of them × infill',
		compute: (v) => printedVolume(at(v, 0), at(v, 1), at(v, 2), at(v, 3))
	},
	printMinutes: {
		words: 'laid down ÷ flow + layers × time to go up one + parts × start',
		compute: (v) => Math.round(printMinutes(at(v, 0), at(v, 1), at(v, 2), at(v, 3), at(v, 4), at(v, 5)))
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
	roomBetween: {
		words: 'between the middles of both walls − half of both thicknesses',
		compute: (v) => roomBetween(at(v, 0), at(v, 1), at(v, 2))
	},
	largerThan: {
		words: '(√(covered by what is made ÷ covered on the picture) − 1) × 100',
		compute: (v) => largerThan(at(v, 0), at(v, 1)) * 100
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
	planeStraight: {
		words: 'how far the farthest point lies off the straight line nearest to all of them',
		compute: onPlane('straight')
	},
	planeHeads: { words: 'height of the figure ÷ crown to chin', compute: (v) => at(v, 0) / at(v, 1) },
	weightedMean: {
		words: 'Σ (value ÷ σ²) ÷ Σ (1 ÷ σ²), values and their σ by turns',
		compute: (v) =>
			combine(
				Array.from({ length: v.length / 2 }, (_, i) => ({ value: at(v, 2 * i), sigma: at(v, 2 * i + 1) }))
			).value
	},
	rollLength: {
		words: 'length laid ÷ (1 − shrinkage) + one repeat to match the print by',
		compute: (v) => rollLength(at(v, 0), { shrinkLength: at(v, 1), repeat: at(v, 2) })
	},
	finish: { words: 'hands-on end of the last step + its waiting', compute: (v) => at(v, 0) + at(v, 1) },
	oddsOf100: {
		words: 'builds that were ready ÷ builds, of 100',
		compute: (v) => (at(v, 0) / at(v, 1)) * 100
	}
} as const satisfies Record<string, Formula>;

export type FormulaKey = keyof typeof FORMULAS;
