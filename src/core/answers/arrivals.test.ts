import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { FRIDAY } from '$tests/support/shapes.ts';
import type { Material } from '../facts/material.ts';
import type { Step } from '../facts/step.ts';
import { arrivalDay, lateMinutes, leadWords } from './leadTime.ts';
import { arrivalOf } from './arrivals.ts';
import { planCostume } from './plan.ts';
import { shoppingLines } from './shopping.ts';
import { dayOf } from '../units/localTime.ts';

/**
 * What holds up what until it has come, and what is too late: by hand from the day it is ordered.
 */

const parcel = (id: number, extra: Parameters<typeof make.material>[1] = {}) =>
	make.material(id, { family: 'other', unit: 'piece', leadDays: 5, leadWorkingDays: false, ...extra });
/** Ordered on a Friday, five days on, from noon. */
const THERE = make.at('2031-05-07T12:00');

/** When each step of one component may start at the soonest: before its parcel, or not. */
function waitsFor(component: ReturnType<typeof make.component>, material: Material, steps: Partial<Step>[]) {
	const record = make.record({
		components: [component],
		steps: steps.map((s, i) => make.step(i + 1, component.id, s)),
		needs: [make.need(component.id, material.id, 1)]
	});
	const plan = planCostume(record, make.workshop({ materials: [material] }), FRIDAY, new Map());
	return record.steps.map((s) => plan.schedule.steps.find((p) => p.id === String(s.id))!.start >= THERE);
}

test('a wig is not fitted, and boots are not tried on, before they have come', () => {
	const tryOn = { technique: 'fit', phase: 'pattern', amount: 1 } as const;
	const wig = make.component(1, { kind: 'wig' });
	assert.deepEqual(
		waitsFor(wig, parcel(1, { family: 'hair' }), [tryOn, { technique: 'trimHair', amount: 1 }]),
		[true, true]
	);
	const boots = make.component(1, { kind: 'garment', source: 'alter', side: 'pair' });
	assert.deepEqual(waitsFor(boots, parcel(1, { family: 'cloth' }), [tryOn]), [true]);
	const bought = make.component(1, { kind: 'garment', source: 'buy' });
	assert.deepEqual(waitsFor(bought, parcel(1), [tryOn]), [true]);
});

test('a pattern and its mock-up need no cloth; cutting does; lines are marked on the cloth itself', () => {
	const dress = make.component(1, { kind: 'garment' });
	const cloth = parcel(1, { family: 'cloth', unit: 'm' });
	assert.deepEqual(
		waitsFor(dress, cloth, [
			{ technique: 'draft', phase: 'pattern', amount: 4 },
			{ technique: 'sewMachine', phase: 'pattern', amount: 3000 },
			{ technique: 'cutCloth', amount: 3000 }
		]),
		[false, false, true]
	);
	assert.deepEqual(waitsFor(dress, cloth, [{ technique: 'markLine', phase: 'pattern', amount: 3000 }]), [
		true
	]);
});

test('a zip holds up the closure, glue the first joint, paint the first coat, and nothing before', () => {
	const c = make.component(1);
	const cut = { technique: 'cutFoam', amount: 1000 };
	const held = (family: Material['family'], technique: string, unit = 'piece') =>
		waitsFor(c, parcel(1, { family, unit }), [cut, { technique, amount: 1000 }]);
	assert.deepEqual(held('closure', 'closure'), [false, true]);
	assert.deepEqual(held('glue', 'cement', 'ml'), [false, true]);
	assert.deepEqual(held('paint', 'brush', 'ml'), [false, true]);
	assert.deepEqual(held('light', 'wire'), [false, true]);
});

test('once enough has come, a parcel that is still on its way holds up nothing', () => {
	const cloth = parcel(1, { family: 'cloth', unit: 'm', packSize: 2 });
	const ordered = { state: 'ordered' as const, packSize: 2, orderedOn: dayOf(FRIDAY) };
	const arrivalWith = (packs: [packs: number, dueOn: number][]) => {
		const record = make.record({
			components: [make.component(1)],
			steps: [make.step(1, 1, { technique: 'cutCloth', amount: 3000 })],
			needs: [make.need(1, 1, 4)],
			purchases: packs.map(([n, dueOn], i) => make.purchase(i + 1, 1, { ...ordered, packs: n, dueOn }))
		});
		const [line] = shoppingLines(record, make.workshop({ materials: [cloth] }));
		return arrivalOf(line!, record, FRIDAY).purchase!.id;
	};
	const soon = dayOf(FRIDAY) + 3;
	const late = dayOf(FRIDAY) + 20;
	assert.equal(arrivalWith([[2, late]]), 1, '4 m wanted, 4 m come late');
	assert.equal(
		arrivalWith([
			[2, late],
			[2, soon]
		]),
		2,
		'another 4 m come sooner'
	);
	assert.equal(
		arrivalWith([
			[2, late],
			[1, soon]
		]),
		1,
		'2 m come sooner: the late ones are still waited for'
	);
});

test('what no step uses must be there by the day to be ready by', () => {
	const record = make.record({
		components: [make.component(1, { source: 'buy' })],
		purchases: [make.purchase(1, 1, { componentId: 1, packs: 1, leadDays: 5, leadWorkingDays: false })]
	});
	const plan = planCostume(record, make.workshop({ materials: [parcel(1)] }), FRIDAY, new Map());
	assert.equal(plan.orders[0]!.neededAt, plan.deadline);
	// The event is on 16 May, two days are kept free: by the 14th at 09:00 is by noon of the 13th, five days before.
	assert.equal(plan.orders[0]!.orderByDay, make.day('2031-05-08'));
});

test('in a plan that is late by its work, what is bought on the day is not too late, and a parcel in time is not either', () => {
	const much = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { technique: 'draft', phase: 'pattern', amount: 1, setUpMinutes: 6000 }),
			make.step(2, 1, { technique: 'cutFoam', amount: 1000 })
		],
		needs: [make.need(1, 1, 1), make.need(1, 2, 1)]
	});
	const shelf = parcel(1, { leadDays: 0 });
	const posted = parcel(2);
	const plan = planCostume(much, make.workshop({ materials: [shelf, posted] }), FRIDAY, new Map());
	assert.equal(plan.outlook, 'late');
	assert.deepEqual(
		plan.orders.map((o) => o.tooLate),
		[false, false],
		'a hundred hours of drafting make it late, not the foam'
	);
	for (const o of plan.orders) assert.ok(o.orderByDay! >= make.day('2031-05-02'), o.material.name);

	// Work for an evening, and a parcel that comes after the event: that one is hopeless, and told first.
	const few = { ...much, steps: [make.step(2, 1, { technique: 'cutFoam', amount: 1000 })] };
	const slow = parcel(2, { leadDays: 30 });
	const late = planCostume(few, make.workshop({ materials: [shelf, slow] }), FRIDAY, new Map());
	assert.deepEqual(
		late.orders.map((o) => [o.material.id, o.tooLate]),
		[
			[2, true],
			[1, false]
		]
	);
});

test('a lead time that nobody knows is a week by assumption, and says so', () => {
	const unknown = parcel(1, { leadDays: null });
	assert.equal(arrivalDay(make.day('2031-05-02'), unknown), make.day('2031-05-09'));
	assert.equal(leadWords(unknown), 'not known, 7 days assumed');
	assert.equal(leadWords(parcel(1, { leadDays: 1, leadWorkingDays: true })), '1 working day');
	assert.deepEqual(lateMinutes(unknown), [0, 0, 14 * 1440], 'and it may well be three');
});
