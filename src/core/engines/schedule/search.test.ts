import assert from 'node:assert/strict';
import { test } from 'node:test';
import { mixedProblem, quarters, randomProblem, seeded, step } from '$tests/support/planCases.ts';
import { JOB_SHOPS, jobShop } from '$tests/support/jobShops.ts';
import { refuted } from '$tests/support/refuted.ts';
import { bestByExhaustion } from '$tests/support/bestByExhaustion.ts';
import { checkPlan } from './checkPlan.ts';
import { FlowNetwork } from '../../units/flow.ts';
import { planByRule } from './plan.ts';
import type { PlanProblem } from './problem.ts';
import { searchPlan } from './search.ts';

const settled = (problem: PlanProblem, seed = 1) => {
	const search = searchPlan(problem, seed);
	let turn = search.work.next();
	while (!turn.done) turn = search.work.next();
	return search.soFar(turn.value);
};

test('200 small cases against exhaustive search: as soon as the best there is, and proved', () => {
	let proved = 0;
	for (let seed = 1; seed <= 200; seed++) {
		const problem = quarters(seed);
		const plan = settled(problem);
		assert.deepEqual(checkPlan(problem, plan), [], `seed ${seed}`);
		const best = bestByExhaustion(problem, plan.finish!);
		assert.equal(plan.finish, best, `seed ${seed}`);
		assert.equal(refuted(problem, best), false, `seed ${seed}: the best is refuted`);
		assert.equal(refuted(problem, best - 1), true, `seed ${seed}: sooner than the best is not`);
		assert.ok(plan.lowerBound! <= best, `seed ${seed}: bound ${plan.lowerBound} above the optimum ${best}`);
		if (plan.stoppedBy === 'proved') proved++;
	}
	assert.equal(proved, 200);
});

test('never later than the rule, every rule kept, the bound never above; the same for the same seed', () => {
	for (let seed = 1; seed <= 8; seed++) {
		const problem = randomProblem(seed, 10 + 2 * seed, seed % 2 ? 'windows' : 'anywhere');
		const rule = planByRule(problem);
		const plan = settled(problem, seed);
		assert.deepEqual(checkPlan(problem, plan), [], `seed ${seed}`);
		assert.ok(plan.finish! <= rule.finish!, `seed ${seed}: later than the rule`);
		assert.ok(plan.lowerBound! <= plan.finish!, `seed ${seed}: bound above the plan`);
	}
	const problem = randomProblem(3, 30, 'windows');
	assert.deepEqual(settled(problem, 7), settled(problem, 7));
});

test('whatever comes on top, every rule is kept and the bound is never above the plan', () => {
	for (let seed = 1; seed <= 60; seed++)
		for (const split of ['windows', 'anywhere'] as const) {
			const problem = mixedProblem(seed, 6 + (seed % 20), split);
			const search = searchPlan(problem, seed);
			for (let n = 0; n < 150 && !search.work.next().done; n++);
			const plan = search.soFar();
			assert.deepEqual(checkPlan(problem, plan), [], `seed ${seed}, ${split}`);
			if (plan.finish !== null)
				assert.ok(plan.lowerBound! <= plan.finish, `seed ${seed}, ${split}: bound above the plan`);
		}
});

test('a known order is taken up where it is better than the rule', () => {
	const problem = randomProblem(4, 30, 'windows');
	const plan = settled(problem);
	assert.ok(plan.finish! < planByRule(problem).finish!);
	assert.equal(searchPlan(problem, 2, plan.order).soFar().finish, plan.finish);
});

test('two machines, four jobs: the longest first is late, the search finds the even split (common textbook case)', () => {
	// 5, 4, 3, 3, 3 on two machines: longest first gives 10, the best is 9. R. L. Graham, Bounds on multiprocessing timing anomalies, 1969.
	const always = [{ days: [1, 2, 3, 4, 5, 6, 7], from: 0, to: 1440 }];
	const problem: PlanProblem = {
		start: 0,
		deadline: null,
		split: 'windows',
		leastPart: 1,
		makers: ['a', 'b'].map((id) => ({ id, windows: always })),
		places: [],
		steps: [5, 4, 3, 3, 3].map((minutes, i) => step(`j${i}`, minutes))
	};
	assert.equal(planByRule(problem).finish, 10);
	const plan = settled(problem);
	assert.deepEqual([plan.finish, plan.lowerBound, plan.stoppedBy], [9, 9, 'proved']);
});

test('published job shops end at their proved best finish: 6 × 6 of Fisher & Thompson, 10 × 5 of Lawrence (from memory)', () => {
	for (const name of ['ft06', 'la01'] as const) {
		const problem = jobShop(name);
		const plan = settled(problem);
		assert.equal(plan.finish, JOB_SHOPS[name].best, name);
		assert.ok(plan.lowerBound! <= JOB_SHOPS[name].best, `${name}: bound ${plan.lowerBound}`);
		assert.deepEqual(checkPlan(problem, plan), [], name);
	}
	assert.equal(settled(jobShop('la01')).stoppedBy, 'proved');
});

test('maximum flow equals the smallest cut, by trying every cut', () => {
	for (let seed = 1; seed <= 60; seed++) {
		const random = seeded(seed);
		const nodes = 6;
		const edges = Array.from({ length: 14 }, () => ({
			from: Math.floor(random() * nodes),
			to: Math.floor(random() * nodes),
			capacity: Math.floor(random() * 10)
		}));
		const network = new FlowNetwork(nodes);
		for (const e of edges) network.edge(e.from, e.to, e.capacity);
		let least = Infinity;
		// Node 0 is the source and always on its side, the last is the sink and never.
		for (let cut = 0; cut < 1 << (nodes - 2); cut++) {
			const here = (n: number) => n === 0 || (n < nodes - 1 && ((cut >> (n - 1)) & 1) === 1);
			const across = edges.reduce((sum, e) => sum + (here(e.from) && !here(e.to) ? e.capacity : 0), 0);
			least = Math.min(least, across);
		}
		assert.equal(network.most(0, nodes - 1), least, `seed ${seed}`);
	}
});
