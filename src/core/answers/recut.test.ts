import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import type { BodyMeasure, MeasureKey, Wearer } from '../facts/bodyMeasure.ts';
import { fittedOf, type CostumeWearer } from '../facts/measureRecord.ts';
import { cutAt, recutAfter, recutNow, recutTotals, type PiecesAt } from './recut.ts';

const { at, day } = make;
const measure = (id: number, wearerId: number, mm: number, takenOn: string): BodyMeasure => ({
	id,
	wearerId,
	measure: 'waistGirth' as MeasureKey,
	side: 'none',
	over: 'skin',
	mm,
	takenOn: day(takenOn),
	confirmed: false,
	note: '',
	version: 1
});
const wearer = (id: number, name: string, measures: BodyMeasure[]): Wearer => ({
	id,
	name,
	note: '',
	sections: {},
	measures,
	version: 1
});
const worn = (wearerId: number, fittedAt: number | null): CostumeWearer => ({
	id: wearerId,
	wearerId,
	builtOn: null,
	fittedAt,
	version: 1
});
/** As wide as the waist. */
const belt = make.flatPanel(5, 1, { follows: 'waistGirth', plus: 0 }, { name: 'belt', materialId: 1 });
const foam = make.material(1, { widthMm: 500, lengthMm: 1000 });
const record = make.record({
	components: [make.component(1)],
	steps: [make.step(1, 1, { technique: 'cutFoam', amount: 1, doneAt: at('2031-04-20T19:00') })]
});
const ona = wearer(1, 'Ona', [measure(1, 1, 700, '2031-04-01'), measure(2, 1, 750, '2031-04-25')]);
const fit: PiecesAt = { wearers: [ona], worn: [worn(1, 0)], shapes: [belt], materials: [foam] };

test('a waist measured anew after the belt was cut: the recut list, its minutes and its foam by hand', () => {
	const recut = recutNow(record, cutAt(record, [], [foam]), fit);
	assert.equal(recut.length, 1);
	assert.deepEqual(
		[recut[0]!.was, recut[0]!.now],
		[
			[700, 100],
			[750, 100]
		]
	);
	const totals = recutTotals(recut, make.workshop({ materials: [foam] }));
	// 2 × (750 + 100) mm: traced at 1 m/min in 2 minutes, cut at 0.6 m/min in 3.
	assert.equal(recut[0]!.length, 1700);
	assert.equal(totals.minutes, 5);
	// 0.075 m² × 1.3 of a sheet of half a square metre.
	assert.ok(Math.abs(totals.materials[0]!.quantity! - (0.075 * 1.3) / 0.5) < 1e-12);
});

test('nothing is on the list that was cut since, was never cut, follows nothing, or is off by an easing', () => {
	const again = { ...record, steps: [{ ...record.steps[0]!, doneAt: at('2031-04-26T19:00') }] };
	assert.deepEqual(recutNow(again, cutAt(again, [], [foam]), fit), []);
	const uncut = { ...record, steps: [{ ...record.steps[0]!, doneAt: null }] };
	assert.equal(cutAt(uncut, [], [foam])(1, 1), undefined);
	// The foam is cut, its cover of cloth is not: nothing of the cover is cut again.
	const cloth = make.material(2, { family: 'cloth', unit: 'm', widthMm: 1500 });
	const cover = { ...belt, id: 6, materialId: 2 };
	const both = { ...fit, shapes: [belt, cover], materials: [foam, cloth] };
	assert.deepEqual(
		recutNow(record, cutAt(record, [], both.materials), both).map((p) => p.shapeId),
		[5]
	);
	const fixed = { ...belt, values: { top: 700, bottom: 700, height: 100, corner: 0, allowance: 0 } };
	assert.deepEqual(recutNow(record, cutAt(record, [], [foam]), { ...fit, shapes: [fixed] }), []);
	const eased = wearer(1, 'Ona', [measure(1, 1, 700, '2031-04-01'), measure(2, 1, 702, '2031-04-25')]);
	assert.deepEqual(recutNow(record, cutAt(record, [], [foam]), { ...fit, wearers: [eased] }), []);
	// First measured after it was cut: nobody knows what it was cut by.
	const late = wearer(1, 'Ona', [measure(2, 1, 750, '2031-04-25')]);
	assert.deepEqual(recutNow(record, cutAt(record, [], [foam]), { ...fit, wearers: [late] }), []);
	// A layout that was cut counts like a step.
	const byLayout = cutAt(
		uncut,
		[{ cutAt: at('2031-04-21T10:00'), materialId: 1, componentIds: [1] }],
		[foam]
	);
	assert.equal(recutNow(uncut, byLayout, fit).length, 1);
});

test('a second wearer changes no piece until the pieces follow them, and then says what was cut', () => {
	const reka = wearer(2, 'Reka', [measure(3, 2, 820, '2031-04-10')]);
	const both = { ...fit, wearers: [ona, reka], worn: [worn(1, 0), worn(2, null)] };
	assert.deepEqual(fittedOf(both), [ona]);
	const cut = cutAt(record, [], [foam]);
	assert.deepEqual(recutAfter(record, cut, fit, both), []);
	const follows = { ...both, worn: [worn(1, 0), worn(2, at('2031-04-28T18:00'))] };
	assert.deepEqual(fittedOf(follows), [reka]);
	assert.deepEqual(
		recutAfter(record, cut, both, follows).map((p) => [p.was, p.now]),
		[
			[
				[750, 100],
				[820, 100]
			]
		]
	);
	// Cut for the one that was chosen then.
	assert.deepEqual(recutNow(record, cut, follows)[0]!.was, [700, 100]);
	assert.deepEqual(fittedOf({ wearers: [], worn: [] }), []);
});
