import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, seeded, step } from '../../../tests/support/planCases.ts';
import type { Span } from './calendar.ts';
import { planByRule } from './plan.ts';
import { pastBarred } from './placing.ts';
import type { PlanProblem } from './problem.ts';
import { book, firstConflict, makeResources, teamsOf, unbook, type Resource } from './resources.ts';

const place = (capacity: number): Resource => ({
	id: 'p',
	capacity,
	open: [[0, 10_000]],
	booked: [],
	full: []
});
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

/** Where so many bookings overlap, asked of every minute. */
const fullAt = (bookings: readonly Span[], capacity: number, minute: number) =>
	bookings.filter(([a, b]) => minute >= a && minute < b).length >= capacity;

test('where a place is full agrees with counting, after any booking and freeing', () => {
	for (let seed = 1; seed <= 40; seed++) {
		const random = seeded(seed);
		const capacity = 1 + Math.floor(random() * 3);
		const resource = place(capacity);
		const mine: Span[] = [];
		for (let n = 0; n < 40; n++) {
			if (mine.length && random() < 0.3) {
				const [gone] = mine.splice(Math.floor(random() * mine.length), 1);
				unbook(resource, gone!);
			} else {
				const from = Math.floor(random() * 400);
				const span: Span = [from, from + 1 + Math.floor(random() * 60)];
				// As the planner does: only where it is not full.
				if (firstConflict([resource], span[0], span[1])) continue;
				mine.push(span);
				book(resource, span);
			}
			for (let m = 0; m < 470; m++) {
				const said = resource.full.some(([a, b]) => m >= a && m < b);
				assert.equal(said, fullAt(mine, capacity, m), `seed ${seed}, step ${n}, minute ${m}`);
			}
			for (let i = 1; i < resource.full.length; i++)
				assert.ok(resource.full[i]![0] >= resource.full[i - 1]![1], `seed ${seed}: full spans overlap`);
		}
	}
});

test('the first conflict is the earliest of all in the team', () => {
	const [a, b] = [place(1), place(1)];
	book(a, [50, 60]);
	book(b, [30, 35]);
	assert.deepEqual(firstConflict([a, b], 0, 100), [30, 35]);
	assert.deepEqual(firstConflict([a, b], 35, 100), [50, 60]);
	assert.equal(firstConflict([a, b], 35, 50), null, 'touching is no conflict');
	assert.equal(firstConflict([a, b], 60, 100), null);
});

test('teams: every choice of so many, allowed ones only', () => {
	const resources = makeResources(problem(), 0, 1440);
	const ids = (size: number, allowed: string[] | null) =>
		teamsOf(resources, size, allowed).map((t) => t.map((m) => m.id).join(''));
	assert.deepEqual(ids(1, null), ['a', 'b', 'c']);
	assert.deepEqual(ids(2, null), ['ab', 'ac', 'bc']);
	assert.deepEqual(ids(3, null), ['abc']);
	assert.deepEqual(ids(2, ['a', 'c']), ['ac']);
	assert.deepEqual(ids(4, null), []);
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
