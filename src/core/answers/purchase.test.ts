import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { choosePacks } from '../engines/purchase/choose.ts';
import { loadSolver } from '../engines/purchase/solver.ts';
import type { Solve } from '../engines/purchase/task.ts';
import type { Offer, Supplier } from '../facts/supplier.ts';
import { shared } from '../units/money.ts';
import { arrivalDay, orderByDay } from './leadTime.ts';
import { planCostume } from './plan.ts';
import { entriesOf } from './jointPurchase.ts';
import { laterToo, listLines, openPurchases, packsOf, purchaseTask, toBuy, wantsOf } from './purchase.ts';
import { boughtPacks, choosePurchase, isListed, parcelsOf, purchaseRows } from './purchaseChoice.ts';
import { shoppingLines } from './shopping.ts';
import { workshopFor } from './stash.ts';

let solve: Solve;
before(async () => {
	solve = await loadSolver();
});

const NOW = make.at('2031-04-28T09:00');
const supplier = (id: number, name: string, extra: Partial<Supplier> = {}): Supplier => ({
	id,
	name,
	currency: 'EUR',
	shippingMinor: 0,
	freeFromMinor: null,
	minOrderMinor: null,
	workingDays: [1, 2, 3, 4, 5],
	closed: [],
	note: '',
	version: 1,
	...extra
});
const offer = (id: number, materialId: number, supplierId: number, extra: Partial<Offer>): Offer => ({
	id,
	materialId,
	supplierId,
	packSize: 1,
	packPriceMinor: 1000,
	breaks: [],
	leadDays: 4,
	mostPacks: null,
	note: '',
	version: 1,
	...extra
});

const foam = make.material(1, {
	name: 'Foam',
	unit: 'sheet',
	packPriceMinor: 1290,
	supplier: 'north',
	leadDays: 4,
	leadWorkingDays: true
});
const glue = make.material(2, {
	name: 'Glue',
	unit: 'ml',
	packSize: 250,
	packPriceMinor: 700,
	supplier: 'North ',
	leadDays: 4,
	leadWorkingDays: true
});
const suppliers = [
	supplier(1, 'North', { shippingMinor: 590, freeFromMinor: 10_000, closed: [make.day('2031-05-01')] }),
	supplier(2, 'South', { currency: 'GBP', shippingMinor: 500 })
];
const offers = [
	offer(1, 1, 1, { packSize: 1, packPriceMinor: 1290, breaks: [{ from: 4, priceMinor: 1100 }] }),
	offer(2, 1, 2, { packSize: 2, packPriceMinor: 1000, leadDays: 9 })
];
const workshop = {
	...make.workshop(),
	materials: [foam, glue],
	suppliers,
	exchange: [{ id: 1, currency: 'GBP', rate: 1.25, version: 1 }]
};
const ALONE = { costumeId: 1, purchases: [] };
const record = make.record({
	components: [make.component(1)],
	steps: [make.step(1, 1, { amount: 60 })],
	needs: [make.need(1, 1, 3.2), make.need(1, 2, 300)]
});

test('worked by hand from needs to the list: packs in our money, the break, who is in time, shipping shared out', () => {
	const lines = shoppingLines(record, workshop);
	const { packs, unpriced } = packsOf(workshop.materials, offers, workshop, 'EUR');
	assert.deepEqual(unpriced, []);
	// £10.00 at 1.25.
	assert.equal(packs.find((p) => p.id === 'offer 2')!.priceMinor, 1250);
	// Wanted on Friday 9 May at eight in the morning: what comes at noon has to come on the 8th.
	const orders = [foam, glue].map((material) => ({ material, neededAt: make.at('2031-05-09T08:00') }));
	const task = (without: string[] = []) =>
		purchaseTask(wantsOf([{ ...ALONE, lines, orders }], []), packs, workshop, 'EUR', NOW, {
			aim: 'cheapest',
			without: new Set(without)
		});
	assert.deepEqual(task().needs, [
		{ id: '1', amount: 3.2, by: make.day('2031-05-08') },
		{ id: '2', amount: 300, by: make.day('2031-05-08') }
	]);
	// From the south two packs of two would be 2500 + 625, nine working days: 9 May. From the north four at the break are 4400, two of glue
	// 1400, sending 590.
	const chosen = choosePacks(task(), solve, 5);
	assert.deepEqual(
		chosen.buy.map((b) => [b.offer, b.packs, b.costMinor]),
		[
			['offer 1', 4, 4400],
			['usual 2', 2, 1400]
		]
	);
	assert.deepEqual([chosen.shippingMinor, chosen.totalMinor], [590, 6390]);
	const list = listLines(
		chosen.buy.map((b) => ({ pack: packs.find((p) => p.id === b.offer)!, packs: b.packs })),
		workshop,
		'EUR'
	);
	// 590 × 4400 / 5800 = 447.59 and 590 × 1400 / 5800 = 142.41: “North ” of the glue is the North that is known.
	assert.deepEqual(
		list.map((l) => [l.packPriceMinor, l.shippingMinor]),
		[
			[1100, 448],
			[700, 142]
		]
	);
	// Without what the north has, foam comes too late, and is told when it would come; taken all the same it is the south's.
	const south = task(['usual 1', 'offer 1']);
	const late = choosePacks(south, solve, 5);
	assert.deepEqual(late.short, [{ need: '1', why: 'tooLate', soonest: make.day('2031-05-09') }]);
	assert.equal(choosePacks(laterToo(south, late), solve, 5).totalMinor, 2 * 1250 + 625 + 1400 + 590);
});

test('worked by hand: what every other pack would cost more, what comes too late, what the last pack is for', () => {
	const lines = shoppingLines(record, workshop);
	const { packs } = packsOf(workshop.materials, offers, workshop, 'EUR');
	const orders = [foam, glue].map((material) => ({ material, neededAt: make.at('2031-05-09T08:00') }));
	const without = new Set<string>();
	const wants = wantsOf([{ ...ALONE, lines, orders }], []);
	const task = purchaseTask(wants, packs, workshop, 'EUR', NOW, { aim: 'cheapest', without });
	const told = [...choosePurchase(task, solve, 5)];
	const choice = told[told.length - 1]!;
	assert.equal(told[0]!.chosen.totalMinor, 6390, 'the choice comes first');
	// With a usual sheet three more are needed, 4 × 1290 = 5160 in place of 4400: the break is lost.
	assert.deepEqual(choice.dearer, [{ offer: 'usual 1', moreMinor: 760 }]);
	const [row, other] = purchaseRows(task, wants, choice, packs, without, suppliers);
	assert.deepEqual(
		row!.bought.map((b) => [b.pack.id, b.packs, b.costMinor, b.shares]),
		[['offer 1', 4, 4400, [{ costumeId: 1, units: 4, late: false }]]]
	);
	assert.ok(Math.abs(row!.over - 0.8) < 1e-9 && Math.abs(row!.last!.used - 0.2) < 1e-9);
	assert.equal(row!.last!.costMinor, 1100);
	assert.deepEqual(
		row!.others.map((o) => [o.pack.id, o.why, o.moreMinor, o.arrives]),
		[
			['usual 1', 'dearer', 760, make.day('2031-05-05')],
			['offer 2', 'tooLate', null, make.day('2031-05-09')]
		]
	);
	assert.deepEqual([other!.materialId, other!.over, other!.last], [2, 200, { used: 50, costMinor: 700 }]);
	const parcels = parcelsOf(choice.chosen.buy, packs, workshop, 'EUR');
	assert.deepEqual(
		parcels.map((p) => [p.supplier, p.goodsMinor, p.shippingMinor, p.arrives]),
		[['North', 5800, 590, make.day('2031-05-05')]]
	);
	const bought = boughtPacks(choice.chosen.buy, packs, wants);
	const entries = listLines(bought, workshop, 'EUR').flatMap((l, k) => entriesOf(l, bought[k]!.shares));
	const line = (extra: object) =>
		make.purchase(1, 1, {
			packs: 4,
			packSize: 1,
			packPriceMinor: 1100,
			shippingMinor: 448,
			supplier: 'NORTH',
			...extra
		});
	const two = make.purchase(9, 2, {
		packs: 2,
		packSize: 250,
		packPriceMinor: 700,
		shippingMinor: 142,
		supplier: 'North'
	});
	const another = make.purchase(10, 7, { packs: 5 });
	assert.ok(isListed(entries, [two, line({}), another]), 'of what is not chosen nothing is said');
	for (const other of [
		{ packs: 3 },
		{ packSize: 2 },
		{ packPriceMinor: 1290 },
		{ shippingMinor: 0 },
		{ supplier: 'South' }
	])
		assert.ok(!isListed(entries, [two, line(other)]), JSON.stringify(other));
	assert.ok(!isListed(entries, [two]));
});

test('what is on the list may be bought otherwise, what was ordered, marked or is for one component may not', () => {
	const short = (purchases: Parameters<typeof make.purchase>[2][]) => {
		const its = purchases.map((p, k) => make.purchase(k + 1, 1, p));
		const line = shoppingLines({ ...record, purchases: its }, workshop).find((l) => l.material.id === 1)!;
		const open = openPurchases([{ costumeId: 1, purchases: its }], []);
		return Math.round(1000 * toBuy(line, open)) / 1000;
	};
	assert.equal(short([]), 3.2);
	assert.equal(short([{ packs: 4 }]), 3.2);
	assert.equal(short([{ packs: 1 }]), 3.2);
	assert.equal(short([{ packs: 1, state: 'ordered' }]), 2.2);
	assert.equal(short([{ packs: 1, packSize: 2, state: 'ordered' }, { packs: 5 }]), 1.2);
	assert.equal(short([{ packs: 2, note: 'the blue one' }]), 1.2);
	assert.equal(short([{ packs: 2, componentId: 1 }]), 1.2);
	assert.equal(short([{ packs: 4, state: 'arrived' }, { packs: 1 }]), 0);
});

test('a pack without a price, or in a currency without a rate, is told and not taken for nothing', () => {
	const { packs, unpriced } = packsOf(
		[{ ...foam, packPriceMinor: null }],
		offers,
		{ ...workshop, exchange: [] },
		'EUR'
	);
	assert.deepEqual(
		packs.map((p) => p.id),
		['offer 1']
	);
	assert.deepEqual(unpriced, [
		{ materialId: 1, supplier: 'north' },
		{ materialId: 1, supplier: 'South' }
	]);
	// What its supplier asks for sending is in pounds, for which there is no rate: it is not nothing.
	const southern = packsOf([{ ...foam, supplier: 'South' }], [], { ...workshop, exchange: [] }, 'EUR');
	assert.deepEqual([southern.packs, southern.unpriced], [[], [{ materialId: 1, supplier: 'South' }]]);
	// Of a supplier who is not known yet, nothing can be said.
	assert.deepEqual(
		packsOf([foam], [offer(9, 1, 77, {})], workshop, 'EUR').packs.map((p) => p.id),
		['usual 1']
	);
});

test('closed days and working days of a supplier count where it is planned with, as where it is chosen', () => {
	// Ordered on Monday 28 April, four working days, 1 May closed: Monday 5 May.
	const plan = planCostume(record, workshopFor(workshop, record.costume, new Map()), NOW, new Map());
	const order = plan.orders.find((o) => o.material.id === 1)!;
	assert.equal(order.usableFrom, make.at('2031-05-05T12:00'));
	const purchases = [
		make.purchase(1, 1, { packs: 4, supplier: 'NORTH', leadDays: 4, leadWorkingDays: true })
	];
	const bought = planCostume({ ...record, purchases }, workshop, NOW, new Map());
	assert.equal(bought.orders.find((o) => o.material.id === 1)!.usableFrom, make.at('2031-05-05T12:00'));
	const sends = { workingDays: [1, 2, 3, 4, 5], closed: [make.day('2031-05-01')] };
	const lead = { leadDays: 4, leadWorkingDays: true, sends };
	assert.equal(arrivalDay(make.day('2031-04-28'), lead), make.day('2031-05-05'));
	assert.equal(
		arrivalDay(make.day('2031-04-28'), { ...lead, leadWorkingDays: false }),
		make.day('2031-05-02')
	);
	assert.equal(orderByDay(make.at('2031-05-05T12:00'), lead), make.day('2031-04-28'));
	assert.equal(orderByDay(make.at('2031-05-05T11:59'), lead), make.day('2031-04-27'));
});

test('money is shared out by the largest remainder: to the last coin, none off by one', () => {
	assert.deepEqual(shared(100, [1, 1, 1]), [34, 33, 33]);
	assert.deepEqual(shared(590, [4400, 1400]), [448, 142]);
	assert.deepEqual(shared(7, [0, 0]), [4, 3]);
	assert.deepEqual(shared(0, [5, 1]), [0, 0]);
	// Seats of the House of Representatives by the census of 1790, by Hamilton's method as Balinski and Young, “Fair Representation” (1982),
	// give it: 120 seats among fifteen states.
	const census = [
		630_560, 475_327, 433_373, 353_523, 331_589, 278_514, 236_841, 206_236, 179_570, 141_822, 85_533, 70_835,
		68_705, 68_446, 55_540
	];
	assert.deepEqual(shared(120, census), [21, 16, 14, 12, 11, 9, 8, 7, 6, 5, 3, 2, 2, 2, 2]);
});
