import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, randomProblem, step } from '$tests/support/planCases.ts';
import { asked, refuted } from '$tests/support/refuted.ts';
import { DAY } from '../../units/localTime.ts';
import { draftByRule, planByRule } from './plan.ts';
import type { PlanProblem } from './problem.ts';
import { Refuter } from './refute.ts';
import { searchPlan } from './search.ts';
import { makeShop } from './shop.ts';

/** Two colours at the spray place, for which something has to be set out once. */
const withSetUps = (problem: PlanProblem): PlanProblem => ({
	...problem,
	steps: problem.steps.map((s, i) =>
		s.place !== null && s.minutes[1] > 15 ? { ...s, setUp: { key: `colour ${i % 2}`, minutes: 15 } } : s
	)
});

test('no plan that exists is refuted, whatever assumptions are made', () => {
	for (let seed = 1; seed <= 30; seed++)
		for (const split of ['windows', 'anywhere'] as const) {
			const problem = withSetUps(randomProblem(seed, 8 + (seed % 20), split));
			const search = searchPlan(problem, seed);
			for (let n = 0; n < 300 && !search.work.next().done; n++);
			const finish = search.soFar().finish!;
			assert.notEqual(asked(problem, finish, 80), 'refuted', `seed ${seed}, ${split}`);
			const { problem: possible, nodes } = draftByRule(problem);
			const refuter = new Refuter(possible, nodes, makeShop(possible, problem.start, finish + DAY));
			assert.ok(refuter.bound(problem.start, finish) <= finish, `seed ${seed}, ${split}: bound`);
			const latest = refuter.latestEnds(finish);
			const plan = search.soFar();
			nodes.forEach((n, i) => {
				const { end } = plan.steps.find((s) => s.id === n.step.id)!;
				assert.ok(end <= latest[i]!, `seed ${seed}, ${split}: ${n.step.id} ends after its latest`);
			});
		}
});

const hours = (from: number, to: number) => [{ days: [1, 2, 3, 4, 5, 6, 7], from: from * 60, to: to * 60 }];
const problem = (extra: Partial<PlanProblem>): PlanProblem => ({
	start: 0,
	deadline: null,
	split: 'windows',
	leastPart: 30,
	makers: [{ id: 'me', windows: hours(18, 21) }],
	places: [],
	steps: [],
	...extra
});

test('an evening that a sitting fills leaves no room for the coat that has to begin in it', () => {
	// Both on the second evening, or the coat four days later: by the end of the third evening is impossible.
	const two = problem({
		steps: [
			step('first', 180, { wait: 60 }),
			step('sitting', 180, { after: [{ id: 'first' }], oneSitting: true, notBefore: DAY }),
			step('coat', 60, { after: [{ id: 'first', within: DAY + 180, orAfter: 5 * DAY }] }),
			step('last', 150, { after: [{ id: 'sitting' }] })
		]
	});
	const third = 2 * DAY + 21 * 60;
	assert.equal(refuted(two, third), true);
	const plan = planByRule(two);
	assert.ok(plan.finish! > third);
	assert.equal(refuted(two, plan.finish!), false);
});

test('two that take all the hands come one after the other: four hours each, a weekend of six hours a day', () => {
	const two = problem({
		makers: [
			{ id: 'me', windows: hours(10, 16) },
			{ id: 'helper', windows: hours(10, 16) }
		],
		steps: ['a', 'b'].map((id) => step(id, 240, { hands: 2, oneSitting: true }))
	});
	assert.equal(refuted(two, 16 * 60), true);
	assert.equal(refuted(two, DAY + 14 * 60 - 1), true);
	assert.equal(refuted(two, DAY + 14 * 60), false);
});

test('a place for two holds two at once and not three; hours given away are nobody’s', () => {
	const makers = ['a', 'b', 'c'].map((id) => ({ id, windows: ALWAYS }));
	const three = problem({
		makers,
		places: [{ id: 'bench', capacity: 2, windows: ALWAYS }],
		steps: ['x', 'y', 'z'].map((id) => step(id, 100, { place: 'bench' }))
	});
	assert.equal(refuted(three, 199), true);
	assert.equal(refuted(three, 200), false);
	assert.equal(refuted({ ...three, steps: three.steps.slice(1) }, 100), false);
	assert.equal(refuted({ ...three, steps: three.steps.slice(1) }, 99), true);
	const given = { ...three, steps: three.steps.slice(1), taken: new Map([['bench', [[50, 80] as const]]]) };
	assert.equal(refuted(given, 180), false);
});

test('in parts: a first part may begin in a gap that is long enough, and not in a shorter one', () => {
	const evening = (leastPart: number) =>
		problem({
			split: 'anywhere',
			leastPart,
			steps: [
				step('sitting', 150, { oneSitting: true }),
				step('coat', 60, { after: [] }),
				step('next', 30, { after: [{ id: 'coat' }] })
			]
		});
	// 240 minutes of work in evenings of 180: done in an hour of the second evening, the coat begun in the first.
	assert.equal(refuted(evening(30), DAY + 19 * 60), false);
	assert.equal(refuted(evening(30), DAY + 19 * 60 - 1), true);
});

test('a recoat window runs from where the coat ends with what has to be set out, and without', () => {
	const spray = { place: 'spray', oneSitting: true };
	const coats = problem({
		places: [{ id: 'spray', capacity: 1, windows: ALWAYS }],
		steps: [
			// It can start at 18:00 alone, and ends at 19:00, or at 18:30 when red stands ready.
			step('coat', 60, {
				...spray,
				setUp: { key: 'red', minutes: 30 },
				notBefore: 18 * 60,
				barred: [[18 * 60 + 1, 20 * DAY]]
			}),
			step('next', 30, {
				...spray,
				after: [{ id: 'coat', within: 20, orAfter: 5 * DAY }],
				notBefore: 19 * 60 + 10
			}),
			step('other', 60, { ...spray, setUp: { key: 'red', minutes: 30 } })
		]
	});
	const plan = planByRule(coats);
	assert.equal(plan.steps.find((s) => s.id === 'next')!.start, 19 * 60 + 10);
	assert.equal(refuted(coats, plan.finish!), false);
});

test('two pinned to one moment: one has to give way, and nothing is called proved', () => {
	const at = 40 * DAY + 18 * 60;
	const both = problem({ steps: ['a', 'b'].map((id) => step(id, 60, { pinnedAt: at })) });
	const search = searchPlan(both, 1);
	for (let n = 0; n < 50 && !search.work.next().done; n++);
	const plan = search.soFar();
	assert.equal(plan.steps.filter((s) => s.start === at).length, 1);
	assert.deepEqual(plan.impossible, []);
	// Where the hours that are looked at end before the pin, nothing can start at all.
	assert.equal(refuted(both, at - 20 * DAY), true);
});
