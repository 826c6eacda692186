import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { seeded } from '$tests/support/planCases.ts';
import { choosePacks } from '../engines/purchase/choose.ts';
import { loadSolver } from '../engines/purchase/solver.ts';
import type { PackTask, Solve } from '../engines/purchase/task.ts';
import { wholeOf, type JointPurchase } from '../facts/jointPurchase.ts';
import { purchaseCost } from '../facts/material.ts';
import { entriesOf, partOfShares, sharedMoney, sharesOf } from './jointPurchase.ts';
import {
	laterToo,
	listLines,
	openPurchases,
	packsOf,
	purchaseTask,
	sharedBeyond,
	wantsOf,
	type Want
} from './purchase.ts';
import { boughtPacks, choosePurchase, isListed } from './purchaseChoice.ts';
import { valueOf } from '../explain/figure.ts';
import { savedFigure, shareFigure } from '../explain/purchase.ts';
import { shoppingLines } from './shopping.ts';
import { spendOf } from './spend.ts';

let solve: Solve;
before(async () => {
	solve = await loadSolver();
});

const NOW = make.at('2031-04-28T09:00');
const paint = make.material(1, {
	name: 'Black paint',
	unit: 'ml',
	packSize: 100,
	packPriceMinor: 999,
	supplier: 'North',
	leadDays: 4,
	leadWorkingDays: true
});
const workshop = {
	...make.workshop(),
	materials: [paint],
	suppliers: [
		{
			workingDays: [1, 2, 3, 4, 5],
			closed: [],
			id: 1,
			name: 'North',
			currency: 'EUR',
			shippingMinor: 500,
			freeFromMinor: null,
			minOrderMinor: null,
			note: '',
			version: 1
		}
	]
};
/** A costume that takes so many ml of it, and whose first step needs it at such a time. */
const wearing = (id: number, ml: number, at: string) => {
	const record = make.record({
		costume: { ...make.record({}).costume, id },
		components: [make.component(1)],
		steps: [make.step(1, 1, { amount: 60 })],
		needs: [make.need(1, 1, ml)]
	});
	return { record, costumeId: id, orders: [{ material: paint, neededAt: make.at(at) }] };
};

test('worked by hand: one tin for two costumes, each with its part of the price and of the sending, what is over with the larger', () => {
	// 30 and 110 ml: two tins of 100 hold 140 and 60 over; bought apart it were one and two.
	const two = [wearing(1, 30, '2031-05-20T12:00'), wearing(2, 110, '2031-05-09T12:00')];
	const buyers = two.map(({ record, ...b }) => ({
		...b,
		lines: shoppingLines(record, workshop),
		purchases: []
	}));
	const wants = wantsOf(buyers, []);
	const { packs } = packsOf([paint], [], workshop, 'EUR');
	const task = purchaseTask(wants, packs, workshop, 'EUR', NOW, { aim: 'cheapest', without: new Set() });
	assert.deepEqual(task.needs, [
		{
			id: '1',
			amount: 140,
			by: make.day('2031-05-20'),
			sooner: [{ amount: 110, by: make.day('2031-05-09') }]
		}
	]);
	const chosen = choosePacks(task, solve, 5);
	const bought = boughtPacks(chosen.buy, packs, wants);
	assert.deepEqual(
		bought.map((b) => [b.packs, b.shares]),
		[
			[
				2,
				[
					{ costumeId: 2, units: 170, late: false },
					{ costumeId: 1, units: 30, late: false }
				]
			]
		]
	);
	// By each apart one tin and 5.00, and two and 5.00: 14.99 and 24.98.
	const taskOf = (id: number) =>
		purchaseTask(
			wants.filter((w) => w.costumeId === id),
			packs,
			workshop,
			'EUR',
			NOW,
			{
				aim: 'cheapest',
				without: new Set()
			}
		);
	const told = [...choosePurchase(task, solve, 5, [taskOf(1), taskOf(2)])].at(-1)!;
	assert.deepEqual([told.apartMinor, told.chosen.totalMinor], [3997, 2498]);
	assert.equal(valueOf(savedFigure(told.apartMinor!, 2498, 'EUR')), 1499);
	const [line] = listLines(bought, workshop, 'EUR');
	const entries = entriesOf(line!, bought[0]!.shares);
	// 1998 × 170 / 200 = 1698.3 and 299.7; 500 × 170 / 200 = 425 and 75.
	assert.deepEqual(
		entries.map((e) => [e.costumeId, e.packs, e.packSize, e.packPriceMinor, e.shippingMinor, e.joint]),
		[
			[2, 1, 170, 1698, 425, true],
			[1, 1, 30, 300, 75, true]
		]
	);
	assert.deepEqual(
		[2, 1].map((id) =>
			valueOf(
				shareFigure(
					'',
					entries.filter((e) => e.costumeId === id),
					() => 'paint',
					'EUR'
				)
			)
		),
		[2123, 375]
	);
	// On their lists, each costume has enough, pays its part, and nothing is short; together it is what the parcel costs.
	const rows = entries.map((e, k) =>
		make.purchase(k + 1, 1, { ...e, jointId: 7, costumeId: e.costumeId, supplier: 'North' })
	);
	const spent = two.map(({ record, costumeId }) => {
		const its = { ...record, purchases: rows.filter((p) => p.costumeId === costumeId) };
		const [line] = shoppingLines(its, workshop);
		assert.deepEqual([line!.short, line!.over], [0, costumeId === 2 ? 60 : 0]);
		return spendOf(its, workshop).totalMinor;
	});
	assert.deepEqual(spent, [375, 2123]);
	assert.equal(spent[0]! + spent[1]!, chosen.totalMinor);

	// It may be bought otherwise only by both; then it says what it said.
	const joint: JointPurchase = {
		id: 7,
		packs: 2,
		packSize: 100,
		packPriceMinor: 999,
		shippingMinor: 500,
		shares: rows.map((p) => ({ purchaseId: p.id, costumeId: p.costumeId, costume: '', units: p.packSize! }))
	};
	const listed = buyers.map((b) => ({ ...b, purchases: rows.filter((p) => p.costumeId === b.costumeId) }));
	const whole = wholeOf(rows[1]!, [joint]);
	assert.equal(purchaseCost(whole), chosen.totalMinor, 'ordered and paid for as a whole');
	const own = make.purchase(9, 1, { costumeId: 1 });
	const one = { ...listed[0]!, purchases: [...listed[0]!.purchases, own] };
	assert.deepEqual(openPurchases([one], [joint]), [], 'its parcels are of both');
	assert.deepEqual(
		sharedBeyond(one, [one], [joint]).map((j) => j.id),
		[7]
	);
	assert.equal(openPurchases([one, listed[1]!], [joint]).length, 3);
	const open = openPurchases(listed, [joint]);
	assert.equal(open.length, 2);
	assert.ok(isListed(entries, open));
	assert.ok(!isListed(entries, [open[0]!, { ...open[1]!, jointId: null }]));
	const again = two.map(({ record, ...b }, k) => {
		const { purchases } = listed[k]!;
		return { ...b, purchases, lines: shoppingLines({ ...record, purchases }, workshop) };
	});
	assert.deepEqual(
		wantsOf(again, open).map((w) => Math.round(w.amount)),
		[30, 110]
	);
});

test('worked by hand: what comes first goes to whoever wants it first, and who waits too long is told apart', () => {
	const pack = { materialId: 1, packSize: 10 };
	const wants: Want[] = [
		{ costumeId: 1, materialId: 1, amount: 12, by: null },
		{ costumeId: 2, materialId: 1, amount: 6, by: 105 },
		{ costumeId: 3, materialId: 2, amount: 5, by: 1 }
	];
	const shares = sharesOf(
		[
			{ pack, packs: 1, arrives: 109 },
			{ pack, packs: 1, arrives: 104 },
			{ pack: { materialId: 2, packSize: 8 }, packs: 1, arrives: 3 }
		],
		wants
	);
	assert.deepEqual(shares, [
		[{ costumeId: 1, units: 10, late: false }],
		[
			{ costumeId: 2, units: 6, late: false },
			{ costumeId: 1, units: 4, late: false }
		],
		[{ costumeId: 3, units: 8, late: true }]
	]);
	// A pack that nobody needs any more, bought to fill a parcel, is whoever's who wants the first of it.
	const filled = sharesOf(
		[
			{ pack, packs: 2, arrives: 104 },
			{ pack, packs: 1, arrives: 109 }
		],
		wants
	);
	assert.deepEqual(filled[1], [{ costumeId: 2, units: 10, late: false }]);
});

test('of 150 random purchases for up to five costumes every unit and every coin has one owner, and who can be in time is', () => {
	for (let seed = 1; seed <= 150; seed++) {
		const random = seeded(seed);
		const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
		const wants: Want[] = Array.from({ length: whole(1, 5) }, (_, k) => ({
			costumeId: k + 1,
			materialId: 1,
			amount: whole(1, 60) / 10,
			by: random() < 0.3 ? null : whole(101, 108)
		}));
		const asked = purchaseTask(
			wants,
			[0, 1, 2].map((k) => ({
				id: `o${k}`,
				materialId: 1,
				supplier: 'S',
				packSize: whole(1, 9) / 2,
				priceMinor: whole(1, 2000),
				breaks: [],
				leadDays: whole(0, 8),
				leadWorkingDays: false,
				mostPacks: null,
				note: ''
			})),
			workshop,
			'EUR',
			100 * 1440,
			{ aim: 'cheapest', without: new Set() }
		);
		const inTime = choosePacks(asked, solve, 5);
		const task: PackTask = inTime.short.length ? laterToo(asked, inTime) : asked;
		const { buy, goodsMinor } = choosePacks(task, solve, 5);
		const bought = buy.map((b) => {
			const o = task.offers.find((o) => o.id === b.offer)!;
			return { ...b, pack: { materialId: 1, packSize: o.amount } };
		});
		const shares = sharesOf(bought, wants);
		for (const [k, b] of bought.entries()) {
			const units = shares[k]!.reduce((sum, s) => sum + s.units, 0);
			assert.ok(Math.abs(units - b.packs * b.pack.packSize) < 1e-9, `seed ${seed}`);
			assert.ok(shares[k]!.every((s) => s.units > 0));
			if (inTime.short.length === 0)
				assert.ok(
					shares[k]!.every((s) => !s.late),
					`seed ${seed} is late`
				);
		}
		for (const w of wants) {
			const has = shares.flat().reduce((sum, s) => sum + (s.costumeId === w.costumeId ? s.units : 0), 0);
			assert.ok(has >= w.amount - 1e-9, `seed ${seed}, costume ${w.costumeId}`);
		}
		const money = bought.flatMap((b, k) =>
			sharedMoney(
				shares[k]!.map((s) => s.units),
				b.costMinor,
				whole(0, 500)
			)
		);
		assert.equal(
			money.reduce((sum, m) => sum + m.packPriceMinor!, 0),
			goodsMinor
		);
	}
});

test('worked by hand: of three packs of ten one came; who is first has its eight, the next two of its twelve', () => {
	const share = (units: number) => make.purchase(1, 1, { packs: 1, packSize: units, state: 'ordered' });
	assert.deepEqual(partOfShares([share(8), share(12), share(10)], 10), [
		{ came: 8, rest: 0 },
		{ came: 2, rest: 10 },
		{ came: 0, rest: 10 }
	]);
});
