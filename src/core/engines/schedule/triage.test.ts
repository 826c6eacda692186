import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, seeded, step, problemOf } from '$tests/support/planCases.ts';
import { checkPlan } from './checkPlan.ts';
import { planByRule } from './plan.ts';
import type { PlanProblem } from './problem.ts';
import { triage, undominated, withAlternatives, type Alternative, type TriageTask } from './triage.ts';

const problem = (steps: PlanProblem['steps'], extra: Partial<PlanProblem> = {}) =>
	problemOf(steps, { deadline: 1000, ...extra });
const leave = (id: string, steps: string[], loss: number, instead: string[] = []): Alternative => ({
	id,
	leave: steps,
	loss,
	instead
});
const weighed = (p: PlanProblem, alternatives: Alternative[], extra: Partial<TriageTask> = {}) => {
	const work = triage({
		problem: p,
		order: planByRule(p).order,
		runs: 200,
		seed: 1,
		shared: 0,
		alternatives,
		deadline: p.deadline!,
		target: 0.85,
		...extra
	});
	let turn = work.next();
	while (!turn.done) turn = work.next();
	return turn.value;
};

test('what waited for a step left out waits for what that one waited for', () => {
	const p = problem([
		step('cut', 60, { wait: 30 }),
		step('bevel', 60, { after: [{ id: 'cut' }] }),
		step('line', 60, { after: [{ id: 'bevel' }] }),
		step('paint', 60, { after: [{ id: 'line', within: 5 }, { id: 'cut' }] })
	]);
	const without = withAlternatives(p, [leave('x', ['bevel', 'line'], 0)]);
	assert.deepEqual(
		without.steps.map((s) => [s.id, s.after]),
		[
			['cut', []],
			['paint', [{ id: 'cut' }]]
		]
	);
	const plan = planByRule(without);
	assert.deepEqual(checkPlan(without, plan), []);
	// The wait of what is still done stays.
	assert.equal(plan.finish, 60 + 30 + 60);
	assert.equal(p.steps.length, 4, 'the problem itself is left alone');
});

test('the least loss that meets the target, as trying every set finds it', () => {
	for (let seed = 1; seed <= 25; seed++) {
		const random = seeded(seed);
		const minutes = Array.from({ length: 7 }, () => 60 + Math.floor(random() * 240));
		const p = problem(minutes.map((m, i) => step(`s${i}`, m)));
		const alternatives = minutes
			.slice(1)
			.map((_, i) => leave(`a${i + 1}`, [`s${i + 1}`], 0.01 + random() * 0.2));
		const found = weighed(p, alternatives);
		// Minutes are certain and one maker does all: it is in time when the minutes kept fit.
		let least = Infinity;
		for (let mask = 0; mask < 1 << alternatives.length; mask++) {
			const chosen = alternatives.filter((_, k) => (mask >> k) & 1);
			const gone = new Set(chosen.flatMap((a) => a.leave));
			const kept = minutes.reduce((sum, m, i) => sum + (gone.has(`s${i}`) ? 0 : m), 0);
			if (kept <= 1000)
				least = Math.min(
					least,
					chosen.reduce((sum, a) => sum + a.loss, 0)
				);
		}
		if (found.share >= 0.85) assert.equal(least, 0, `seed ${seed}`);
		else
			assert.ok(
				Math.abs(found.sets[0]!.loss - least) < 1e-9,
				`seed ${seed}: ${found.sets[0]?.loss} for ${least}`
			);
	}
});

test('other ways to do the same do not go together; a second maker helps without loss, and is told apart', () => {
	const p = problem([
		step('a', 700, { with: ['me'] }),
		step('b', 700, { with: ['me'] }),
		step('c', 300, { with: ['me'] })
	]);
	const drop = leave('drop b', ['b'], 0.4);
	const borrow = leave('borrow b', ['b'], 0.1, ['drop b']);
	const hands: Alternative = {
		id: 'hands',
		leave: [],
		makers: [{ id: 'two', windows: ALWAYS }],
		loss: 0,
		instead: []
	};
	const found = weighed(p, [drop, borrow, hands]);
	assert.equal(found.share, 0);
	assert.deepEqual(
		found.sets.map((s) => s.ids),
		[['hands'], ['borrow b']]
	);
	assert.equal(found.alone.find((w) => w.id === 'hands')!.share, 1);
	assert.deepEqual(weighed(p, [drop, borrow], { target: 0.999, deadline: 200 }).sets, []);
});

test('in time already: nothing has to go', () => {
	const found = weighed(problem([step('a', 100), step('b', 100)]), [leave('drop b', ['b'], 0.5)]);
	assert.deepEqual([found.share, found.sets], [1, []]);
});

test('bought ready: the work goes, what is left waits for the parcel, and a late one counts', () => {
	const p = problem(
		[
			step('cut', 400),
			step('sew', 400, { after: [{ id: 'cut' }] }),
			step('fit', 50, { after: [{ id: 'sew' }] })
		],
		{
			deadline: 800
		}
	);
	const buy: Alternative = {
		...leave('buy', ['cut', 'sew'], 0.2),
		waits: { step: 'fit', parcel: { id: 'parcel', at: 600, late: [0, 0, 1000] } }
	};
	const without = withAlternatives(p, [buy]);
	assert.deepEqual(without.steps, [step('fit', 50, { parcels: ['parcel'] })]);
	assert.equal(planByRule(without).finish, 650);
	const { alone, share } = weighed(p, [buy], { runs: 2000 });
	assert.equal(share, 0);
	// Late by PERT's beta of mean 1000/6: most parcels come in time, not all.
	assert.ok(alone[0]!.share > 0.4 && alone[0]!.share < 0.9, `${alone[0]!.share}`);
});

test('what gives up more of the look for less is not shown first; more hours are judged apart', () => {
	const alternatives = [
		leave('badge', ['a'], 0.1),
		leave('crown', ['b'], 0.4),
		leave('mask', ['c'], 0.1),
		{ ...leave('saturday', [], 0), makers: [] }
	];
	const alone = [
		{ id: 'badge', share: 0.8, middle: 0, finish: null },
		{ id: 'crown', share: 0.7, middle: 0, finish: null },
		{ id: 'mask', share: 0.6, middle: 0, finish: null },
		{ id: 'saturday', share: 0.5, middle: 0, finish: null }
	];
	assert.deepEqual(
		undominated(alone, alternatives).map((w) => w.id),
		['badge', 'saturday']
	);
	// As good for as much: both are shown.
	const even = alone.map((w) => ({ ...w, share: 0.7 }));
	assert.deepEqual(
		undominated(even, alternatives).map((w) => w.id),
		['badge', 'mask', 'saturday']
	);
});
