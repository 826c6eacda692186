import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { seeded } from '$tests/support/planCases.ts';
import type { Material } from '../facts/material.ts';
import { formatDate } from '../units/localTime.ts';
import { valueOf, withInput } from '../explain/figure.ts';
import { groupMoneyFigure, orderByFigure, packsFigure, spendFigure } from '../explain/money.ts';
import { readAs, write } from '../units/write.ts';
import { leftovers } from './lots.ts';
import { arrivalDay, orderByDay, usableFrom } from './leadTime.ts';
import { shoppingLines } from './shopping.ts';
import { wholePacks } from '../units/packs.ts';
import { shared } from '../units/money.ts';
import { expectedByComponent, spendOf } from './spend.ts';
import { promiseStash, stillNeeded } from './stash.ts';

const { at, day } = make;
const shop = (materials: Material[]) => make.workshop({ materials });

test('packs are whole, and floating sums do not buy one too many', () => {
	assert.equal(wholePacks(0.1 + 0.2, 0.3), 1);
	assert.equal(wholePacks(0.1 * 3, 0.1), 3);
	assert.equal(wholePacks(2.01, 1), 3);
	assert.equal(wholePacks(0, 5), 0);
	assert.equal(wholePacks(-4, 5), 0);
});

test('shopping: needed less stash less bought, in whole packs; coats are counted by themselves', () => {
	const record = make.record({
		components: [make.component(1, { side: 'pair' }), make.component(2)],
		coats: [make.coat(1, 1, { coats: 2, area: 450_000 })],
		needs: [make.need(1, 1, 1.5), make.need(2, 1, 2)],
		purchases: [make.purchase(1, 1, { packs: 1 })]
	});
	const primer = make.material(2, { unit: 'can', coatProduct: 'fillerPrimer', packPriceMinor: 990 });
	const [foam, paint] = shoppingLines(record, shop([make.material(1, { stash: 0.5 }), primer]));
	assert.deepEqual(
		[foam!.needed, foam!.bought, foam!.short, foam!.packsShort, foam!.over],
		[3.5, 1, 2, 2, 0]
	);
	// 0.45 m² × 2 coats × 2 copies = 1.8 m² of 1.2 m² a can.
	assert.ok(Math.abs(paint!.needed - 1.5) < 1e-9);
	assert.equal(paint!.packsShort, 2);
	assert.equal(paint!.costShortMinor, 1980);
	assert.equal(valueOf(packsFigure(foam!)), foam!.packsShort, 'the working gives the figure shown');
	assert.equal(valueOf(withInput(packsFigure(foam!), 0, 10)), 9);
});

test('money sums to the minor unit, however it is shared out (largest remainder, Hamilton 1792)', () => {
	assert.deepEqual(shared(100, [1, 1, 1]), [34, 33, 33]);
	assert.deepEqual(shared(0, [1, 2]), [0, 0]);
	assert.deepEqual(shared(5, [0, 0]), [3, 2], 'where nothing weighs anything, alike');
	const random = seeded(7);
	for (let n = 0; n < 400; n++) {
		const total = Math.floor(random() * 1_000_000);
		const weights = Array.from({ length: 1 + Math.floor(random() * 9) }, () => random() * 10);
		const parts = shared(total, weights);
		assert.equal(
			parts.reduce((a, b) => a + b, 0),
			total,
			`case ${n}`
		);
		parts.forEach((p, i) => {
			const exact = (total * weights[i]!) / weights.reduce((a, b) => a + b, 0);
			assert.ok(Math.abs(p - exact) < 1, `case ${n}: ${p} is not next to ${exact}`);
		});
	}
});

test('spend: by state, against the limit, shared over components without losing a coin', () => {
	const record = make.record({
		components: [make.component(1), make.component(2), make.component(3)],
		needs: [make.need(1, 1, 1), make.need(2, 1, 1), make.need(3, 1, 1)],
		purchases: [
			make.purchase(1, 1, { packs: 1, packPriceMinor: 1000, shippingMinor: 1, state: 'arrived' }),
			make.purchase(2, 1, { packs: 1, packPriceMinor: 333, state: 'ordered' }),
			make.purchase(3, 2, { packs: 2, packPriceMinor: 50, state: 'planned', componentId: 2 })
		]
	});
	const spend = spendOf(record, shop([make.material(1), make.material(2)]));
	assert.deepEqual(
		[spend.paidMinor, spend.orderedMinor, spend.plannedMinor, spend.notListedMinor],
		[1001, 333, 100, 1000]
	);
	assert.equal(spend.totalMinor, 2434);
	assert.equal(spend.leftMinor, 50_000 - 2434);
	assert.equal(
		[...spend.byComponent.values()].reduce((a, b) => a + b, 0),
		1434
	);
	assert.equal(valueOf(spendFigure(record.costume, spend)), spend.totalMinor);
	// All of it, what is on no list too: the third sheet, 10.00, by thirds.
	const expected = expectedByComponent(record, shop([make.material(1), make.material(2)]));
	assert.equal(
		[...expected.values()].reduce((a, b) => a + b, 0),
		spend.totalMinor
	);
	assert.deepEqual(
		[1, 2, 3].map((id) => expected.get(id)! - spend.byComponent.get(id)!),
		[334, 333, 333]
	);
	const atCost = make.record({ ...record, costume: { ...record.costume, stashAtCost: true } });
	assert.equal(spendOf(atCost, shop([make.material(1, { stash: 3 }), make.material(2)])).stashMinor, 3000);
});

test('lead times: working days skip the weekend, also over the year’s change', () => {
	const working = (leadDays: number) => ({ leadDays, leadWorkingDays: true });
	assert.equal(formatDate(arrivalDay(day('2031-05-02'), working(1))), '2031-05-05', 'Friday to Monday');
	assert.equal(
		formatDate(arrivalDay(day('2031-05-02'), { leadDays: 1, leadWorkingDays: false })),
		'2031-05-03'
	);
	assert.equal(formatDate(arrivalDay(day('2030-12-30'), working(3))), '2031-01-02');
	assert.equal(formatDate(arrivalDay(day('2028-02-28'), working(1))), '2028-02-29', 'a leap day');
	assert.equal(arrivalDay(day('2031-05-03'), working(0)), day('2031-05-03'));
});

test('order-by is the last day that still serves: one day later would not', () => {
	for (let lead = 0; lead < 12; lead++)
		for (const leadWorkingDays of [true, false])
			for (let n = 0; n < 20; n++) {
				const needed = at('2031-05-01T11:00') + n * 777;
				const last = orderByDay(needed, { leadDays: lead, leadWorkingDays });
				const there = (d: number) => arrivalDay(d, { leadDays: lead, leadWorkingDays }) * 1440 + 720;
				assert.ok(there(last) <= needed, `lead ${lead}, case ${n}: too late`);
				assert.ok(there(last + 1) > needed, `lead ${lead}, case ${n}: could be later`);
			}
});

test('a parcel that is overdue is not counted on before today', () => {
	const now = at('2031-05-10T15:00');
	const p = make.purchase(1, 1, { state: 'ordered', orderedOn: day('2031-05-01'), dueOn: day('2031-05-06') });
	assert.equal(usableFrom(p, now), at('2031-05-10T12:00'));
	assert.equal(usableFrom({ ...p, state: 'arrived' }, now), null);
});

test('a day that was promised holds for what is only planned as well, until it has passed', () => {
	const now = at('2031-05-05T15:00'); // a Monday
	const p = make.purchase(1, 1, {
		state: 'planned',
		leadDays: 3,
		leadWorkingDays: true,
		dueOn: day('2031-05-20')
	});
	assert.equal(usableFrom(p, now), at('2031-05-20T12:00'));
	// Sooner than its usual lead is a promise as well.
	assert.equal(usableFrom({ ...p, dueOn: day('2031-05-06') }, now), at('2031-05-06T12:00'));
	assert.equal(usableFrom({ ...p, dueOn: day('2031-05-02') }, now), at('2031-05-08T12:00'));
	assert.equal(usableFrom({ ...p, dueOn: null }, now), at('2031-05-08T12:00'));
});

test('every kind of input of a working reads back as it is written', () => {
	for (const [value, as] of [
		[1250, { kind: 'money', currency: 'EUR' }],
		[80, { kind: 'minutes' }],
		[2880, { kind: 'wait' }],
		[1.5, { kind: 'number', unit: 'm' }]
	] as const) {
		const read = readAs(write(value, as), as);
		assert.ok(read.ok && read.value === value, `${as.kind}: ${write(value, as)}`);
	}
	assert.equal(
		orderByFigure({
			material: make.material(1),
			purchase: null,
			stepIds: [],
			usableFrom: null,
			neededAt: 0,
			orderByDay: null,
			tooLate: false
		}).formula,
		'orderBy'
	);
});

test('tools by hand: in what it will cost, apart, in no share of a price, there for every costume, and all of them left over', () => {
	const knife = make.material(1, { family: 'tool', unit: 'piece', packPriceMinor: 1500, stash: 1 });
	const foam = make.material(2, { packPriceMinor: 1000 });
	const materials = [knife, foam];
	const record = make.record({
		components: [make.component(1)],
		// Two knives are wanted at a time, and one lies in the stash.
		needs: [make.need(1, 1, 2), make.need(1, 2, 3)],
		purchases: [
			make.purchase(1, 2, { packPriceMinor: 1000, state: 'arrived' }),
			make.purchase(2, 1, { packPriceMinor: 1490, shippingMinor: 200, state: 'ordered' })
		]
	});
	const spend = spendOf(record, shop(materials));
	// Foam 10.00 and two sheets short at 10.00; the knife 14.90 and 2.00 for sending.
	assert.deepEqual([spend.tools.minor, spend.totalMinor], [1690, 1690 + 3000]);
	assert.equal(valueOf(groupMoneyFigure('For tools', spend.tools, record.costume, materials)), 1690);
	assert.deepEqual([...expectedByComponent(record, shop(materials))], [[1, 3000]]);
	// Short of one more: in it too, at its pack's price.
	const none = shop([{ ...knife, stash: 0 }, foam]);
	assert.equal(spendOf(record, none).tools.minor, 1690 + 1500);
	const other = make.record({ ...record, costume: { ...record.costume, id: 2 } });
	const promised = promiseStash(
		[record, other].map((r) => ({ record: r, needs: stillNeeded(r, shop(materials)) })),
		materials
	);
	assert.deepEqual(
		[1, 2].map((id) => promised.get(id)!.get(1)),
		[1, 1]
	);
	const here = { ...record, purchases: record.purchases.map((p) => ({ ...p, state: 'arrived' as const })) };
	// Where the stash counts at cost, the knife that lies there costs nothing, and one that goes there leaves its sending.
	const atCost = make.record({
		...here,
		costume: { ...here.costume, stashAtCost: true },
		purchases: here.purchases.map((p) => (p.materialId === 1 ? { ...p, stashed: 1 } : p))
	});
	const given = spendOf(atCost, shop([{ ...knife, stash: 2 }, foam]));
	assert.deepEqual([given.stashMinor, given.tools.minor, given.totalMinor], [-1490, 200, 3200]);
	assert.deepEqual([...expectedByComponent(atCost, shop(materials))], [[1, 3000]]);
	assert.deepEqual(
		leftovers(here, shop(materials)).map((l) => [l.material.id, l.units]),
		[[1, 1]]
	);
});
