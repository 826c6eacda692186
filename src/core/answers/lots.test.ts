import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { seeded } from '$tests/support/planCases.ts';
import type { Material } from '../facts/material.ts';
import { dayOf, formatDate } from '../units/localTime.ts';
import {
	byPlace,
	costOfParts,
	countedOf,
	cutOutOf,
	freeOf,
	leftovers,
	longestOfTooShort,
	outOf,
	outOfPurchases,
	promisedLots,
	spoilsFirst,
	spoiling,
	stashUnitCost,
	withLots,
	type StoredLot
} from './lots.ts';
import { pricedIn } from './prices.ts';
import { shoppingLines } from './shopping.ts';
import { expectedByComponent, spendOf } from './spend.ts';
import { workshopFor } from './stash.ts';

const day = (text: string) => dayOf(make.at(`${text}T00:00`));
const TODAY = day('2031-05-02');

const lot = (id: number, quantity: number, extra: Partial<StoredLot> = {}): StoredLot => ({
	id,
	materialId: 1,
	quantity,
	colour: '',
	place: '',
	boughtOn: null,
	packSize: null,
	packPriceMinor: null,
	currency: null,
	bestBefore: null,
	openedOn: null,
	openMonths: null,
	countedOn: null,
	note: '',
	hash: null,
	version: 1,
	...extra
});
const of = (lots: StoredLot[], extra: Partial<Material> = {}, today = TODAY): Material =>
	withLots([make.material(1, extra)], lots, today)[0]!;

test('what is open is good for its months and no longer than closed: by calendar months, by hand', () => {
	const open = (openedOn: string, openMonths: number | null, bestBefore: string | null) =>
		lot(1, 1, {
			openedOn: day(openedOn),
			openMonths,
			bestBefore: bestBefore === null ? null : day(bestBefore)
		});
	const until = (its: StoredLot) => {
		const at = of([its]).lots[0]!.lastDay;
		return at === null ? null : formatDate(at);
	};
	assert.equal(until(open('2031-05-31', 1, '2031-12-31')), '2031-06-30', 'June has no 31st');
	assert.equal(until(open('2032-01-31', 1, null)), '2032-02-29', 'a leap year');
	assert.equal(until(open('2031-05-02', 12, '2031-12-31')), '2031-12-31', 'its label says sooner');
	assert.equal(until(open('2031-05-02', null, '2031-12-31')), '2031-12-31');
	assert.equal(until(open('2031-05-02', null, null)), null);
	// Opened half a year ago it is past, counts nowhere, and is told; of two the open one is used first.
	const glue = of(
		[
			lot(1, 3, { bestBefore: TODAY + 40 }),
			lot(2, 1, { openedOn: TODAY - 20, openMonths: 1 }),
			lot(3, 2, { openedOn: TODAY - 200, openMonths: 6 })
		],
		{ family: 'glue' }
	);
	assert.equal(glue.stash, 4);
	assert.deepEqual(
		outOf(glue.lots, 2).map((p) => [p.lot.id, p.units]),
		[
			[2, 1],
			[1, 1]
		]
	);
	assert.deepEqual(
		spoiling([glue], TODAY).map((s) => [s.lot.id, s.usual, s.left < 0]),
		[
			[3, false, true],
			[2, false, false],
			[1, false, false]
		]
	);
});

test('the stash is what is good of the lots; a lot is good on its last day, and not the day after', () => {
	const lots = [lot(1, 2, { bestBefore: TODAY }), lot(2, 0.5), lot(3, 4, { materialId: 2 })];
	assert.equal(of(lots).stash, 2.5);
	assert.equal(of(lots, {}, TODAY + 1).stash, 0.5);
	assert.deepEqual(
		of(lots, {}, TODAY + 1).lots.map((l) => [l.id, l.good]),
		[
			[1, false],
			[2, true]
		]
	);
});

test('what spoils first is used first, then what was bought first (first expired, first out)', () => {
	const lots = [
		lot(1, 1),
		lot(2, 1, { boughtOn: day('2031-01-01') }),
		lot(3, 1, { bestBefore: day('2031-09-01') }),
		lot(4, 1, { bestBefore: day('2031-06-01'), boughtOn: day('2031-04-01') }),
		lot(5, 1, { boughtOn: day('2030-01-01') })
	];
	const { lots: order } = of(lots);
	assert.deepEqual(
		order.map((l) => l.id),
		[4, 3, 1, 5, 2],
		'what nobody knows the day of has been there longest'
	);
	const ids = (units: number) => outOf(order, units).map((p) => [p.lot.id, p.units]);
	assert.deepEqual(ids(1.5), [
		[4, 1],
		[3, 0.5]
	]);
	assert.deepEqual(ids(9), [
		[4, 1],
		[3, 1],
		[1, 1],
		[5, 1],
		[2, 1]
	]);
	assert.deepEqual(
		outOf(of([lot(1, 5, { bestBefore: TODAY - 1 })]).lots, 1),
		[],
		'what is past is taken by nobody'
	);
});

test('cloth is cut in one, out of the shortest length that is long enough; a length that is not there is told', () => {
	const roll = (lots: StoredLot[]) => of(lots, { unit: 'm', widthMm: 1400 });
	const cloth = roll([
		lot(1, 0.4, { boughtOn: TODAY - 400 }),
		lot(2, 3, { boughtOn: TODAY - 300 }),
		lot(3, 1.2, { boughtOn: TODAY - 200 }),
		lot(4, 9, { bestBefore: TODAY - 1 })
	]);
	const ids = (m: Material, units: number) => cutOutOf(m, units).map((p) => [p.lot.id, p.units]);
	assert.deepEqual(ids(cloth, 1.1), [[3, 1.1]]);
	assert.deepEqual(ids(cloth, 1.2), [[3, 1.2]]);
	assert.deepEqual(ids(cloth, 2), [[2, 2]]);
	assert.deepEqual(
		ids(cloth, 3.5),
		[
			[1, 0.4],
			[2, 3],
			[3, 0.1]
		].map(([id, units]) => [id, units === 0.1 ? 3.5 - 0.4 - 3 : units]),
		'none is so long: one after the other'
	);
	const sheets = of([lot(1, 1), lot(2, 4)], { widthMm: 500, lengthMm: 1000 });
	assert.deepEqual(ids(sheets, 2), [
		[1, 1],
		[2, 1]
	]);
	assert.deepEqual(ids(cloth, 0), []);
	assert.equal(longestOfTooShort(cloth, 3, [], 0), null);
	assert.equal(longestOfTooShort(cloth, 3.2, [], 0), 3);
	const bought = [make.purchase(1, 1, { packs: 8, packSize: 0.5, state: 'arrived' })];
	assert.equal(longestOfTooShort(cloth, 3.2, bought, 4), null, 'four metres were cut for it in the shop');
	assert.equal(longestOfTooShort(cloth, 3.2, bought, 1), 3, 'three of them have been cut up since');
	assert.equal(longestOfTooShort(sheets, 30, [], 0), null, 'sheets are no lengths');
});

test('who comes first has what spoils first; nothing is promised twice', () => {
	const { lots } = of([lot(1, 3), lot(2, 2, { bestBefore: TODAY + 5 })]);
	const given = promisedLots(lots, [
		{ to: 'first', units: 1.5 },
		{ to: 'second', units: 2 },
		{ to: 'third', units: 9 }
	]);
	assert.deepEqual(given.get(2), [
		{ to: 'first', units: 1.5 },
		{ to: 'second', units: 0.5 }
	]);
	assert.deepEqual(given.get(1), [
		{ to: 'second', units: 1.5 },
		{ to: 'third', units: 1.5 }
	]);
});

test('of many seeded stashes each lot is given away once, and as much as is there', () => {
	for (let seed = 1; seed <= 200; seed++) {
		const random = seeded(seed);
		const { lots, stash } = of(
			Array.from({ length: 1 + Math.floor(random() * 5) }, (_, i) =>
				lot(i + 1, (1 + Math.floor(random() * 8)) / 2, {
					bestBefore: random() < 0.4 ? TODAY - 3 + Math.floor(random() * 9) : null
				})
			)
		);
		const asked = Array.from({ length: 4 }, (_, i) => ({ to: i, units: Math.floor(random() * 8) / 2 }));
		const given = promisedLots(lots, asked);
		for (const l of lots) {
			const sum = (given.get(l.id) ?? []).reduce((s, g) => s + g.units, 0);
			assert.ok(sum <= (l.good ? l.quantity : 0) + 1e-9, `seed ${seed}: lot ${l.id}`);
		}
		const all = [...given.values()].flat().reduce((s, g) => s + g.units, 0);
		const wanted = asked.reduce((s, a) => s + a.units, 0);
		assert.ok(Math.abs(all - Math.min(stash, wanted)) < 1e-9, `seed ${seed}`);
	}
});

test('a stock-take goes from place to place; what nobody has placed comes last', () => {
	const cloth = of([lot(1, 1, { place: 'Box 2' }), lot(2, 1)], { name: 'cloth', stashNote: 'chest' });
	const cord = { ...of([lot(3, 1, { place: 'box 2' }), lot(4, 1)], { name: 'braid' }), id: 2 };
	assert.deepEqual(
		byPlace([cloth, cord]).map((p) => [p.place, p.lots.map((l) => l.lot.id)]),
		[
			['Box 2', [3, 1]],
			['chest', [2]],
			['', [4]]
		]
	);
});

test('a stock-take: what is ticked or typed is counted, what is typed as another amount is otherwise', () => {
	const { lots } = of([lot(1, 2), lot(2, 0.3), lot(3, 1), lot(4, 5)]);
	const typed = new Map([
		[2, '0,3'],
		[3, ' 4 '],
		[4, '  ']
	]);
	assert.deepEqual(countedOf(lots, new Set([1]), typed), { counted: 3, of: 4, otherwise: 1 });
	assert.deepEqual(countedOf(lots, new Set(), new Map([[1, 'some']])), { counted: 1, of: 4, otherwise: 0 });
	assert.deepEqual(countedOf([], new Set([1]), typed), { counted: 0, of: 0, otherwise: 0 });
});

test('of a lot is free what is promised to nobody; a rounding is nothing, and past its day nothing is', () => {
	const good = { quantity: 0.3, good: true };
	assert.deepEqual(freeOf(good, [{ units: 0.1 }]), { given: 0.1, free: 0.3 - 0.1 });
	assert.equal(freeOf(good, [{ units: 0.1 }, { units: 0.2 }]).free, 0);
	assert.equal(freeOf({ quantity: 5, good: false }, []).free, 0);
});

test('the stash is worth the weighted average of its lots (weighted average cost, as IAS 2 has it)', () => {
	// 10 at 2.00 and 30 at 4.00: (20 + 120) ÷ 40 = 3.50 each.
	const two = [
		lot(1, 10, { packSize: 1, packPriceMinor: 200, currency: 'EUR' }),
		lot(2, 30, { packSize: 10, packPriceMinor: 4000, currency: 'EUR' })
	];
	assert.equal(stashUnitCost(of(two, { packPriceMinor: 900 })), 350);
	// One without a price goes by what its material costs today: (20 + 120 + 10 × 9.00) ÷ 50 = 4.60.
	assert.equal(stashUnitCost(of([...two, lot(3, 10)], { packPriceMinor: 900 })), 460);
	assert.equal(stashUnitCost(of([...two, lot(3, 10)], { packPriceMinor: null })), 350, 'or by the others');
	assert.equal(stashUnitCost(of([], { packPriceMinor: 900, packSize: 3 })), 300);
	assert.equal(stashUnitCost(of([lot(1, 2)], { packPriceMinor: null })), null);
	const priced = of(two, { packPriceMinor: 900 });
	assert.equal(costOfParts(outOf(priced.lots, 12), priced), 10 * 200 + 2 * 400);
	assert.equal(costOfParts(outOf(of([lot(1, 2)]).lots, 1), { packSize: 1, packPriceMinor: null }), null);
});

test('a lot that was paid in another currency is worth what the typed rate says', () => {
	const shop = make.workshop({ exchange: [{ id: 1, currency: 'USD', rate: 0.5, version: 1 }] });
	const dollars = [lot(1, 4, { packSize: 2, packPriceMinor: 1000, currency: 'USD' })];
	// 10 USD for two are 5 EUR for two: 2.50 EUR each.
	assert.equal(stashUnitCost(pricedIn(of(dollars), 'EUR', shop)), 250);
	assert.equal(
		stashUnitCost(pricedIn(of(dollars, { packPriceMinor: 700 }), 'EUR', make.workshop({}))),
		700,
		'without a rate nobody knows, and it goes by the price of today'
	);
});

/** Takes 4 of material 1, of which 5 were bought at 3.00 in packs of 5, and 3 are promised of a stash that cost 2.00 each. */
const record = (extra: Partial<Parameters<typeof make.record>[0]> = {}) => {
	const r = make.record({
		components: [make.component(1)],
		needs: [make.need(1, 1, 4)],
		...extra
	});
	return { ...r, costume: { ...r.costume, stashAtCost: true } };
};

test('what a costume takes of the stash costs what its lots cost, and what it gave to it is taken off', () => {
	const own = of([lot(1, 3, { packSize: 1, packPriceMinor: 200, currency: 'EUR' })], { packPriceMinor: 900 });
	const r = record();
	const shop = workshopFor(make.workshop({ materials: [own] }), r.costume, new Map([[1, 3]]));
	// Four are needed, three come out of the stash at 2.00, one is still to be bought at 9.00.
	const spend = spendOf(r, shop);
	assert.deepEqual([spend.stashMinor, spend.notListedMinor, spend.totalMinor], [600, 900, 1500]);
	// One of the four was cut before, and what it cost then is known: 1.23. Of the three left two are promised.
	const cut = record({ needs: [{ ...make.need(1, 1, 4), taken: 1, takenMinor: 123 }] });
	const two = workshopFor(make.workshop({ materials: [own] }), r.costume, new Map([[1, 2]]));
	assert.equal(spendOf(cut, two).stashMinor, 123 + 2 * 200);
	// Ten were bought for 30.00, six of them went to the stash: 18.00 of it.
	const gave = record({
		purchases: [
			make.purchase(1, 1, { packs: 2, packSize: 5, packPriceMinor: 1500, state: 'arrived', stashed: 6 })
		]
	});
	const none = workshopFor(make.workshop({ materials: [own] }), r.costume, new Map());
	const after = spendOf(gave, none);
	assert.deepEqual([after.paidMinor, after.stashMinor, after.totalMinor], [3000, -1800, 1200]);
	assert.deepEqual([...expectedByComponent(gave, none)], [[1, 1200]], 'shared out it comes to the same');
	const free = { ...gave, costume: { ...gave.costume, stashAtCost: false } };
	assert.equal(spendOf(free, none).totalMinor, 3000, 'where the stash is free, whole packs are paid for');
});

test('left over is what is here beyond all that asks for it; sheets are left over whole, what came last first', () => {
	const bought = [
		make.purchase(1, 1, { packs: 3, state: 'used', arrivedOn: TODAY - 9 }),
		make.purchase(2, 1, { packs: 3, state: 'arrived', arrivedOn: TODAY - 2 }),
		make.purchase(3, 1, { packs: 4, state: 'ordered' })
	];
	const shop = make.workshop({ materials: [make.material(1)] });
	const over = (quantity: number, taken = 0) =>
		leftovers(record({ needs: [{ ...make.need(1, 1, quantity), taken }], purchases: bought }), shop).map(
			(l) => l.units
		);
	// 6 are here: of 1.4 sheets 4.6 are over, 4 of them whole.
	assert.deepEqual(over(1.4), [4]);
	assert.deepEqual(
		outOfPurchases(bought, make.material(1), 4).map((p) => [p.purchase.id, p.units]),
		[
			[2, 3],
			[1, 1]
		]
	);
	// Two of the four needed were cut from the stash: two more are needed.
	assert.deepEqual(over(4, 2), [4]);
	assert.deepEqual(over(6), []);
	assert.deepEqual(over(9), [], 'what is on its way is not here');
	const roll = make.workshop({ materials: [make.material(1, { unit: 'm' })] });
	assert.ok(
		Math.abs(leftovers(record({ needs: [make.need(1, 1, 1.4)], purchases: bought }), roll)[0]!.units - 4.6) <
			1e-9
	);
});

test('soon past: within sixty days by its date; glue without one by what glue usually keeps', () => {
	const kind = (family: Material['family'], lots: StoredLot[]) => of(lots, { family });
	const days = (m: Material) => spoiling([m], TODAY).map((s) => [s.lot.id, s.left, s.usual]);
	assert.deepEqual(
		days(
			kind('foam', [
				lot(1, 1, { bestBefore: TODAY + 61 }),
				lot(2, 1, { bestBefore: TODAY + 60 }),
				lot(3, 1, { bestBefore: TODAY - 4 }),
				lot(4, 1, { boughtOn: TODAY - 4000 })
			])
		),
		[
			[3, -4, false],
			[2, 60, false]
		]
	);
	// Twelve months are 365 days.
	assert.deepEqual(
		days(
			kind('glue', [lot(1, 1, { boughtOn: TODAY - 365 }), lot(2, 1, { boughtOn: TODAY - 300 }), lot(3, 1)])
		),
		[[1, 0, true]]
	);
});

test('a lot that is past before the plan is done with it is told', () => {
	const glue = of([lot(1, 1, { bestBefore: TODAY + 3 }), lot(2, 1)], { family: 'glue' });
	// Cemented twice, and cut in between: the second time counts.
	const r = record({
		needs: [make.need(1, 1, 1)],
		steps: [
			make.step(7, 1, { technique: 'cement' }),
			make.step(8, 1, { technique: 'cement', position: 1 }),
			make.step(9, 1, { technique: 'cutFoam', position: 2 })
		]
	});
	const lines = shoppingLines(r, make.workshop({ materials: [{ ...glue, stash: 1 }] }));
	const its = (at: number, promised: [number, number][]) =>
		spoilsFirst(
			r,
			lines,
			new Map(promised),
			new Map([
				[7, 0],
				[8, at],
				[9, at + 90_000]
			])
		).map((s) => [s.lot.id, s.units, s.usedAt]);
	const lastDay = (TODAY + 3) * 1440 + 1200;
	assert.deepEqual(its(lastDay, [[1, 0.4]]), [], 'on its last day it is good');
	const dayAfter = lastDay + 1440;
	const both: [number, number][] = [
		[1, 0.4],
		[2, 1]
	];
	assert.deepEqual(its(dayAfter, both), [[1, 0.4, dayAfter]]);
	assert.deepEqual(its(dayAfter, [[2, 1]]), [], 'who is promised the other one has no trouble');
});
