import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, randomProblem, seeded, step, problemOf } from '$tests/support/planCases.ts';
import { benchDays, dripRows } from './benchDays.ts';
import { checkPlan } from './checkPlan.ts';
import { findCircle, makeNetwork, mirrorNetwork, remainingPath, topological } from './network.ts';
import { decidingChain, planByRule } from './plan.ts';
import type { PlanProblem, PlanStep } from './problem.ts';

const after = (...ids: string[]) => ({ after: ids.map((id) => ({ id })) });

test('every step stands after what it waits for; what is left over is in or behind a circle', () => {
	for (let seed = 1; seed <= 50; seed++) {
		const nodes = makeNetwork(randomProblem(seed, 25, 'windows'));
		const { order, left } = topological(nodes);
		assert.deepEqual(left, []);
		const place = new Map(order.map((n, i) => [n, i]));
		nodes.forEach((node, i) =>
			node.before.forEach((l) => assert.ok(place.get(l.node)! < place.get(i)!, `seed ${seed}`))
		);
	}
	const round = makeNetwork(
		problemOf([
			step('a', 1, after('c')),
			step('b', 1, after('a')),
			step('c', 1, after('b')),
			step('d', 1, after('c'))
		])
	);
	assert.deepEqual(topological(round).left, [0, 1, 2, 3]);
	assert.equal(findCircle(round, [0, 1, 2, 3]).length, 3);
	assert.equal(findCircle(round, [3, 0, 1, 2]).includes(3), false, 'what waits behind a circle is not in it');
});

test('a step that waits for itself is a circle of one', () => {
	const plan = planByRule(problemOf([step('a', 5, after('a')), step('b', 5)]));
	assert.deepEqual(
		plan.impossible.map((i) => [i.id, i.code, i.values]),
		[['a', 'circle', { steps: 'a → a' }]]
	);
	assert.deepEqual(
		plan.steps.map((s) => s.id),
		['b']
	);
});

test('longest remaining path: hands-on stretched, waits not; by walking every path', () => {
	const longest = (steps: readonly PlanStep[], id: string, stretch: number): number => {
		const me = steps.find((s) => s.id === id)!;
		const behind = steps
			.filter((s) => s.after.some((a) => a.id === id))
			.map((s) => longest(steps, s.id, stretch));
		return me.minutes[1] * stretch + me.wait + Math.max(0, ...behind);
	};
	for (let seed = 1; seed <= 30; seed++) {
		const p = randomProblem(seed, 14, 'windows');
		const nodes = makeNetwork(p);
		const tails = remainingPath(nodes, topological(nodes).order, 3);
		p.steps.forEach((s, i) => assert.equal(tails[i], longest(p.steps, s.id, 3), `seed ${seed}, ${s.id}`));
	}
});

test('the mirrored network reads every link from the other side', () => {
	const nodes = makeNetwork(problemOf([step('a', 10, { wait: 30 }), step('b', 10, after('a'))]));
	const mirror = mirrorNetwork(nodes, 500);
	assert.deepEqual(mirror[0]!.before, nodes[0]!.behind);
	assert.equal(mirror[0]!.release, -470, 'its own wait must end by the deadline');
	assert.equal(mirror[1]!.release, -500);
});

test('a plan in time has no negative slack, one that is late has some', () => {
	let late = 0;
	for (let seed = 1; seed <= 40; seed++) {
		const base = randomProblem(seed, 12, 'windows');
		const plan = planByRule({ ...base, deadline: base.start + (2 + (seed % 9)) * 1440 });
		if (plan.impossible.length) continue;
		const deadline = base.start + (2 + (seed % 9)) * 1440;
		const least = Math.min(...plan.steps.map((s) => s.slackMinutes ?? 0));
		if (plan.finish! <= deadline) assert.ok(least >= 0, `seed ${seed}: in time, yet ${least}`);
		else {
			assert.ok(least < 0, `seed ${seed}: late, yet ${least}`);
			late++;
		}
	}
	assert.ok(late > 5, 'both kinds were met');
});

test('without a deadline slack is against the finish, and the last step has none', () => {
	const plan = planByRule(
		problemOf([step('a', 10), step('b', 50), step('c', 20, after('a'))], {
			makers: ['x', 'y'].map((id) => ({ id, windows: ALWAYS }))
		})
	);
	assert.deepEqual(
		plan.steps.map((s) => [s.id, s.slackMinutes, s.critical]),
		[
			['a', 20, false],
			['b', 0, true],
			['c', 20, false]
		]
	);
});

test('the deciding chain ends at the finish and each link holds up the next', () => {
	for (let seed = 1; seed <= 40; seed++) {
		const plan = planByRule(randomProblem(seed, 20, 'windows'));
		const chain = decidingChain(plan);
		if (!chain.length) continue;
		assert.equal(chain.at(-1)!.ready, plan.finish, `seed ${seed}`);
		for (let i = 1; i < chain.length; i++) {
			assert.equal(chain[i]!.heldBy, chain[i - 1]!.id);
			assert.ok(chain[i - 1]!.end <= chain[i]!.start, `seed ${seed}: a link ends after the next begins`);
		}
	}
});

test('the finish never comes sooner when a parcel comes later, nor later with one more maker and no order to keep', () => {
	const steps = [40, 90, 20, 60].map((m, i) => step(`s${i}`, m, { oneSitting: true }));
	const finish = (extra: Partial<PlanProblem>) => planByRule(problemOf(steps, extra)).finish!;
	const two = { makers: ['x', 'y'].map((id) => ({ id, windows: ALWAYS })) };
	assert.equal(finish({}), 210);
	assert.ok(finish(two) <= finish({}));
	let before = 0;
	for (const parcel of [0, 50, 100, 300, 1000]) {
		const late = planByRule(
			problemOf(steps.map((s, i) => (i === 0 ? { ...s, notBefore: parcel } : s)))
		).finish!;
		assert.ok(late >= before, `${parcel}`);
		before = late;
	}
});

test('nothing to do is planned too', () => {
	const plan = planByRule(problemOf([]));
	assert.deepEqual(
		[plan.finish, plan.lowerBound, plan.steps.length, plan.impossible.length],
		[null, null, 0, 0]
	);
	assert.deepEqual(decidingChain(plan), []);
	assert.deepEqual(benchDays([], [], 0), []);
});

test('a thousand steps are planned without breaking a rule', () => {
	const p = randomProblem(99, 1000, 'windows');
	const plan = planByRule(p);
	assert.deepEqual(checkPlan(p, plan), []);
	assert.equal(plan.steps.length + plan.impossible.length, 1000);
});

test('the bench line: every minute of work and of waiting stands on its day, once', () => {
	for (let seed = 1; seed <= 20; seed++) {
		const p = randomProblem(seed, 15, 'anywhere');
		const plan = planByRule(p);
		const days = benchDays(plan.steps, [], p.start);
		const sum = (parts: { from: number; to: number }[]) =>
			parts.reduce((total, x) => total + x.to - x.from, 0);
		assert.equal(
			sum(days.flatMap((d) => d.work)),
			plan.steps.reduce((total, s) => total + s.blocks.reduce((t, [a, b]) => t + b - a, 0), 0),
			`seed ${seed}`
		);
		assert.equal(
			sum(days.flatMap((d) => d.drips)),
			plan.steps.reduce((total, s) => total + s.ready - s.end, 0),
			`seed ${seed}`
		);
		for (const d of days)
			for (const part of [...d.work, ...d.drips])
				assert.ok(part.from >= 0 && part.to <= 1440 && part.from < part.to);
		assert.equal(
			sum(days.flatMap((d) => d.work)),
			days.reduce((total, d) => total + d.handsOnMinutes, 0)
		);
	}
});

test('drips that overlap hang in rows of their own', () => {
	const random = seeded(3);
	const drips = Array.from({ length: 30 }, (_, i) => {
		const from = Math.floor(random() * 1000);
		return {
			id: String(i),
			from,
			to: from + 20 + Math.floor(random() * 200),
			continued: false,
			continues: false
		};
	}).sort((a, b) => a.from - b.from);
	const rows = dripRows(drips);
	for (let i = 0; i < drips.length; i++)
		for (let j = 0; j < i; j++)
			if (rows[i] === rows[j]) assert.ok(drips[j]!.to <= drips[i]!.from || drips[i]!.to <= drips[j]!.from);
});
