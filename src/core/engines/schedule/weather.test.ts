import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, step } from '$tests/support/planCases.ts';
import { seeded } from '../../units/random.ts';
import { simulate } from './odds.ts';
import { planByRule } from './plan.ts';
import type { PlanProblem } from './problem.ts';
import { drawWetDays, SPELL } from './weather.ts';

const DAY = 1440;
const noon = { days: [1, 2, 3, 4, 5, 6, 7], from: 600, to: 900 };
const yardOf = (minutes: number, extra: Partial<PlanProblem> = {}): PlanProblem => ({
	start: 0,
	deadline: null,
	split: 'windows',
	leastPart: 30,
	makers: [{ id: 'me', windows: ALWAYS }],
	places: [{ id: 'yard', capacity: 2, windows: [noon], dryOnly: true }],
	wetShare: 0.4,
	steps: [step('spray', minutes, { place: 'yard' })],
	...extra
});
const oddsOf = (problem: PlanProblem, by: number[], runs = 20_000) => {
	const work = simulate({ problem, order: planByRule(problem).order, runs, seed: 3, shared: 0, by });
	let turn = work.next();
	while (!turn.done) turn = work.next();
	return turn.value;
};

test('wet days keep their share and come in spells', () => {
	const wet = new Uint8Array(200_000);
	for (const share of [0, 0.2, 0.5, 0.9]) {
		drawWetDays(share, seeded(7), wet);
		const count = wet.reduce((sum, w) => sum + w, 0);
		assert.ok(Math.abs(count / wet.length - share) < 0.01, `share ${share}: ${count / wet.length}`);
		if (share === 0) continue;
		let after = 0;
		for (let d = 1; d < wet.length; d++) after += wet[d - 1]! & wet[d]!;
		const expected = share + SPELL * (1 - share);
		assert.ok(Math.abs(after / count - expected) < 0.01, `after a wet day ${after / count}, not ${expected}`);
	}
});

test('an hour that needs a dry day is done on the first: a geometric law', () => {
	const hour = 600 + 60;
	const odds = oddsOf(yardOf(60), [hour, DAY + hour, 2 * DAY + hour]);
	// Dry at once 1 − p; each wet day before is followed by another with p + r(1 − p).
	const stay = 0.4 + SPELL * 0.6;
	for (const [k, { share }] of odds.by.entries()) {
		const expected = 1 - 0.4 * stay ** k;
		assert.ok(Math.abs(share - expected) < 0.012, `by day ${k}: ${share}, not ${expected}`);
	}
	assert.ok(Math.abs(odds.wet - 0.4) < 0.012, `held up in ${odds.wet}`);
});

test('work over two days pauses on a wet one and goes on; nothing else waits for the weather', () => {
	// 400 minutes in windows of 300: two dry days.
	const odds = oddsOf(yardOf(400), [DAY + 700, 2 * DAY + 700]);
	const dryAfterDry = 1 - 0.4 * (1 - SPELL);
	assert.ok(Math.abs(odds.by[0]!.share - 0.6 * dryAfterDry) < 0.012, 'two dry days at once');
	// dry wet dry, wet dry dry, or both at once.
	const wetThenDry = 1 - (0.4 + SPELL * 0.6);
	const third = 0.6 * dryAfterDry + 0.6 * (1 - dryAfterDry) * wetThenDry + 0.4 * wetThenDry * dryAfterDry;
	assert.ok(
		Math.abs(odds.by[1]!.share - third) < 0.012,
		`by the third day ${odds.by[1]!.share}, not ${third}`
	);
	const indoors = oddsOf(yardOf(60, { steps: [step('sew', 60)] }), [60], 500);
	assert.deepEqual([indoors.by[0]!.share, indoors.wet], [1, 0]);
});

test('the plan is made for dry days, the odds are not; without wet days all is sure', () => {
	assert.equal(planByRule(yardOf(60)).finish, 660);
	assert.equal(oddsOf(yardOf(60, { wetShare: 0 }), [660], 200).by[0]!.share, 1);
	const wettest = oddsOf(yardOf(60, { wetShare: 0.95 }), [], 300);
	assert.notEqual(wettest.p95, null, 'calendars reach far enough');
});
