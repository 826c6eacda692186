import assert from 'node:assert/strict';
import { test } from 'node:test';
import { component } from '$tests/support/record.ts';
import {
	BODY_MEASURES,
	latest,
	MEASURE_KEYS,
	type BodyMeasure,
	type MeasureKey,
	type MeasureSide,
	type Over,
	type Wearer
} from '../facts/bodyMeasure.ts';
import { headsWords, scaledToWearer } from '../engines/body/bodyScale.ts';
import { sitsFigure } from '../explain/fit.ts';
import { valueOf } from '../explain/figure.ts';
import { beneathAt, checkOpenings } from './goesOn.ts';
import type { Opening } from '../facts/opening.ts';
import { bandLength, easedGirths, girthOver } from '../engines/body/girth.ts';
import { closureRange, goesOn, type GirthAt, type Round } from '../engines/body/goesOn.ts';
import { PASSAGE_KEYS, PASSAGES } from '../facts/opening.ts';
import { factorOf, printPercent, resize } from '../engines/body/resize.ts';
import { sizeFor, sizesOf, SIZE_TABLES } from '../trade/sizeTable.ts';
import { askAbout, RATIOS, slipsOf } from './slips.ts';

let ids = 1;
const taken = (
	measure: MeasureKey,
	mm: number,
	side: MeasureSide = 'none',
	more: Partial<BodyMeasure> = {}
): BodyMeasure => ({
	id: ids++,
	wearerId: 1,
	measure,
	side,
	over: 'skin' as Over,
	mm,
	takenOn: 100,
	confirmed: false,
	note: '',
	version: 1,
	...more
});
const wearer = (id: number, measures: BodyMeasure[]): Wearer => ({
	id,
	name: `wearer ${id}`,
	note: '',
	sections: {},
	version: 1,
	measures
});

/** A middling adult; invented, within the usual shares. */
const BODY: [MeasureKey, number][] = [
	['stature', 1700],
	['headGirth', 565],
	['headOverEars', 640],
	['headLength', 225],
	['neckGirth', 350],
	['shoulderGirth', 1080],
	['chestGirth', 940],
	['underbustGirth', 820],
	['waistGirth', 780],
	['hipGirth', 1000],
	['acrossBack', 360],
	['backWaistLength', 420]
];
const LIMBS: [MeasureKey, number][] = [
	['upperArmGirth', 290],
	['elbowGirth', 265],
	['forearmGirth', 255],
	['wristGirth', 165],
	['thumbKnuckleGirth', 225],
	['handGirth', 195],
	['thighGirth', 560],
	['kneeGirth', 380],
	['calfGirth', 365],
	['ankleGirth', 240],
	['heelInstepGirth', 320],
	['footLength', 250]
];
const adult = () =>
	wearer(1, [
		...BODY.map(([k, mm]) => taken(k, mm)),
		...LIMBS.flatMap(([k, mm]) => [taken(k, mm, 'left'), taken(k, mm + 4, 'right')])
	]);

test('every measure has words, an order of limits and a place in a passage that exists', () => {
	for (const key of MEASURE_KEYS) {
		const m = BODY_MEASURES[key];
		assert.ok(m.least > 0 && m.least < m.most && m.most <= 2300, key);
		assert.ok(m.how.length > 15 && m.name.length > 3, key);
	}
	for (const key of PASSAGE_KEYS)
		for (const way of PASSAGES[key].ways) {
			assert.equal(way[way.length - 1], PASSAGES[key].seat, key);
			for (const measure of way) assert.ok(BODY_MEASURES[measure].girth, `${key} ${measure}`);
		}
});

test('names follow ISO 8559-1 where it has one; the trade’s own are marked', () => {
	// ISO 8559-1:2017, headings of clause 5, from memory.
	for (const name of [
		'stature',
		'head girth',
		'neck girth',
		'waist girth',
		'hip girth',
		'wrist girth',
		'thigh girth',
		'knee girth',
		'calf girth',
		'ankle girth',
		'hand length',
		'foot length',
		'total crotch length',
		'armscye girth'
	])
		assert.ok(
			Object.values(BODY_MEASURES).some((m) => m.name === name && !m.ofTrade),
			name
		);
	assert.deepEqual(
		MEASURE_KEYS.filter((k) => BODY_MEASURES[k].ofTrade),
		['headOverEars', 'headLength', 'shoulderGirth', 'thumbKnuckleGirth', 'heelInstepGirth']
	);
});

test('a girth over layers grows by 2π·t: half an inch of padding adds 80 mm', () => {
	// 12.7 mm all round: 2π × 12.7 = 79.8. Common practice: a ring is let out "six times and a bit" its thickness.
	assert.ok(Math.abs(girthOver(600, 12.7) - 679.8) < 0.01);
	// Common practice: 6 mm foam takes about 38 mm of girth away inside, and its band is cut 19 mm longer.
	assert.ok(Math.abs(girthOver(0, 6) - 37.7) < 0.01);
	assert.ok(Math.abs(bandLength(250, 6) - 268.85) < 0.01);
	assert.equal(bandLength(250, 6, 0), 250);
	// Stacked: the next layer out wraps the girth over the first.
	assert.ok(Math.abs(girthOver(girthOver(300, 2), 4) - girthOver(300, 6)) < 1e-9);
});

test('the formula holds on an oval, by measuring one moved out point by point', () => {
	const oval = (a: number, b: number, out: number) => {
		let sum = 0;
		let last: [number, number] | null = null;
		for (let i = 0; i <= 20000; i++) {
			const t = (2 * Math.PI * i) / 20000;
			const n = Math.hypot(b * Math.cos(t), a * Math.sin(t));
			const p: [number, number] = [
				a * Math.cos(t) + (out * b * Math.cos(t)) / n,
				b * Math.sin(t) + (out * a * Math.sin(t)) / n
			];
			if (last) sum += Math.hypot(p[0] - last[0], p[1] - last[1]);
			last = p;
		}
		return sum;
	};
	assert.ok(Math.abs(oval(60, 40, 10) - girthOver(oval(60, 40, 0), 10)) < 0.01);
});

test('ease: rigid 10 to 25 mm, woven 40 to 100 at the chest, stretch 5 to 15 % less', () => {
	assert.deepEqual(easedGirths(300, 'rigid'), [310, 325]);
	assert.deepEqual(easedGirths(920, 'woven'), [960, 1020]);
	assert.deepEqual(easedGirths(1000, 'stretch'), [850, 950]);
});

const round = (more: Partial<Round> = {}): Round => ({
	passage: 'forearm',
	closed: 275,
	stretch: 0,
	opening: 0,
	split: false,
	ease: 'rigid',
	...more
});
const bodyOf =
	(w: Wearer, beneath: Partial<Record<MeasureKey, number>> = {}): GirthAt =>
	(key, side) => {
		const m = latest(w.measures, key, side);
		return m && { body: m.mm, beneath: beneath[key] ?? 0 };
	};

test('a bracer passes the hand or says what is missing, with three cures', () => {
	const at = bodyOf(adult());
	const passes = goesOn(round(), at, 'left');
	assert.equal(passes.passes, true);
	assert.equal(passes.tightest!.key, 'forearmGirth');
	assert.equal(passes.cures, null);
	const narrow = goesOn(round({ passage: 'cuff', closed: 180 }), at, 'left');
	// Hand over the thumb knuckle 225, cuff 180: 45 mm short; as a slit half of that; stretch 25 %.
	assert.equal(narrow.passes, false);
	assert.equal(narrow.missing, 45);
	assert.deepEqual(narrow.cures!.opening, { more: 45, slit: 22.5 });
	assert.ok(Math.abs(narrow.cures!.stretch.percent - 25) < 1e-9 && narrow.cures!.stretch.would);
	assert.equal(narrow.cures!.split.would, true);
	// Each cure does what it says.
	assert.equal(goesOn(round({ passage: 'cuff', closed: 180, opening: 45 }), at, 'left').passes, true);
	assert.equal(goesOn(round({ passage: 'cuff', closed: 180, stretch: 25 }), at, 'left').passes, true);
	assert.equal(goesOn(round({ passage: 'cuff', closed: 180, split: true }), at, 'left').passes, true);
	assert.equal(goesOn(round({ passage: 'cuff', closed: 100 }), at, 'left').cures!.stretch.would, false);
});

test('what is worn beneath counts at every girth on the way', () => {
	const at = bodyOf(adult(), { forearmGirth: 4, wristGirth: 4 });
	const over = goesOn(round(), at, 'right');
	// 259 + 2π·4 = 284.1 against 275.
	assert.equal(over.passes, false);
	assert.ok(Math.abs(over.missing - (259 + 8 * Math.PI - 275)) < 1e-9);
	assert.equal(over.seat!.fit, 'tight');
});

test('from either end the easier way counts, and a missing measure leaves the answer open', () => {
	const at = bodyOf(adult());
	const belt = goesOn(round({ passage: 'waist', closed: 1005, ease: 'woven' }), at, 'none');
	assert.equal(belt.passes, true, 'over the hips, though not over the shoulders');
	assert.equal(belt.tightest!.key, 'hipGirth');
	const unmeasured = wearer(2, [taken('waistGirth', 780), taken('hipGirth', 1000)]);
	const small = goesOn(round({ passage: 'waist', closed: 800 }), bodyOf(unmeasured), 'none');
	assert.equal(small.passes, false);
	assert.deepEqual(small.unknown, ['shoulderGirth', 'chestGirth'], 'from above it might');
	const nothing = goesOn(round(), bodyOf(wearer(3, [])), 'left');
	assert.equal(nothing.passes, null);
	assert.equal(nothing.unknown.length, 3);
});

test('stretch cloth: negative ease ends where the cloth does', () => {
	const at = bodyOf(adult());
	const sleeve = (closed: number, stretch: number) =>
		goesOn(round({ passage: 'cuff', ease: 'stretch', closed, stretch }), at, 'left').seat!;
	// Wrist 165: 15 % less is 140.25; with 10 % stretch no less than 150.
	assert.ok(Math.abs(sleeve(150, 60).range[0] - 140.25) < 1e-9);
	assert.ok(Math.abs(sleeve(150, 10).range[0] - 150) < 1e-9);
	assert.equal(sleeve(145, 10).fit, 'tight');
	assert.equal(sleeve(150, 60).fit, 'good');
	assert.equal(sleeve(170, 60).fit, 'loose');
});

test('random rounds: more opening or stretch never makes it worse, and the missing amount is exact', () => {
	const at = bodyOf(adult(), { wristGirth: 2 });
	for (let i = 0; i < 300; i++) {
		const passage = PASSAGE_KEYS[i % PASSAGE_KEYS.length]!;
		const r = round({
			passage,
			closed: 120 + ((i * 37) % 900),
			stretch: (i * 13) % 80,
			opening: (i * 7) % 60
		});
		const got = goesOn(r, at, 'left');
		if (passage === 'armhole') continue;
		const more = goesOn({ ...r, opening: r.opening + 10, stretch: r.stretch + 5 }, at, 'left');
		assert.ok(more.missing <= got.missing, `${i}`);
		assert.equal(goesOn({ ...r, opening: r.opening + got.missing + 1e-6 }, at, 'left').passes, true, `${i}`);
		if (got.missing > 1)
			assert.equal(goesOn({ ...r, opening: r.opening + got.missing - 1 }, at, 'left').passes, false, `${i}`);
	}
});

test('in a costume: layers by zone and side, over both wearers, with the range that closures cover', () => {
	const sleeve = component(1, {
		name: 'Undersuit',
		layer: 1,
		zones: ['forearm-left', 'forearm-right'],
		thicknessMm: 2
	});
	const bracer = component(2, {
		name: 'Bracer',
		layer: 3,
		zones: ['forearm-left'],
		side: 'left',
		thicknessMm: 6
	});
	const stud = component(3, { name: 'Stud', parentId: 2, layer: 2, zones: ['forearm-left'], thicknessMm: 9 });
	const wrap = component(4, { name: 'Wrap', layer: 2, zones: ['forearm-left'], thicknessMm: null });
	const components = [sleeve, bracer, stud, wrap];
	assert.deepEqual(
		beneathAt(bracer, components, 'wristGirth', 'left').map((c) => c.id),
		[1, 4]
	);
	assert.deepEqual(
		beneathAt(bracer, components, 'wristGirth', 'right').map((c) => c.id),
		[1]
	);
	assert.deepEqual(beneathAt(bracer, components, 'thumbKnuckleGirth', 'left'), []);
	const opening: Opening = {
		id: 1,
		componentId: 2,
		passage: 'forearm',
		closedMm: 275,
		stretchPercent: 0,
		openingMm: 0,
		split: false,
		version: 1
	};
	const small = adult();
	const large = wearer(
		2,
		small.measures.map((m) => ({ ...m, mm: m.mm * 1.1 }))
	);
	const [one] = checkOpenings([opening], components, [small]);
	assert.equal(one!.passes, true);
	// 275 lies within 255 + 4π and 10 to 25 of ease: 277.57 at least is 2.57 too tight.
	assert.equal(one!.sits!.fit, 'tight');
	assert.ok(Math.abs(one!.sits!.by - (265 + 4 * Math.PI - 275)) < 1e-9);
	const [wide] = checkOpenings([{ ...opening, closedMm: 300 }], components, [small]);
	assert.deepEqual(
		[wide!.passes, wide!.sits!.fit],
		[true, 'loose'],
		'that it goes on does not hide that it is loose'
	);
	assert.ok(Math.abs(wide!.sits!.by - (300 - (280 + 4 * Math.PI))) < 1e-9);
	assert.equal(valueOf(sitsFigure(300, wide!.sits!, 'mm')), wide!.sits!.by);
	assert.equal(valueOf(sitsFigure(275, one!.sits!, 'mm')), one!.sits!.by);
	assert.equal(one!.range, null);
	assert.deepEqual(
		one!.thicknessUnknown.map((c) => c.id),
		[4]
	);
	assert.deepEqual(
		one!.wearers[0]!.results.map((r) => r.side),
		['left']
	);
	const [two] = checkOpenings([opening], components, [small, large]);
	assert.equal(two!.passes, false);
	// 255 + 4π + 10, and 280.5 + 4π + 10.
	assert.ok(Math.abs(two!.range![0] - (265 + 4 * Math.PI)) < 1e-9);
	assert.ok(Math.abs(two!.range![1] - (290.5 + 4 * Math.PI)) < 1e-9);
	assert.equal(closureRange([]), null);
	// Measured over the undersuit, it is in the measure already.
	const over = wearer(
		4,
		small.measures.map((m) => ({ ...m, over: 'undersuit' as const }))
	);
	const [same] = checkOpenings([opening], components, [over]);
	assert.equal(same!.wearers[0]!.results[0]!.seat!.girth.beneath, 0);
});

test('slips: a digit turned or a unit slipped is asked about, a usual body is not', () => {
	assert.deepEqual(slipsOf(adult().measures), []);
	const others = adult().measures.filter((m) => m.measure !== 'wristGirth');
	const wrong = taken('wristGirth', 265, 'left');
	const slips = slipsOf([...others, wrong]);
	assert.ok(slips.length >= 2 && slips.every((s) => s.measure.id === wrong.id || s.other.id === wrong.id));
	const words = askAbout(slips[0]!, (mm) => `${mm} mm`);
	assert.match(
		words,
		/wrist girth, left 265 mm is \d+ % of forearm girth, left 255 mm; usual is 45 to 90 %\. Right\?/
	);
	assert.deepEqual(
		slipsOf([...others, { ...wrong, confirmed: true }]).filter((s) => s.measure.id === wrong.id),
		[]
	);
	const codes = (measures: BodyMeasure[]) => slipsOf(measures).map((s) => s.code);
	assert.deepEqual(codes([taken('calfGirth', 360, 'left'), taken('calfGirth', 290, 'right')]), ['sides']);
	assert.deepEqual(codes([taken('waistGirth', 780), taken('waistGirth', 900, 'none', { takenOn: 130 })]), [
		'change'
	]);
	assert.deepEqual(
		codes([taken('calfGirth', 360, 'left'), taken('calfGirth', 340, 'left', { over: 'boots' })]),
		['overLess']
	);
	for (const slip of slipsOf([
		taken('calfGirth', 360, 'left'),
		taken('calfGirth', 290, 'right'),
		taken('calfGirth', 500, 'left', { takenOn: 140 })
	]))
		assert.match(askAbout(slip, String), /Right\?$/);
});

test('means of a published survey are never asked about', () => {
	// US Army Anthropometric Survey 2012 (ANSUR II), means in mm, from memory.
	const women: [MeasureKey, number, MeasureSide][] = [
		['stature', 1628, 'none'],
		['headGirth', 561, 'none'],
		['neckGirth', 330, 'none'],
		['chestGirth', 947, 'none'],
		['waistGirth', 861, 'none'],
		['hipGirth', 1020, 'none'],
		['wristGirth', 155, 'left'],
		['thighGirth', 616, 'left'],
		['calfGirth', 371, 'left'],
		['ankleGirth', 215, 'left'],
		['footLength', 246, 'left'],
		['handLength', 181, 'left'],
		['handGirth', 187, 'left']
	];
	const men: [MeasureKey, number, MeasureSide][] = [
		['stature', 1756, 'none'],
		['headGirth', 574, 'none'],
		['neckGirth', 398, 'none'],
		['chestGirth', 1059, 'none'],
		['waistGirth', 940, 'none'],
		['hipGirth', 1020, 'none'],
		['wristGirth', 176, 'left'],
		['thighGirth', 625, 'left'],
		['calfGirth', 392, 'left'],
		['ankleGirth', 229, 'left'],
		['footLength', 271, 'left'],
		['handLength', 193, 'left'],
		['handGirth', 212, 'left']
	];
	for (const means of [women, men])
		assert.deepEqual(slipsOf(means.map(([k, mm, side]) => taken(k, mm, side))), []);
	for (const { of, to, low, high } of RATIOS) assert.ok(low < high && of !== to);
});

test('the newest measure counts, skin before what was taken over something', () => {
	const measures = [
		taken('waistGirth', 780, 'none', { takenOn: 90 }),
		taken('waistGirth', 800, 'none', { takenOn: 120 }),
		taken('waistGirth', 830, 'none', { takenOn: 130, over: 'undersuit' })
	];
	assert.equal(latest(measures, 'waistGirth', 'none')!.mm, 800);
	assert.equal(latest(measures, 'waistGirth', 'none', { asOf: 100 })!.mm, 780);
	assert.equal(latest(measures, 'waistGirth', 'none', { over: 'undersuit' })!.mm, 830);
	assert.equal(latest(measures, 'hipGirth', 'none'), null);
});

test('resize: factor is (body + ease) ÷ pattern girth, width and height apart, with a warning outside 75 to 130 %', () => {
	assert.equal(factorOf({ body: 950, ease: 50, nominal: 1000, madeFor: 'garment' }), 1);
	const both = resize([
		{ direction: 'width', madeFor: 'garment', nominal: 920, body: 780, ease: 40 },
		{ direction: 'width', madeFor: 'garment', nominal: 1000, body: 900, ease: 0 },
		{ direction: 'height', madeFor: 'garment', nominal: 420, body: 399, ease: 0 }
	]);
	assert.equal(both.width, 0.9);
	assert.equal(both.height, 0.95);
	assert.equal(both.same, false);
	assert.deepEqual(both.warnings, []);
	assert.equal(printPercent(both.width!), 90);
	const codes = (body: number) =>
		resize([{ direction: 'width', madeFor: 'garment', nominal: 1000, body, ease: 0 }]).warnings;
	assert.deepEqual(
		[codes(740), codes(750), codes(1051), codes(1300), codes(1301)],
		[['outsideWarn'], [], ['outsideUsual'], ['outsideUsual'], ['outsideWarn']]
	);
	assert.deepEqual(
		resize([
			{ direction: 'width', madeFor: 'garment', nominal: 1000, body: 900, ease: 0 },
			{ direction: 'width', madeFor: 'garment', nominal: 1000, body: 1000, ease: 0 }
		]).warnings,
		['spread']
	);
});

test('a bought pattern marked for a chest of 92 cm has its ease in it: it is not counted a second time', () => {
	// A jacket for a chest of 920 with 100 of ease is 1020 when finished. For a chest of 966 it is to be 1066.
	const marked = { body: 966, ease: 100, nominal: 920, madeFor: 'body' as const };
	assert.equal(factorOf(marked), 1066 / 1020);
	// Taken for the finished garment's, the same mark would print it at 115.9 %.
	assert.equal(printPercent(factorOf({ ...marked, madeFor: 'garment' })), 115.9);
	assert.equal(printPercent(factorOf(marked)), 104.5);
	// The same body as it is marked for: as it is, whatever the ease.
	assert.equal(factorOf({ ...marked, body: 920 }), 1);
	// Ease unknown: in proportion.
	assert.equal(factorOf({ ...marked, ease: 0 }), 966 / 920);
});

test('sizes: names and intervals of EN 13402-3, from memory', () => {
	const women = sizesOf('women');
	assert.equal(women[3]!.name, '88');
	assert.deepEqual(women[3]!.girths, { chestGirth: 880, waistGirth: 720, hipGirth: 960 });
	for (const [table, upTo] of [
		['women', 104],
		['men', 120]
	] as const) {
		const chests: readonly number[] = SIZE_TABLES[table].chestGirth;
		chests.slice(1).forEach((c, i) => assert.equal(c - chests[i]!, c <= upTo ? 4 : 6, `${table} ${c}`));
	}
	// Size 88 is worn from 86 to 90 cm.
	assert.equal(sizeFor('women', 861)!.name, '88');
	assert.equal(sizeFor('women', 899)!.name, '88');
	assert.equal(sizeFor('women', 905)!.name, '92');
	assert.equal(sizeFor('women', 600), null);
	assert.equal(sizeFor('men', 1060)!.name, '104');
});

test('a prop keeps its share of the height; head heights have words', () => {
	assert.equal(scaledToWearer(1900, 1900, 1650), 1650);
	assert.equal(scaledToWearer(950, 1900, 1650), 825);
	// Common practice: seven and a half heads is an adult.
	assert.match(headsWords(7.5), /adult/);
	assert.match(headsWords(4), /childlike/);
	assert.match(headsWords(9), /heroic/);
	assert.match(headsWords(6), /large head/);
});
