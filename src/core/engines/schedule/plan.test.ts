import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, randomProblem, step } from '$tests/support/planCases.ts';
import { formatLocalTime, parseLocalTime } from '../../units/localTime.ts';
import { checkPlan } from './checkPlan.ts';
import { decidingChain, planByRule } from './plan.ts';
import type { Plan, PlanProblem, PlanStep } from './problem.ts';
import { searchPlan } from './search.ts';

const at = (text: string) => {
	const parsed = parseLocalTime(text);
	assert.ok(parsed.ok, text);
	return parsed.value;
};
const find = (plan: Plan, id: string) => plan.steps.find((s) => s.id === id)!;

const evenings = (steps: PlanStep[], extra: Partial<PlanProblem> = {}): PlanProblem => ({
	start: at('2031-04-28T18:00'),
	deadline: at('2031-05-16T09:00'),
	split: 'windows',
	leastPart: 30,
	makers: [{ id: 'me', windows: [{ days: [1, 2, 3, 4], from: 18 * 60, to: 21 * 60 }] }],
	places: [],
	steps,
	...extra
});

test('critical path: the house-building example of Hillier & Lieberman, Introduction to Operations Research, ch. 22 (from memory)', () => {
	// Durations in weeks with predecessors; published length 44, critical A B C E F J L N; slacks D 4, G 4, H 4, I 2, K 1, M 4.
	const table: [string, number, string][] = [
		['A', 2, ''],
		['B', 4, 'A'],
		['C', 10, 'B'],
		['D', 6, 'C'],
		['E', 4, 'C'],
		['F', 5, 'E'],
		['G', 7, 'D'],
		['H', 9, 'EG'],
		['I', 7, 'C'],
		['J', 8, 'FI'],
		['K', 4, 'J'],
		['L', 5, 'J'],
		['M', 2, 'H'],
		['N', 6, 'KL']
	];
	const plan = planByRule({
		start: 0,
		deadline: 44,
		split: 'windows',
		leastPart: 1,
		makers: table.map(([id]) => ({ id: `crew ${id}`, windows: ALWAYS })),
		places: [],
		steps: table.map(([id, weeks, after]) => step(id, weeks, { after: [...after].map((a) => ({ id: a })) }))
	});
	assert.equal(plan.finish, 44);
	assert.equal(plan.stoppedBy, 'proved');
	assert.deepEqual(
		plan.steps.filter((s) => s.critical).map((s) => s.id),
		[...'ABCEFJLN']
	);
	assert.deepEqual(
		Object.fromEntries(plan.steps.filter((s) => !s.critical).map((s) => [s.id, s.slackMinutes])),
		{ D: 4, G: 4, H: 4, I: 2, K: 1, M: 4 }
	);
	assert.deepEqual(
		decidingChain(plan).map((s) => s.id),
		[...'ABCEFJLN']
	);
});

test('hands-on work keeps to windows and pauses between them; waits run around the clock', () => {
	const plan = planByRule(
		evenings([step('sew', 240, { wait: 600 }), step('paint', 30, { after: [{ id: 'sew' }] })])
	);
	const sew = find(plan, 'sew');
	assert.deepEqual(
		sew.blocks.map((b) => b.map(formatLocalTime)),
		[
			['2031-04-28T18:00', '2031-04-28T21:00'],
			['2031-04-29T18:00', '2031-04-29T19:00']
		]
	);
	assert.equal(formatLocalTime(sew.ready), '2031-04-30T05:00');
	assert.equal(formatLocalTime(find(plan, 'paint').start), '2031-04-30T18:00');
	assert.equal(formatLocalTime(plan.finish!), '2031-04-30T18:30');
});

test('one sitting moves whole to the next window', () => {
	const plan = planByRule(
		evenings([step('short', 60), step('cement', 150, { oneSitting: true, after: [{ id: 'short' }] })])
	);
	assert.equal(formatLocalTime(find(plan, 'cement').start), '2031-04-29T18:00');
});

test('a recoat window moves the first coat rather than miss it, or waits until it is allowed again', () => {
	const coats = (within: number) => [
		step('filler', 150),
		step('coat1', 20, { wait: 30, oneSitting: true, after: [{ id: 'filler' }] }),
		step('coat2', 20, { oneSitting: true, after: [{ id: 'coat1', within, orAfter: 2880 }] })
	];
	const plan = planByRule(evenings(coats(60)));
	assert.equal(formatLocalTime(find(plan, 'coat1').start), '2031-04-29T18:00');
	assert.equal(formatLocalTime(find(plan, 'coat2').start), '2031-04-29T18:50');
	const never = planByRule(evenings(coats(10)));
	const [first, second] = [find(never, 'coat1'), find(never, 'coat2')];
	assert.ok(second.start - first.end >= 2880, 'outside the window it waits for the far side');
});

test('material that arrives later holds its step, and only that one', () => {
	const parcel = at('2031-05-06T12:00');
	const plan = planByRule(evenings([step('armour', 60, { notBefore: parcel }), step('wig', 60)]));
	assert.equal(formatLocalTime(find(plan, 'armour').start), '2031-05-06T18:00');
	assert.equal(formatLocalTime(find(plan, 'wig').start), '2031-04-28T18:00');
});

test('backward from the deadline: slack says how late a start still serves', () => {
	const plan = planByRule(evenings([step('a', 60), step('b', 60, { after: [{ id: 'a' }] })]));
	// The last windows before Fri 16 May 09:00 are Thu 15 May 18–21: b from 20:00, a from 19:00.
	assert.equal(find(plan, 'a').slackMinutes, at('2031-05-15T19:00') - at('2031-04-28T18:00'));
	const late = planByRule(evenings([step('a', 600)], { deadline: at('2031-04-29T20:00') }));
	assert.ok(find(late, 'a').slackMinutes! < 0, 'too late shows as negative slack');
});

test('reasons for what cannot be placed, and the rest is planned', () => {
	const plan = planByRule(
		evenings([
			step('a', 10, { after: [{ id: 'c' }] }),
			step('b', 10, { after: [{ id: 'a' }] }),
			step('c', 10, { after: [{ id: 'b' }] }),
			step('behind', 10, { after: [{ id: 'c' }] }),
			step('long', 200, { oneSitting: true }),
			step('two', 10, { hands: 2 }),
			step('ghost', 10, { after: [{ id: 'nothing' }] }),
			step('fine', 10)
		])
	);
	const reasons = Object.fromEntries(plan.impossible.map((i) => [i.id, i.code]));
	assert.deepEqual(reasons, {
		a: 'circle',
		b: 'circle',
		c: 'circle',
		behind: 'blockedBy',
		long: 'sittingTooLong',
		two: 'tooFewMakers',
		ghost: 'unknownId'
	});
	assert.deepEqual(plan.impossible[0]!.values, { steps: 'b → c → a → b' });
	assert.deepEqual(
		plan.steps.map((s) => s.id),
		['fine']
	);
	const idle = planByRule(evenings([step('a', 10)], { makers: [{ id: 'me', windows: [] }] }));
	assert.equal(idle.impossible[0]!.code, 'noWindows');
});

test('random plans obey every rule, by a checker that shares no code with the planner', () => {
	for (let seed = 1; seed <= 120; seed++) {
		const problem = randomProblem(seed, 5 + (seed % 30), seed % 2 ? 'windows' : 'anywhere');
		const plan = planByRule(problem);
		assert.deepEqual(checkPlan(problem, plan), [], `seed ${seed}`);
		if (plan.finish !== null)
			assert.ok(
				plan.lowerBound! <= plan.finish,
				`seed ${seed}: bound ${plan.lowerBound} above ${plan.finish}`
			);
	}
});

test('the checker does find faults: a plan shifted, squeezed or doubled is refused', () => {
	const problem = evenings([step('a', 60, { wait: 30 }), step('b', 60, { after: [{ id: 'a' }] })]);
	const plan = planByRule(problem);
	const tampered = (change: (p: Plan) => void) => {
		const copy = structuredClone(plan);
		change(copy);
		return checkPlan(problem, copy);
	};
	assert.deepEqual(
		tampered(() => {}),
		[]
	);
	assert.match(tampered((p) => (p.steps[1]!.start -= 31)).join(), /into the wait/);
	assert.match(
		tampered((p) => {
			p.steps[1]!.blocks.push([...p.steps[1]!.blocks[0]!]);
			p.steps[1]!.crews.push(['me']);
		}).join(),
		/booked twice/
	);
	assert.match(
		tampered((p) => (p.steps[0]!.blocks = [[at('2031-04-28T12:00'), at('2031-04-28T13:00')]])).join(),
		/outside a window/
	);
	assert.match(tampered((p) => p.steps.pop()).join(), /neither planned nor impossible/);
});

test('a pin at a time when nobody works puts its step off, never before it', () => {
	// Pinned to a Sunday night; the maker works in the evenings from Monday on.
	const pinnedAt = 22396 * 1440 + 23 * 60;
	const problem = {
		...randomProblem(1, 1, 'windows'),
		start: 22393 * 1440,
		taken: new Map(),
		steps: [step('fit', 30, { pinnedAt })]
	};
	const evenings = [{ id: 'me', windows: [{ days: [1, 2, 3, 4, 5], from: 18 * 60, to: 21 * 60 }] }];
	const plan = planByRule({ ...problem, makers: evenings });
	assert.equal(plan.steps[0]!.start, 22397 * 1440 + 18 * 60);
});

test('a pinned coat waits when its recoat window bars the pin', () => {
	const start = 22397 * 1440;
	const problem: PlanProblem = {
		start,
		deadline: null,
		split: 'windows',
		leastPart: 30,
		makers: [{ id: 'me', windows: ALWAYS }],
		places: [],
		steps: [
			step('first', 30),
			step('second', 30, { after: [{ id: 'first', within: 60, orAfter: 1440 }], pinnedAt: start + 600 })
		]
	};
	const plan = planByRule(problem);
	assert.deepEqual(checkPlan(problem, plan), []);
	assert.equal(plan.steps.find((s) => s.id === 'second')!.start, start + 30 + 1440);
});

test('teams keep their numbers when a plan ends before one of its makers works at all', () => {
	// Three steps of 50 minutes for two: 100 minutes, which no sum of the work tells.
	const problem: PlanProblem = {
		start: 22397 * 1440,
		deadline: null,
		split: 'windows',
		leastPart: 30,
		makers: [
			{ id: 'on Sundays', windows: [{ days: [7], from: 600, to: 700 }] },
			{ id: 'me', windows: ALWAYS },
			{ id: 'helper', windows: ALWAYS }
		],
		places: [],
		steps: ['a', 'b', 'c'].map((id) => step(id, 50, { oneSitting: true }))
	};
	const search = searchPlan(problem, 1);
	while (!search.work.next().done);
	const plan = search.soFar();
	assert.deepEqual(new Set(plan.steps.flatMap((s) => s.makers)), new Set(['me', 'helper']));
	assert.equal(plan.finish, problem.start + 100);
	assert.equal(plan.stoppedBy, 'proved');
});
