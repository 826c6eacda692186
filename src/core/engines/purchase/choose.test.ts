import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import { addBusinessDays, isSameDay } from 'date-fns';
import { randomPurchase } from '$tests/support/purchases.ts';
import { choosePacks } from './choose.ts';
import { packPrice } from './offered.ts';
import { loadSolver } from './solver.ts';
import type { Aim, PackOffer, PackTask, Solve } from './task.ts';
import { MONDAY_TO_FRIDAY, workingDaysAfter } from '../../facts/workingDays.ts';

let solve: Solve;
before(async () => {
	solve = await loadSolver();
});

const DAY = 86_400_000;
const day = (text: string) => Date.parse(text) / DAY;

/** The best of all purchases there are, by trying every number of packs of every offer. Written apart from what it checks. */
function byExhaustion(task: PackTask): { total: number; parcels: number; last: number } | null {
	const arrives = (o: PackOffer) =>
		workingDaysAfter(
			task.start,
			o.leadDays,
			task.suppliers.find((s) => s.id === o.supplier)!
		)!;
	const usable = task.offers.filter((o) => {
		const { by } = task.needs.find((n) => n.id === o.need)!;
		return by === null || arrives(o) <= by;
	});
	let best: { total: number; parcels: number; last: number } | null = null;
	const better = (a: { total: number; parcels: number; last: number }) =>
		!best ||
		(task.aim === 'soonest' && a.last !== best.last
			? a.last < best.last
			: task.aim === 'fewest' && a.parcels !== best.parcels
				? a.parcels < best.parcels
				: a.total < best.total);
	const counts = usable.map(() => 0);
	const look = (k: number): void => {
		if (k < usable.length) {
			for (counts[k] = 0; counts[k]! <= usable[k]!.max!; counts[k]!++) look(k + 1);
			return;
		}
		for (const n of task.needs)
			for (const { amount, by } of [...(n.sooner ?? []), n])
				if (
					usable.reduce(
						(sum, o, i) =>
							sum + (o.need === n.id && (by === null || arrives(o) <= by) ? counts[i]! * o.amount : 0),
						0
					) < amount
				)
					return;
		let total = 0;
		let parcels = 0;
		for (const s of task.suppliers) {
			const its = usable.flatMap((o, i) =>
				o.supplier === s.id && counts[i]! > 0 ? [[o, counts[i]!] as const] : []
			);
			if (its.length === 0) continue;
			const goods = its.reduce(
				(sum, [o, c]) =>
					sum + c * (o.breaks[0] && c >= o.breaks[0].from ? o.breaks[0].priceMinor : o.priceMinor),
				0
			);
			if (goods < (s.minOrderMinor ?? 0)) return;
			parcels++;
			total += goods + (s.freeFromMinor !== null && goods >= s.freeFromMinor ? 0 : s.shippingMinor);
		}
		const last = Math.max(...usable.flatMap((o, i) => (counts[i]! > 0 ? [arrives(o)] : [])));
		if (better({ total, parcels, last })) best = { total, parcels, last };
	};
	look(0);
	return best;
}

/** The same with half of each need wanted some days before the rest. */
const halfSooner = (task: PackTask): PackTask => ({
	...task,
	needs: task.needs.map((n, k) => ({
		...n,
		sooner: [{ amount: n.amount / 2, by: Math.min((n.by ?? Infinity) - 1, task.start + 3 + k) }]
	}))
});

const small = (seed: number): PackTask => {
	const needs = 1 + (seed % 2);
	const task = randomPurchase(seed, needs, needs === 1 ? 4 : 2, 2, needs === 1 ? 5 : 4);
	return { ...task, aim: (['cheapest', 'soonest', 'fewest'] as Aim[])[seed % 3]! };
};

test('no purchase of 300 small ones is better than the chosen one, by trying all that there are', () =>
	noneIsBetter(small));

test('nor of 300 of which a part is wanted sooner than the rest', () =>
	noneIsBetter((seed) => halfSooner(small(seed))));

function noneIsBetter(taskOf: (seed: number) => PackTask): void {
	let [compared, withShort] = [0, 0];
	for (let seed = 1; seed <= 300; seed++) {
		const task = taskOf(seed);
		const chosen = choosePacks(task, solve, 5);
		const said = `seed ${seed}, ${task.aim}`;
		assert.ok(chosen.proved, said);
		const open = task.needs.filter((n) => !chosen.short.some((s) => s.need === n.id));
		withShort += Number(open.length < task.needs.length);
		if (open.length === 0) {
			assert.deepEqual(chosen.buy, [], said);
			continue;
		}
		const best = byExhaustion({
			...task,
			needs: open,
			offers: task.offers.filter((o) => open.some((n) => n.id === o.need))
		});
		assert.ok(best, said);
		compared++;
		assert.equal(chosen.totalMinor, best.total, said);
		if (task.aim === 'fewest') assert.equal(chosen.parcels, best.parcels, said);
		if (task.aim === 'soonest') assert.equal(Math.max(...chosen.buy.map((b) => b.arrives)), best.last, said);
		// What is short is so whatever is bought: a need by itself has no purchase at all.
		for (const s of chosen.short) {
			const alone = {
				...task,
				needs: task.needs.filter((n) => n.id === s.need),
				offers: task.offers.filter((o) => o.need === s.need)
			};
			assert.equal(byExhaustion(alone), null, said);
		}
	}
	assert.ok(compared > 200 && withShort > 20, `${compared} compared, ${withShort} with a short need`);
}

test('worked by hand: what is wanted sooner is bought from whoever is quick, and the rest where it is cheap', () => {
	const offer = { need: 'ml', supplier: 's', breaks: [], max: null };
	const task: PackTask = {
		start: day('2031-04-28'),
		aim: 'cheapest',
		needs: [{ id: 'ml', amount: 18, by: day('2031-06-02'), sooner: [{ amount: 6, by: day('2031-05-07') }] }],
		offers: [
			{ ...offer, id: 'quick', amount: 10, priceMinor: 900, leadDays: 4 },
			{ ...offer, id: 'cheap', amount: 10, priceMinor: 500, leadDays: 9 }
		],
		suppliers: [{ id: 's', ...MONDAY_TO_FRIDAY, shippingMinor: 0, freeFromMinor: null, minOrderMinor: null }]
	};
	assert.deepEqual(
		choosePacks(task, solve, 5).buy.map((b) => [b.offer, b.packs]),
		[
			['quick', 1],
			['cheap', 1]
		]
	);
	// Without the quick one the first six come on the day of all others: it is said, and which part of it.
	const [short] = choosePacks({ ...task, offers: [task.offers[1]!] }, solve, 5).short;
	const ninth = day('2031-05-09');
	assert.deepEqual(short, { need: 'ml', why: 'tooLate', soonest: ninth, sooner: [ninth] });
});

test('packs of two sizes make every amount from (a − 1)(b − 1) on exactly, and not the one before (Sylvester 1884)', () => {
	const task = (a: number, b: number, amount: number): PackTask => ({
		start: 0,
		aim: 'cheapest',
		needs: [{ id: 'n', amount, by: null }],
		// A unit costs the same in either: the money is what was bought.
		offers: [a, b].map((size) => ({
			id: `${size}`,
			need: 'n',
			supplier: 's',
			amount: size,
			priceMinor: 100 * size,
			breaks: [],
			leadDays: 1,
			max: null
		})),
		suppliers: [{ id: 's', ...MONDAY_TO_FRIDAY, shippingMinor: 0, freeFromMinor: null, minOrderMinor: null }]
	});
	for (const [a, b] of [
		[3, 5],
		[4, 9],
		[7, 11],
		[8, 15],
		[11, 13]
	] as const) {
		const frobenius = a * b - a - b;
		const short = choosePacks(task(a, b, frobenius), solve, 5);
		assert.deepEqual([short.goodsMinor, short.over[0]!.amount], [100 * (frobenius + 1), 1]);
		for (let n = frobenius + 1; n <= frobenius + a; n++) {
			const exact = choosePacks(task(a, b, n), solve, 5);
			assert.deepEqual([exact.goodsMinor, exact.over, exact.proved], [100 * n, [], true]);
		}
	}
});

test('worked by hand: shipping that is saved, a break that is worth a pack too many, one parcel for two needs', () => {
	const supplier = { ...MONDAY_TO_FRIDAY, minOrderMinor: null };
	const task: PackTask = {
		start: day('2031-04-28'),
		aim: 'cheapest',
		needs: [
			{ id: 'foam', amount: 3.2, by: day('2031-05-07') },
			{ id: 'glue', amount: 1, by: null }
		],
		offers: [
			{
				id: 'a',
				need: 'foam',
				supplier: 'north',
				amount: 1,
				priceMinor: 1290,
				breaks: [{ from: 5, priceMinor: 990 }],
				leadDays: 4,
				max: 10
			},
			{
				id: 'b',
				need: 'foam',
				supplier: 'south',
				amount: 2,
				priceMinor: 2100,
				breaks: [],
				leadDays: 9,
				max: null
			},
			{
				id: 'c',
				need: 'glue',
				supplier: 'north',
				amount: 1,
				priceMinor: 700,
				breaks: [],
				leadDays: 4,
				max: null
			},
			{
				id: 'd',
				need: 'glue',
				supplier: 'south',
				amount: 1,
				priceMinor: 400,
				breaks: [],
				leadDays: 0,
				max: null
			}
		],
		suppliers: [
			{ id: 'north', ...supplier, shippingMinor: 590, freeFromMinor: 5600, closed: [day('2031-05-01')] },
			{ id: 'south', ...supplier, shippingMinor: 450, freeFromMinor: null }
		]
	};
	// Two of b (4200) would be cheapest, and come on 9 May, two days late. Five of a at 990 (4950) beat four at 1290 (5160); with the glue
	// from north (700) they come to 5650: sent for nothing, where glue from south would cost 400 + 450 + 590.
	const chosen = choosePacks(task, solve, 5);
	assert.deepEqual(chosen.buy, [
		{ offer: 'a', packs: 5, costMinor: 4950, arrives: day('2031-05-05') },
		{ offer: 'c', packs: 1, costMinor: 700, arrives: day('2031-05-05') }
	]);
	assert.deepEqual([chosen.totalMinor, chosen.shippingMinor, chosen.parcels], [5650, 0, 1]);
	assert.deepEqual(chosen.over, [{ need: 'foam', amount: 1.8 }]);
	// Whoever wants b all the same has it where it is in time.
	const later = { ...task, needs: task.needs.map((n) => ({ ...n, by: null })) };
	assert.deepEqual(choosePacks(later, solve, 5).totalMinor, 2 * 2100 + 400 + 450);
	const wanted = task.offers.map((o) => (o.id === 'd' ? { ...o, least: 1 } : o));
	assert.equal(choosePacks({ ...task, offers: wanted }, solve, 5).totalMinor, 4950 + 590 + 400 + 450);
	// Without a, what is short says when it could be here: nine working days from 28 April, none closed in the south.
	const without = choosePacks({ ...task, offers: task.offers.filter((o) => o.id !== 'a') }, solve, 5);
	assert.deepEqual(without.short, [{ need: 'foam', why: 'tooLate', soonest: day('2031-05-09') }]);
	assert.equal(without.totalMinor, 850);
});

test('the price that holds is that of the last break which is reached', () => {
	const offer = {
		priceMinor: 500,
		breaks: [
			{ from: 10, priceMinor: 300 },
			{ from: 5, priceMinor: 400 }
		]
	};
	assert.deepEqual(
		[1, 4, 5, 9, 10, 99].map((n) => packPrice(offer, n)),
		[500, 500, 400, 400, 300, 300]
	);
});

test('working days: as date-fns counts them, and past the closing days of the euro area’s payments', () => {
	for (let start = day('2031-01-01'); start < day('2031-03-01'); start++)
		for (const count of [1, 2, 5, 11]) {
			const local = new Date(new Date(start * DAY).toISOString().slice(0, 10) + 'T12:00');
			const theirs = addBusinessDays(local, count);
			const ours = new Date(
				new Date(workingDaysAfter(start, count, MONDAY_TO_FRIDAY)! * DAY).toISOString().slice(0, 10) +
					'T12:00'
			);
			assert.ok(isSameDay(ours, theirs), `${start} + ${count}`);
		}
	// TARGET closing days (European Central Bank, from memory): New Year, Good Friday, Easter Monday, 1 May, 25 and 26 December.
	const closed = ['2031-01-01', '2031-04-11', '2031-04-14', '2031-05-01', '2031-12-25', '2031-12-26'].map(
		day
	);
	const bank = { ...MONDAY_TO_FRIDAY, closed };
	assert.equal(workingDaysAfter(day('2031-04-10'), 3, bank), day('2031-04-17'));
	assert.equal(workingDaysAfter(day('2031-04-28'), 4, bank), day('2031-05-05'));
	assert.equal(workingDaysAfter(day('2031-12-24'), 1, bank), day('2031-12-29'));
	assert.equal(workingDaysAfter(day('2031-04-11'), 0, bank), day('2031-04-11'), 'bought on the day');
	assert.equal(workingDaysAfter(0, 1, { workingDays: [] }), null, 'never');
	// Closed for two years, and then open again: 2 January 1972 is a Sunday.
	const years = Array.from({ length: 731 }, (_, k) => k);
	assert.equal(workingDaysAfter(0, 1, { ...MONDAY_TO_FRIDAY, closed: years }), day('1972-01-03'));
});
