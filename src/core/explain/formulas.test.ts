import assert from 'node:assert/strict';
import { test } from 'node:test';
import { FORMULAS, type FormulaKey } from './formulas.ts';

/** Every formula once by hand: what goes in, and what comes of it by the words that stand beside the figure. */
const BY_HAND: Record<FormulaKey, { of: readonly number[]; is: number; because: string }> = {
	sum: { of: [3, 4, 5], is: 12, because: '3 + 4 + 5' },
	difference: { of: [20, 4, 5], is: 11, because: '20 − 4 − 5' },
	product: { of: [3, 4, 5], is: 60, because: '3 × 4 × 5' },
	wholeProduct: { of: [2.5, 3], is: 8, because: '7.5, to a whole one' },
	same: { of: [7.25], is: 7.25, because: 'as it is' },
	share: { of: [3, 4], is: 0.75, because: '3 ÷ 4' },
	sharePercent: { of: [3, 4], is: 75, because: '3 ÷ 4 × 100' },
	hypotenuse: { of: [5, 12], is: 13, because: '25 + 144 = 169 = 13²; Euclid, book I, 47' },
	packs: { of: [10, 2, 1, 3], is: 3, because: '7 short ÷ 3 = 2.33: three packs' },
	seedSheets: { of: [0.5, 2, 3, 1.5], is: 2, because: '0.5 × 2 × 3 ÷ 1.5' },

	coneAngle: { of: [100, 200, 2], is: 90, because: '360° × 100 ÷ 200 = 180°, in two panels' },
	bandPanel: {
		of: [300, 10, 20, 2],
		is: 155.707963267949,
		because: '(300 + 31.415927 − 20) ÷ 2'
	},
	bandRadius: { of: [300, 10], is: 52.7464829275686, because: '300 ÷ 2π = 47.746483, and half of 10' },
	ringOuter: { of: [200, 300, 200], is: 600, because: '200 × 300 ÷ 100' },
	ringAngle: { of: [300, 200, 100], is: 57.29577951308232, because: 'one radian' },
	arcLength: { of: [100, 90], is: 157.07963267948966, because: 'a quarter of 2π × 100' },
	arcRadius: { of: [157.07963267948966, 90], is: 100, because: 'the same back' },
	lean: { of: [100, 100], is: 45, because: 'as far out as up' },
	overSine: { of: [30, 30], is: 60, because: 'sin 30° = ½' },
	throughMiddle: { of: [300, 10, 60, -1], is: 284.292036732051, because: '300 − 31.415927 × ½' },
	leaningPanel: { of: [300, 10, 60, 20, 2], is: 147.8539816339745, because: '(300 + 15.707963 − 20) ÷ 2' },
	facetMiddle: { of: [100, 90, 4], is: 140.7317821177, because: '100 × E(1 − (π/4)²), E by Gauss’s mean' },
	facetSeam: {
		of: [100, 90, 4],
		is: 165.8896784144,
		because: '100 × c × E(1 − 1/c²), c = π/4 ÷ sin 45°; E by Gauss’s mean'
	},
	roundSeam: {
		of: [100, 90, 4],
		is: 179.045438713,
		because: '100 × √(1 + k) × E(k/(1 + k)), k = (π/4)²; E by Gauss’s mean'
	},
	unshapedHeight: { of: [100, 90, 4], is: 128.9220095866, because: '100 × E((π/4)²), E by Gauss’s mean' },
	capHeight: { of: [100, 60], is: 50, because: 'cos 60° = ½' },
	flounceAngle: { of: [400, 1.5, 80, 80], is: 143.2394487827058, because: '200 ÷ 80 = 2.5 radians' },
	flounceOuter: { of: [400, 100, 400, 0], is: 500, because: 'straight: 400 and 300 at right angles' },
	relaxed: { of: [230, 50, 0.3], is: 200, because: '230 ÷ 1.15' },
	relaxedBothWays: { of: [240, 50, 0, 0.5], is: 216, because: '240 ÷ 1.25 = 192, and 240: 216 between them' },
	bladeTaken: { of: [180, 12, 67, 60, 240], is: 10, because: '125 ÷ ½ = 250, less 240' },
	riseLength: { of: [1060, 790, 15], is: 285, because: '1060 − 790 + 15' },
	quarterLess: { of: [980, 750, 17.25], is: 40.25, because: '230 ÷ 4 − 17.25' },
	dartAngle: { of: [40, 150], is: 15.189286737182158, because: '2 × arctan(2 ÷ 15)' },
	bustAngle: { of: [0, 50, 100], is: 30, because: 'sin 30° = ½, from level on' },
	withPercent: { of: [440, 5], is: 462, because: '440 and 22' },
	askedStretch: { of: [60, 25], is: 20, because: '60 ÷ 50 is a fifth more' },
	otherLeg: { of: [13, 5], is: 12, because: '169 − 25 = 144' },
	capRadius: {
		of: [40, 20, 6],
		is: 53,
		because: '(1600 + 400) ÷ 40, the sphere of a cap, as in any handbook; and half of 6'
	},
	wedgeWidth: { of: [120, 100, 8], is: 15.707963267948966, because: '2π × 20 ÷ 8' },
	bevelOffset: { of: [10, 45], is: 10, because: 'tan 45° = 1' },
	ridgeBevel: { of: [120], is: 30, because: '(180 − 120) ÷ 2' },
	skirtRadius: { of: [700, 0.5], is: 222.8169203286535, because: '700 ÷ π' },
	skirtHem: { of: [100, 400, 0.5], is: 1570.7963267948967, because: 'half of 2π × 500' },
	pleatCloth: { of: [700, 20, 30, 2], is: 3100, because: '700 + 20 × 2 × 2 × 30' },
	loopStrip: { of: [50, 2.5, 15], is: 140, because: '50 × 2.5 + 15' },
	capeHem: { of: [90, 800, 50], is: 840, because: '90 + 800 − 50' },
	ovalWidth: {
		of: [600, 0, 0.5],
		is: 247.71768776,
		because: 'round an ellipse of half-axes 2 and 1 it is 9.6884482205 (tables of elliptic integrals)'
	},
	leaningShare: {
		of: [300, 10, 60, 0.5],
		is: 157.85398163397448,
		because: 'half of 300 and of π × 10 × 0.5, cos 60°; common practice'
	},
	shareOfRound: { of: [600, 0.5, 3], is: 100, because: '300 in three' },
	halfLess: { of: [960, 40], is: 440, because: '480 − 40' },
	acrossOval: { of: [50, 100, 60], is: 80, because: '2 × 50 × 0.8: 60 and 80 by 100, Euclid, book I, 47' },
	sashLength: { of: [700, 2, 500, 120], is: 2520, because: '1400 + 1000 + 120' },
	squareSide: { of: [400, 900], is: 600, because: '600² = 360,000' },
	strapLength: { of: [700, 5, 25, 60, 50], is: 860, because: '700 + 2 × 25 + 60 + 50' },
	strapLeast: { of: [700, 5, 25], is: 650, because: '700 − 2 × 25' },
	contingency: { of: [756, 10, 0.8416, 61.22, 720], is: 98, because: '756 + 10 + 51.52 − 720 = 97.52' },
	perHour: { of: [36436, 0, 4503, 960], is: 1996, because: '319.33 for 16 hours' },
	workUse: { of: [28, 12, 1.1, 10], is: 4.4, because: '(28 + 12) × 1.1 ÷ 10' },
	lacingCord: { of: [10, 30, 40, 200], is: 1440, because: '2 × 10 × 50 + 40 + 400' },
	chord: { of: [100, 6], is: 100, because: 'the side of a hexagon is its radius; Euclid, book IV, 15' },
	chordByAngle: { of: [100, 60], is: 100, because: 'the same, by its angle' },

	stepMinutes: { of: [10, 2.5, 2, 12], is: 70, because: '10 + 2.5 × 2 × 12' },
	cost: { of: [3, 1390, 490, 1000], is: 3660, because: '3 × 13.90 + 4.90 − 10.00' },
	coatPacks: { of: [0.5, 3, 2, 1.5], is: 2, because: '0.5 m² × 3 coats × 2 ÷ 1.5 m²' },
	evenApart: { of: [1000, 20, 6], is: 160, because: '960 mm ÷ 6' },
	slowerDrying: { of: [14.9, 60], is: 2, because: 'below 15 °C' },
	colourDifference: {
		of: [50, 0, 0, 60, 0, 0],
		is: 9.470578563636415,
		because: '10 of lightness, ÷ (1 + 0.015 × 25 ÷ √45) midway at 55'
	},
	orderBy: {
		of: [100 * 1440 + 18 * 60, 4],
		is: 96 * 1440,
		because: 'needed on day 100 in the evening, it comes on day 100 at noon, four days after day 96'
	},
	orderByWorking: {
		of: [56 * 1440 + 13 * 60, 5],
		is: 49 * 1440,
		because: 'day 56 is a Thursday (day 0 was one): five working days before is the Thursday before'
	},
	orderByOdds: { of: [50 * 1440, 12], is: 62 * 1440, because: 'twelve days after day 50' },
	daysLeft: { of: [140, 104], is: 36, because: '140 − 104' },
	readyBy: { of: [140 * 1440 + 540, 2], is: 138 * 1440 + 540, because: 'two days before, at the same hour' },
	printedVolume: { of: [1000, 400, 0.8, 20], is: 456, because: 'walls 320, and a fifth of the 680 within' },
	printMinutes: {
		of: [36_000, 10, 300, 2, 2, 5],
		is: 80,
		because: '60 min laid down, 10 min going up, twice 5 to start'
	},
	girthOver: { of: [300, 3, 2], is: 331.41592653589794, because: '300 + 2π × 5' },
	reach: { of: [200, 25, 30], is: 280, because: '200 × 1.25 + 30; the stretch in percent' },
	closureRange: { of: [240, 265], is: 25, because: '265 − 240' },
	resizePercent: { of: [920, 80, 1100], is: 90.9090909090909, because: '1000 ÷ 1100' },
	resizeBodyPercent: { of: [920, 80, 1020], is: 90.9090909090909, because: '1000 ÷ (1020 + 80)' },
	roomBetween: { of: [10, 6, 4], is: 5, because: 'half of 6 and half of 4 off 10' },
	largerThan: {
		of: [12_544, 10_000],
		is: 12,
		because: 'both sides of a rectangle 1.12 times as long'
	},
	scaledToWearer: { of: [30, 170, 1700], is: 300, because: 'the wearer is ten times the figure' },
	planeLength: {
		of: [1.02, 0, 0, 30, 40, 30, 140],
		is: 153,
		because: '50 and 100, two in a hundred larger'
	},
	planeCircle: { of: [1, 50, 0, 0, 50, -50, 0, 0, -50], is: 100, because: 'four points of a circle' },
	planeAngle: { of: [1, 10, 0, 0, 0, 0, 10], is: 90, because: 'a right angle' },
	planeArea: { of: [1.5, 0, 0, 30, 0, 30, 40, 0, 40], is: 1800, because: '30 × 40 × 1.5' },
	planeStraight: {
		of: [1, 0, 0, 50, 3, 100, 0],
		is: 2,
		because: 'the line runs 1 above the ends: 2 below the middle'
	},
	planeHeads: { of: [1700, 212.5], is: 8, because: '1700 ÷ 212.5' },
	weightedMean: { of: [100, 1, 110, 3], is: 101, because: '(100 × 9 + 110) ÷ 10' },
	rollLength: { of: [900, 10, 250], is: 1250, because: '900 ÷ 0.9 + 250' },
	ledResistor: { of: [9, 2, 3, 20], is: 150, because: '3 V ÷ 0.02 A' },
	ledCurrent: { of: [9, 2, 3, 150, 4], is: 80, because: 'four times 3 V ÷ 150 Ω' },
	cellHours: { of: [2500, 2, 0.8, 100], is: 40, because: '4,000 mAh ÷ 100 mA' },
	resistorHeat: { of: [9, 2, 3, 150], is: 0.06, because: '9 V² ÷ 150 Ω' },
	resistorWarm: { of: [85, 0.1, 0.25], is: 34, because: '85 × 0.4' },
	putOn: { of: [2, 2, 3, 0.5], is: 7, because: 'twice 2 and three halves' },
	holdRate: { of: [3, 10, 2, 5], is: 10 / 3, because: '(3 + 2) in 15 wears' },
	redo: { of: [2, 3, 20, 1, 10], is: 100 * (2.2 / 30), because: '(0.06 × 20 + 1) in 30 pieces of work' },
	letsGo: { of: [2, 5, 1, 15, 1, 2], is: 100 * (1 - Math.exp(-0.2)), because: 'twice (1 + 1) in 20 wears' },
	least: { of: [30, 20, 50], is: 20, because: 'the least' },
	longest: { of: [2, 4, 12, 1], is: 24, because: 'twice 12' },
	rehearsed: {
		of: [2, 0.45, 3],
		is: Math.exp(Math.log(2) + (1 / 0.35 ** 2 / (1 / 0.35 ** 2 + 1 / 0.45 ** 2)) * Math.log(1.5)),
		because: 'one rehearsal weighs 8.16 against 4.94: 62 % of the way from 2 to 3, as logarithms: 2.57'
	},
	partLong: { of: [1800, 2, 120], is: 1020, because: 'half of 1800, and 120' },
	folded: { of: [2e6, 0.8, 3, 400, 300], is: 40, because: '4.8 litres on 40 × 30 cm' },
	tooWide: { of: [620, 550], is: 70, because: '620 − 550' },
	wornOf: { of: [130, 20, 20], is: 70, because: 'three times 20, and the last ten' },
	sight: { of: [40, 20], is: 90, because: 'half of 40 is as far as the eye: 45° on both sides' },
	joinPull: {
		// 1 kg, once, 40 mm out; the first of two joins, at 40 and at −40 up, that come off outwards.
		of: [1000, 1, 40, 0, 0, 1, 0, 40, 0, 1, 0, 0, 0, -40, 0, 1, 0, 0],
		is: 9.80665 / 2,
		because: 'W·d ÷ s = 9.80665 N × 40 ÷ 80'
	},
	joinShear: {
		of: [1000, 2, 40, 0, 0, 1, 0, 40, 0, 1, 0, 0, 0, -40, 0, 1, 0, 0],
		is: 9.80665,
		because: 'half of twice 9.80665 N'
	},
	finish: { of: [5000, 720], is: 5720, because: '5000 + 720' },
	oddsOf100: { of: [4850, 5000], is: 97, because: '4850 ÷ 5000 × 100' }
};

test('every formula gives by code what its words give by hand', () => {
	assert.equal(Object.keys(BY_HAND).length, Object.keys(FORMULAS).length);
	for (const [key, { of, is, because }] of Object.entries(BY_HAND)) {
		const { compute, words } = FORMULAS[key as FormulaKey];
		const got = compute(of);
		assert.ok(
			Math.abs(got - is) <= 1e-7 * Math.max(1, Math.abs(is)),
			`${key}: ${got}, not ${is} (${because})`
		);
		assert.ok(words.length > 3, key);
	}
});
