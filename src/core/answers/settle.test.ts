import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import type { MeasureKey } from '../facts/bodyMeasure.ts';
import type { MeasureRecord } from '../facts/measureRecord.ts';
import type { StoredShape } from '../facts/shape.ts';
import { SHAPERS } from '../engines/shapers/shapers.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { examplesOf, settleNext, wantedMeasures, type Settle } from './settle.ts';

const bracers = make.component(2, {
	code: 'A-04',
	name: 'Bracers',
	side: 'pair',
	zones: ['forearm-left', 'forearm-right']
});
const band = (more: Partial<StoredShape> = {}): StoredShape => ({
	id: 5,
	componentId: 2,
	shaper: 'taperedBand',
	name: '',
	values: Object.fromEntries(Object.entries(SHAPERS.taperedBand.params).map(([key, p]) => [key, p.value])),
	works: [],
	drawn: null,
	panels: null,
	kept: null,
	placed: null,
	materialId: null,
	roles: {},
	layers: 1,
	note: '',
	version: 1,
	...more
});
const worn = (measures: MeasureKey[], shapes: StoredShape[]): MeasureRecord => ({
	...make.NO_FIT,
	wearers: [
		{
			id: 1,
			name: 'Ona',
			note: '',
			sections: {},
			version: 1,
			measures: measures.map((measure, i) => ({
				id: i + 1,
				wearerId: 1,
				measure,
				side: 'left',
				over: 'skin',
				mm: 250,
				takenOn: 22_000,
				confirmed: false,
				note: '',
				version: 1
			}))
		}
	],
	worn: [{ id: 1, wearerId: 1, builtOn: null, fittedAt: null, version: 1 }],
	shapes
});
const told = (settle: readonly Settle[]) => settle.map((s) => [s.kind, s.figures]);

test('settle next: from nothing to nothing guessed, each with the figures that stand on it', () => {
	const of = (its: Parameters<typeof make.record>[0], fit = make.NO_FIT, unpriced: number[] = []) =>
		told(settleNext(make.record(its), fit, unpriced, STANDARD));
	const none = { components: [], steps: [], coats: [], needs: [] };
	assert.deepEqual(of(none), [['components', 1]]);
	const two = { ...none, components: [bracers, make.component(3, { name: 'Boots', source: 'buy' })] };
	// Bought boots are not made; nobody wears it yet.
	assert.deepEqual(of(two), [
		['making', 1],
		['wearer', 1]
	]);
	const route = {
		...two,
		steps: [
			make.step(1, 2, { technique: 'cutFoam', guessed: true }),
			make.step(2, 2, { technique: 'cutFoam', guessed: true, doneAt: make.at('2031-05-01T10:00') }),
			make.step(3, 2, { technique: 'cutFoam' })
		],
		coats: [make.coat(1, 2, { guessed: true })]
	};
	// One open step and one coat are guessed, and pieces would say them; nothing says what it takes.
	assert.deepEqual(of(route, worn([], [])), [
		['draw', 2],
		['takes', 1]
	]);
	// Drawn from examples: two girths wait for the tape, what is guessed of it is entered, and it is cut from nothing yet.
	assert.deepEqual(of(route, worn([], [band()])), [
		['measures', 2],
		['amounts', 2],
		['material', 1],
		['takes', 1]
	]);
	// One of them was taken since: its value is to follow.
	assert.deepEqual(of(route, worn(['forearmGirth'], [band()])).slice(0, 2), [
		['measures', 1],
		['follow', 1]
	]);
	const settled = {
		...two,
		steps: [make.step(3, 2, { technique: 'cutFoam' })],
		needs: [make.need(2, 10, 1)]
	};
	const fitting = band({
		materialId: 10,
		values: { ...band().values, upper: { follows: 'forearmGirth', plus: 10 }, lower: 190 }
	});
	assert.deepEqual(of(settled, worn(['forearmGirth'], [fitting]), [10, 10, 11]), [['price', 2]]);
	assert.deepEqual(of(settled, worn(['forearmGirth'], [fitting])), []);
});

test('wanted measures: of the part of the body that a band lies on, most wanted first; one that is followed and never taken too', () => {
	assert.deepEqual(
		examplesOf(band(), { zones: ['shin-left'] }).map((e) => e.measure),
		['calfGirth', 'ankleGirth']
	);
	assert.deepEqual(examplesOf(band({ drawn: [] }), bracers), []);
	const other = band({
		id: 6,
		values: { ...band().values, upper: 300, lower: { follows: 'wristGirth', plus: 5 } }
	});
	assert.deepEqual(wantedMeasures([bracers], worn([], [band(), other])), [
		{ measure: 'wristGirth', figures: 2 },
		{ measure: 'forearmGirth', figures: 1 }
	]);
	assert.deepEqual(wantedMeasures([bracers], worn(['wristGirth', 'forearmGirth'], [band(), other])), []);
});
