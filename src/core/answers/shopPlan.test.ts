import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '$tests/support/planCases.ts';
import * as make from '$tests/support/record.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { keepSame } from '../facts/workshop.ts';
import { ShopPlan, type ToPlan } from './shopPlan.ts';

const NOW = make.at('2031-04-28T18:00');
const costume = (id: number, random: () => number): ToPlan => {
	const r = make.record({
		components: [make.component(id * 10)],
		steps: Array.from({ length: 4 }, (_, i) =>
			make.step(id * 100 + i, id * 10, { position: i, amount: 20 + Math.floor(random() * 200) })
		)
	});
	const record: CostumeRecord = {
		...r,
		costume: { ...r.costume, id, eventAt: NOW + (5 + Math.floor(random() * 60)) * 1440 }
	};
	return { record, stamp: '1', promised: new Map() };
};
const plansOf = (shop: ShopPlan, costumes: readonly ToPlan[], workshop = make.workshop(), now = NOW) => [
	...shop.plan(workshop, costumes, now)
];

test('after any seeded row of changes the kept plans are those that planning all anew makes', () => {
	for (let seed = 1; seed <= 30; seed++) {
		const random = seeded(seed);
		const shop = new ShopPlan();
		let costumes = Array.from({ length: 5 }, (_, i) => costume(i + 1, random));
		let now = NOW;
		let workshop = make.workshop();
		for (let turn = 0; turn < 8; turn++) {
			const kept = plansOf(shop, costumes, workshop, now);
			const anew = plansOf(new ShopPlan(), costumes, workshop, now);
			assert.deepEqual(
				kept.map((k) => [k.id, k.plan]),
				anew.map((k) => [k.id, k.plan]),
				`seed ${seed}, turn ${turn}`
			);
			const what = random();
			if (what < 0.5) {
				const i = Math.floor(random() * costumes.length);
				costumes = costumes.map((c, k) =>
					k === i ? { ...costume(c.record.costume.id, random), stamp: `${turn} ${seed}` } : c
				);
			} else if (what < 0.7) now += 5;
			else if (what < 0.85) costumes = costumes.slice(1);
			else workshop = { ...workshop, rates: { other: [1, 1 + random(), 3] } };
		}
	}
});

test('a later costume’s change plans it alone; an earlier one’s moves those behind it', () => {
	const random = seeded(3);
	const sorted = [1, 2, 3].map((id) => costume(id, random));
	sorted.forEach((c, i) => (c.record.costume.eventAt = NOW + (10 + i) * 1440));
	const shop = new ShopPlan();
	const workshop = make.workshop();
	const anew = (costumes: readonly ToPlan[], of = workshop) =>
		plansOf(shop, costumes, of)
			.filter((p) => p.anew)
			.map((p) => p.id);
	assert.deepEqual(anew(sorted), [1, 2, 3]);
	assert.deepEqual(anew(sorted), []);
	const longer = (i: number) =>
		sorted.map((c, k) =>
			k === i
				? {
						...c,
						stamp: `longer ${i}`,
						record: { ...c.record, steps: c.record.steps.map((s) => ({ ...s, amount: s.amount + 30 })) }
					}
				: c
		);
	assert.deepEqual(anew(longer(2)), [3]);
	assert.deepEqual(anew(sorted), [3]);
	assert.deepEqual(anew(longer(0)), [1, 2, 3]);
	anew(sorted);
	assert.deepEqual(
		anew(sorted, keepSame(workshop, structuredClone(workshop))),
		[],
		'the same workshop, read again'
	);
	assert.deepEqual(
		anew(sorted, { ...workshop, rates: { press: [1, 2, 3] } }),
		[],
		'a rate that nobody works by'
	);
});

const DAY = 1440;
/** Two costumes of an hour's work, with events so many days on. */
const two = (first: number, second: number, extra: Partial<CostumeRecord>[] = [{}, {}]): ToPlan[] =>
	[first, second].map((days, i) => {
		const id = i + 1;
		const r = make.record({
			components: [make.component(id * 10)],
			steps: [make.step(id * 100, id * 10, { amount: 60 })]
		});
		const record = { ...r, ...extra[i], costume: { ...r.costume, id, eventAt: NOW + days * DAY + i * 60 } };
		return { record, stamp: '1', promised: new Map() };
	});
const startOf = (costumes: ToPlan[], id: number) =>
	plansOf(new ShopPlan(), costumes).find((p) => p.id === id)!.plan.schedule.steps[0]!.start;

test('on the same day the maker says whose hours come first; an earlier event is first whatever is said', () => {
	const day = two(20, 20);
	// Monday 18:00 to 21:00: the first has the first hour.
	assert.deepEqual([startOf(day, 1), startOf(day, 2)], [NOW, NOW + 60]);
	const turned = day.map((c, i) => ({
		...c,
		record: { ...c.record, costume: { ...c.record.costume, hoursTurn: 2 - i } }
	}));
	assert.deepEqual([startOf(turned, 1), startOf(turned, 2)], [NOW + 60, NOW]);
	const apart = two(20, 21).map((c, i) => ({
		...c,
		record: { ...c.record, costume: { ...c.record.costume, hoursTurn: 2 - i } }
	}));
	assert.deepEqual([startOf(apart, 1), startOf(apart, 2)], [NOW, NOW + 60]);
});

test('a fitting that is booked, or a time that is kept, of a later costume is kept free by the earlier one', () => {
	const pinned = { steps: [make.step(200, 20, { amount: 60, pinnedAt: NOW })] };
	const kept = two(20, 30, [{}, pinned]);
	assert.deepEqual([startOf(kept, 1), startOf(kept, 2)], [NOW + 60, NOW]);
	const fitting = {
		steps: [make.step(200, 20, { technique: 'fit', amount: 1 })],
		fittings: [{ id: 1, heldAt: NOW, componentIds: [20] }]
	};
	// A fitting takes half an hour.
	assert.deepEqual(
		[startOf(two(20, 30, [{}, fitting]), 1), startOf(two(20, 30, [{}, fitting]), 2)],
		[NOW + 30, NOW]
	);
});
