import assert from 'node:assert/strict';
import { test } from 'node:test';
import { SLANT_RIM, SLANT_SHEET } from '$tests/support/camera.ts';
import * as make from '$tests/support/record.ts';
import type { ReferencePicture, StoredMeasure } from '../facts/picture.ts';
import { compareWays } from '../answers/makeOrBuy.ts';
import type { Opening } from '../facts/opening.ts';
import { closureRange, goesOn } from '../engines/body/goesOn.ts';
import { resize } from '../engines/body/resize.ts';
import type { MeasureKind } from '../facts/picture.ts';
import { readPictures, thingsOf } from '../answers/readings.ts';
import { length, number } from '../units/figure.ts';
import { valueOf, type Figure } from './figure.ts';
import * as fit from './fit.ts';
import * as picture from './picture.ts';
import * as waysFigures from './makeOrBuy.ts';

const figures = { ...fit, ...picture, ...waysFigures };
import { FORMULAS } from './formulas.ts';
import { readAs, write } from '../units/write.ts';

/** The figures of Look and Measure: each working, done on its own way, comes to what the core found. */
const near = (a: number, b: number) =>
	assert.ok(Math.abs(a - b) < 1e-9 * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const seen: Figure[] = [];
const told = (figure: Figure): number => {
	seen.push(figure);
	return valueOf(figure);
};

test('girth over what is beneath, reach, what is missing, what a closure must cover', () => {
	const opening: Opening = {
		id: 1,
		componentId: 1,
		passage: 'cuff',
		closedMm: 190,
		stretchPercent: 10,
		openingMm: 6,
		split: false,
		version: 1
	};
	const round = {
		passage: opening.passage,
		closed: 190,
		stretch: 10,
		opening: 6,
		split: false,
		ease: 'rigid'
	} as const;
	const results = [236, 260].map((knuckles) =>
		goesOn(
			round,
			(key) => ({ body: key === 'wristGirth' ? knuckles * 0.67 : knuckles, beneath: 1.5 }),
			'left'
		)
	);
	const [first] = results;
	near(told(figures.girthFigure(first!.tightest!, 'cm', 'left')), first!.tightest!.mm);
	near(told(figures.reachFigure(opening, 'cm')), first!.reach);
	near(told(figures.missingFigure(first!, 'cm')), first!.missing);
	const range = closureRange(results)!;
	near(told(figures.closureFigure(range, 'cm')), range[1] - range[0]);
});

test('print size of a pattern', () => {
	for (const madeFor of ['garment', 'body'] as const) {
		const { width } = resize([{ body: 960, ease: 60, nominal: 1000, madeFor, direction: 'width' }]);
		near(told(figures.resizeFigure('bust or chest girth', 960, 60, 1000, madeFor, 'cm')), width! * 100);
	}
});

const SCALES: ReferencePicture['scale'][] = [
	SLANT_SHEET,
	{
		kind: 'height',
		points: [
			[2000, 100],
			[2000, 2900]
		],
		mm: 1700
	}
];
const pictures = SCALES.map((scale, i) =>
	make.picture(i, { width: 4000, height: 3000, scale, scaleSigmaMm: 0.5 })
);
const RIM = SLANT_RIM.slice(0, 4);
const stored = (
	id: number,
	pictureId: number,
	kind: MeasureKind,
	points: [number, number][]
): StoredMeasure => ({
	id,
	pictureId,
	componentId: null,
	label: `${kind} of the thing`,
	kind,
	points,
	offPlaneMm: 12,
	version: 1
});

test('measures on pictures of every kind, one thing on two pictures, and its length for the wearer', () => {
	const readings = readPictures(pictures, [
		stored(1, 0, 'length', RIM.slice(0, 3)),
		stored(2, 0, 'circle', RIM),
		stored(3, 0, 'angle', RIM.slice(0, 3)),
		stored(4, 0, 'area', RIM),
		stored(5, 1, 'heads', [
			[2000, 100],
			[2000, 480]
		]),
		stored(6, 1, 'length', RIM.slice(0, 3))
	]);
	for (const { plane, stored: mine, found } of readings) {
		assert.ok(found.ok && plane, mine.kind);
		near(told(figures.pictureFigure(plane, mine, found.value, 'cm')), found.value.value);
	}
	const both = thingsOf(readings).find((t) => t.kind === 'length')!;
	near(
		told(figures.combinedFigure(both.label, both.perPicture, { kind: 'length', unit: 'cm' })),
		both.combined!.value
	);
	near(told(figures.scaledFigure('staff', 850, 1700, 1640, 'cm')), 820);
});

test('hours and money of each way to get a component', () => {
	const record = make.record({
		components: [make.component(1)],
		steps: [make.step(1, 1, { amount: 300 })],
		needs: [make.need(1, 1, 2)]
	});
	const offers = { buy: { priceMinor: 9000, leadDays: 12 }, alter: { priceMinor: 2500, leadDays: 0 } };
	const ways = compareWays(
		record.components[0]!,
		record,
		make.workshop({ materials: [make.material(1)] }),
		offers,
		make.at('2031-04-28T18:00')
	);
	assert.equal(ways.length, 3);
	for (const way of ways) {
		assert.equal(told(figures.wayHoursFigure(way)), way.handsOn[1]);
		assert.equal(told(figures.wayMoneyFigure(way, 'EUR')), way.withMinor - way.withoutMinor);
	}
});

test('each of these figures names its inputs and their sources, and its inputs read back as written', () => {
	assert.equal(seen.length, 20);
	for (const figure of seen) {
		assert.ok(figure.title && FORMULAS[figure.formula].words);
		for (const input of figure.inputs) assert.ok(input.name && input.source, figure.title);
		assert.notEqual(write(valueOf(figure), figure.as), '');
	}
	for (const input of [
		length('a', 123, 'cm'),
		length('b', -12, 'cm'),
		length('c', 254, 'in'),
		number('d', 35, '', '%')
	]) {
		const read = readAs(write(input.value, input.as), input.as);
		assert.ok(read.ok && Math.abs(read.value - input.value) < 0.5, input.name);
	}
	const area = readAs(write(5400, { kind: 'area', unit: 'cm' }), { kind: 'area', unit: 'cm' });
	assert.ok(area.ok && area.value === 5400);
});
