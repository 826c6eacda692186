import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { planCostume } from './plan.ts';
import { tapePins } from './pins.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import { dayOf, timeWords } from '../units/localTime.ts';
import { todayOf } from './today.ts';

const NOW = make.at('2031-04-28T18:00'); // a Monday evening, in a window
const bench = (record: CostumeRecord, workshop: Workshop = make.workshop(), now = NOW) =>
	todayOf(record, workshop, planCostume(record, workshop, now, new Map()), now);
const ids = (list: { step: { id: number } }[]) => list.map((x) => x.step.id);

test('an empty costume has nothing to do and nothing to wait for', () => {
	const today = bench(make.record());
	assert.deepEqual(today, { running: [], ready: [], drying: [], held: [] });
});

test('only the first open step of a component is ready, and a part before its whole is rigged', () => {
	const record = make.record({
		components: [make.component(1), make.component(2, { parentId: 1 })],
		steps: [
			make.step(1, 1, { doneAt: NOW - 999 }),
			make.step(2, 1, { phase: 'rig' }),
			make.step(3, 2),
			make.step(4, 2)
		]
	});
	assert.deepEqual(ids(bench(record).ready), [3]);
	const made = {
		...record,
		steps: record.steps.map((s) => (s.componentId === 2 ? { ...s, doneAt: NOW - 10 } : s))
	};
	assert.deepEqual(ids(bench(made).ready), [2]);
});

test('a wait that has ended holds nothing; one that has not is counted to the minute', () => {
	const record = (doneAt: number) =>
		make.record({
			components: [make.component(1)],
			steps: [make.step(1, 1, { doneAt, waitMinutes: 60 }), make.step(2, 1)]
		});
	assert.deepEqual(ids(bench(record(NOW - 60)).ready), [2]);
	assert.deepEqual(ids(bench(record(NOW - 59)).ready), []);
	assert.equal(bench(record(NOW - 59)).drying[0]!.until, NOW + 1);
});

test('cold or damp: coats and glue dry twice as long, shipping and setting do not', () => {
	const record = make.record({
		components: [make.component(1), make.component(2)],
		steps: [
			make.step(1, 1, { doneAt: NOW - 90, waitMinutes: 60, coatId: 5 }),
			make.step(2, 2, { doneAt: NOW - 90, waitMinutes: 60, technique: 'styleHair' })
		]
	});
	const damp = make.workshop();
	damp.settings.coldOrDamp = true;
	assert.deepEqual(ids(bench(record).drying), []);
	assert.deepEqual(ids(bench(record, damp).drying), [1]);
});

test('a closed place puts a step behind those that can be done now, and says when it opens', () => {
	const record = make.record({
		components: [make.component(1), make.component(2)],
		steps: [make.step(1, 1, { placeId: 1, amount: 30 }), make.step(2, 2, { amount: 500 })]
	});
	const night = make.at('2031-04-28T20:30');
	const today = bench(record, make.workshop(), night);
	assert.deepEqual(ids(today.ready), [2, 1]);
	assert.equal(timeWords(today.ready[1]!.opensAt!), 'Tue 29 Apr 09:00');
	assert.equal(bench(record).ready.find((r) => r.step.id === 1)!.opensAt, null, 'open at six');
	const wet = make.workshop();
	Object.assign(wet.places[0]!, { dryOnly: true, off: [dayOf(night)] });
	const step = bench(record, wet).ready.find((r) => r.step.id === 1)!;
	assert.deepEqual([timeWords(step.opensAt!), step.dryOnly], ['Tue 29 Apr 09:00', true], 'too wet today');
});

test('the most urgent first: the one whose chain is longest', () => {
	const record = make.record({
		components: [make.component(1), make.component(2), make.component(3)],
		steps: [
			make.step(1, 1, { amount: 30 }),
			make.step(2, 2, { amount: 30 }),
			make.step(3, 2, { amount: 600 }),
			make.step(4, 3, { amount: 30, waitMinutes: 8 * 1440 })
		]
	});
	const { ready } = bench(record);
	assert.deepEqual(ids(ready).at(-1), 1, 'the short one can wait longest');
	assert.ok(ready.every((r, i) => i === 0 || r.slackMinutes! >= ready[i - 1]!.slackMinutes!));
});

test('what fits in the waiting is measured against the next coat to be dry', () => {
	const record = make.record({
		components: [1, 2, 3].map((id) => make.component(id)),
		steps: [
			make.step(1, 1, { doneAt: NOW - 10, waitMinutes: 40 }),
			make.step(2, 2, { amount: 30 }),
			make.step(3, 3, { amount: 31 })
		]
	});
	assert.deepEqual(
		bench(record)
			.ready.map((r) => [r.step.id, r.fitsInWait])
			.sort(),
		[
			[2, true],
			[3, false]
		]
	);
});

test('minutes already logged are taken off what is left', () => {
	const record = make.record({
		components: [make.component(1)],
		steps: [make.step(1, 1, { amount: 100 })],
		logs: [
			{
				id: 1,
				stepId: 1,
				makerId: 1,
				startedAt: NOW - 70,
				endedAt: NOW - 10,
				minutes: 60,
				note: '',
				version: 1
			}
		]
	});
	assert.equal(bench(record).ready[0]!.minutes, 40);
	const running = { ...record, logs: [{ ...record.logs[0]!, endedAt: null, minutes: 0 }] };
	assert.deepEqual(
		bench(running).running.map((l) => l.stepId),
		[1]
	);
});

test('held: the last of several materials, and whether it was bought at all', () => {
	const record = make.record({
		components: [make.component(1)],
		steps: [make.step(1, 1)],
		needs: [make.need(1, 1, 1), make.need(1, 2, 1)],
		purchases: [make.purchase(1, 1, { state: 'ordered', dueOn: make.day('2031-05-02') })]
	});
	const held = (leadDays: number) =>
		bench(record, make.workshop({ materials: [make.material(1), make.material(2, { leadDays })] })).held.map(
			(h) => [h.material, h.bought]
		);
	assert.deepEqual(held(9), [['material 2', false]]);
	assert.deepEqual(held(1), [['material 1', true]]);
});

test('closures are for rigging: they do not hold up the making', () => {
	const record = make.record({
		components: [make.component(1)],
		steps: [make.step(1, 1), make.step(2, 1, { phase: 'rig' })],
		needs: [make.need(1, 1, 2)]
	});
	const webbing = make.workshop({ materials: [make.material(1, { family: 'closure', leadDays: 9 })] });
	assert.deepEqual(ids(bench(record, webbing).ready), [1]);
	const order = planCostume(record, webbing, NOW, new Map()).orders[0]!;
	assert.deepEqual(order.stepIds, [2]);
});

test('pins: overdue orders stand at today in red, parcels at noon, dry coats at their minute', () => {
	const record = make.record({
		components: [make.component(1), make.component(2)],
		steps: [make.step(1, 1, { doneAt: NOW - 5, waitMinutes: 30 }), make.step(2, 2, { amount: 900 })],
		needs: [make.need(2, 1, 1), make.need(2, 2, 1)],
		purchases: [make.purchase(1, 2, { state: 'ordered', dueOn: make.day('2031-05-02') })]
	});
	const workshop = make.workshop({ materials: [make.material(1, { leadDays: 60 }), make.material(2)] });
	const pins = tapePins(record, planCostume(record, workshop, NOW, new Map()), workshop, NOW);
	const of = (kind: string) => pins.find((p) => p.kind === kind)!;
	assert.deepEqual([timeWords(of('order').at), of('order').late], ['Mon 28 Apr 00:00', true]);
	assert.equal(timeWords(of('parcel').at), 'Fri 2 May 12:00');
	assert.equal(timeWords(of('dry').at), 'Mon 28 Apr 18:25');
	assert.equal(timeWords(of('readyBy').at), 'Wed 14 May 09:00');
	assert.deepEqual(
		pins.map((p) => p.at),
		[...pins.map((p) => p.at)].sort((a, b) => a - b)
	);
});
