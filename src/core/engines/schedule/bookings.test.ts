import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, seeded, step } from '$tests/support/planCases.ts';
import { Bookings } from './bookings.ts';
import type { Span } from './calendar.ts';
import { checkPlan } from './checkPlan.ts';
import { planByRule } from './plan.ts';
import { pastBarred } from './placing.ts';
import type { PlanProblem } from './problem.ts';
import { searchPlan } from './search.ts';
import { makeShop, teamsOf } from './shop.ts';

const problem = (extra: Partial<PlanProblem> = {}): PlanProblem => ({
	start: 0,
	deadline: null,
	split: 'windows',
	leastPart: 30,
	makers: ['a', 'b', 'c'].map((id) => ({ id, windows: ALWAYS })),
	places: [],
	steps: [],
	...extra
});

test('bookings agree with counting minute by minute, after any booking and freeing', () => {
	for (let seed = 1; seed <= 40; seed++) {
		const random = seeded(seed);
		const whole = (most: number) => Math.floor(random() * most);
		const capacity = 1 + whole(3);
		const bookings = new Bookings(capacity);
		const mine: Span[] = [];
		const levelAt = (minute: number) => mine.filter(([a, b]) => minute >= a && minute < b).length;
		for (let n = 0; n < 40; n++) {
			if (mine.length && random() < 0.3) {
				const [gone] = mine.splice(whole(mine.length), 1);
				bookings.add(...gone!, -1);
			} else {
				const from = whole(400);
				const span: Span = [from, from + 1 + whole(60)];
				// As the planner does: only where it is not full.
				if (bookings.firstFull(...span) < span[1]) continue;
				mine.push(span);
				bookings.add(...span, 1);
			}
			const from = whole(460);
			const to = from + 1 + whole(80);
			const minutes = Array.from({ length: to - from }, (_, k) => from + k);
			const full = minutes.filter((m) => levelAt(m) >= capacity);
			const said = `seed ${seed}, turn ${n}, ${from} to ${to}`;
			assert.equal(bookings.firstFull(from, to), full[0] ?? to, said);
			let free = from;
			while (levelAt(free) >= capacity) free++;
			assert.equal(bookings.freeFrom(from), free, said);
			let past = full.length ? full[full.length - 1]! + 1 : from;
			while (full.length && levelAt(past) >= capacity) past++;
			assert.equal(bookings.lastFullEnd(from, to), past, said);
			assert.equal(
				bookings.leftBetween(from, to),
				minutes.reduce((sum, m) => sum + capacity - levelAt(m), 0),
				said
			);
		}
	}
});

test('teams: every choice of so many, allowed ones only', () => {
	const shop = makeShop(problem(), 0, 1440);
	const ids = (makers: number, allowed: string[] | null) =>
		[...teamsOf(shop, { step: step('x', 1, { hands: makers, with: allowed }) })].map((t) =>
			t.makers.join('')
		);
	assert.deepEqual(ids(1, null), ['a', 'b', 'c']);
	assert.deepEqual(ids(2, null), ['ab', 'ac', 'bc']);
	assert.deepEqual(ids(3, null), ['abc']);
	assert.deepEqual(ids(2, ['a', 'c']), ['ac']);
	assert.deepEqual(ids(4, null), []);
	assert.deepEqual([...teamsOf(shop, { step: step('x', 1, { place: 'nowhere' }) })], []);
});

test('barred spans are passed, also when they touch or nest', () => {
	const barred: Span[] = [
		[10, 20],
		[20, 30],
		[15, 40]
	];
	assert.equal(pastBarred(barred, 5), 5);
	assert.equal(pastBarred(barred, 10), 40);
	assert.equal(pastBarred(barred, 40), 40);
	assert.equal(pastBarred([[0, Infinity]], 3), Infinity);
});

test('a place for two holds two at once and no third', () => {
	const steps = ['x', 'y', 'z'].map((id) => step(id, 60, { place: 'booth', oneSitting: true }));
	const at = (capacity: number) =>
		planByRule(problem({ steps, places: [{ id: 'booth', capacity, windows: ALWAYS }] })).steps.map(
			(s) => s.start
		);
	assert.deepEqual(at(3), [0, 0, 0]);
	assert.deepEqual(at(2), [0, 0, 60]);
	assert.deepEqual(at(1), [0, 60, 120]);
});

test('hours already taken are not given away again', () => {
	const taken = new Map<string, Span[]>([
		['a', [[0, 100]]],
		['b', [[0, 40]]],
		['c', [[0, 500]]]
	]);
	const plan = planByRule(problem({ steps: [step('x', 30), step('y', 30)], taken }));
	assert.deepEqual(
		plan.steps.map((s) => [s.makers[0], s.start]),
		[
			['b', 40],
			['b', 70]
		]
	);
});

test('the maker who is done first takes the step', () => {
	const makers = [
		{ id: 'late', windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from: 600, to: 700 }] },
		{ id: 'early', windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from: 300, to: 400 }] }
	];
	const plan = planByRule(problem({ makers, steps: [step('x', 50), step('y', 50, { with: ['late'] })] }));
	assert.deepEqual(
		plan.steps.map((s) => [s.makers[0], s.start]),
		[
			['early', 300],
			['late', 600]
		]
	);
});

test('anywhere: set aside for another and taken up again, in parts that are worth it', () => {
	const makers = [{ id: 'me', windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from: 0, to: 100 }] }];
	const taken = new Map<string, Span[]>([['me', [[40, 60]]]]);
	const run = (split: 'windows' | 'anywhere', leastPart = 30) =>
		planByRule(problem({ makers, taken, split, leastPart, steps: [step('x', 80)] })).steps[0]!.blocks;
	assert.deepEqual(run('anywhere'), [
		[0, 40],
		[60, 100]
	]);
	// Once begun it must go on through every open minute: it can only begin after the booking.
	assert.deepEqual(run('windows'), [
		[60, 100],
		[1440, 1480]
	]);
	// No part under 45 minutes: neither gap of 40 is worth taking up.
	assert.deepEqual(run('anywhere', 45), [[1440, 1520]]);
});

test('anywhere: hands may change where another is free sooner', () => {
	const day = [1, 2, 3, 4, 5, 6, 7];
	const makers = [
		{ id: 'morning', windows: [{ days: day, from: 0, to: 60 }] },
		{ id: 'noon', windows: [{ days: day, from: 60, to: 90 }] }
	];
	const run = (split: 'windows' | 'anywhere') => {
		const [x] = planByRule(problem({ makers, split, steps: [step('x', 90)] })).steps;
		return { blocks: x!.blocks, crews: x!.crews };
	};
	assert.deepEqual(run('anywhere'), {
		blocks: [
			[0, 60],
			[60, 90]
		],
		crews: [['morning'], ['noon']]
	});
	assert.deepEqual(run('windows').crews, [['morning'], ['morning']]);
});

test('what is set out for a colour serves the next part of it, and another colour waits its turn', () => {
	const spray = (id: string, key: string, wait = 0, after: string[] = []) =>
		step(id, 30, {
			place: 'booth',
			oneSitting: true,
			wait,
			setUp: { key, minutes: 20 },
			after: after.map((id) => ({ id }))
		});
	const plan = (steps: ReturnType<typeof spray>[]) => {
		const whole = problem({ steps, places: [{ id: 'booth', capacity: 1, windows: ALWAYS }] });
		const made = searchPlan(whole, 1);
		while (!made.work.next().done);
		const found = made.soFar();
		assert.deepEqual(checkPlan(whole, found), []);
		return found;
	};
	// Two reds and two blues: once each set out, then 10 minutes a part. 30 + 10 + 30 + 10.
	const four = plan([spray('r1', 'red'), spray('b1', 'blue'), spray('r2', 'red'), spray('b2', 'blue')]);
	assert.equal(four.finish, 80);
	assert.equal(four.steps.filter((s) => s.joined).length, 2);
	// The second coat after a short flash-off goes on with what is set out; after a long one it is set out anew.
	assert.equal(plan([spray('c1', 'red', 45), spray('c2', 'red', 0, ['c1'])]).finish, 30 + 45 + 10);
	assert.equal(plan([spray('c1', 'red', 90), spray('c2', 'red', 0, ['c1'])]).finish, 30 + 90 + 30);
});

test('a pin keeps its time before all others, and moves only when what it waits for is later', () => {
	const steps = (before: number) => [
		step('sew', before),
		step('other', 10),
		step('fitting', 30, { pinnedAt: 300, after: [{ id: 'sew' }] })
	];
	const start = (before: number) => {
		const whole = problem({ steps: steps(before), makers: [{ id: 'a', windows: ALWAYS }] });
		const plan = planByRule(whole);
		assert.deepEqual(checkPlan(whole, plan), []);
		return plan.steps.find((s) => s.id === 'fitting')!.start;
	};
	assert.equal(start(200), 300);
	assert.equal(start(400), 400);
});
