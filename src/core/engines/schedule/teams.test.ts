import assert from 'node:assert/strict';
import { test } from 'node:test';
import { mixedProblem, problemOf, seeded, step } from '$tests/support/planCases.ts';
import type { Span } from './calendar.ts';
import { planByRule } from './plan.ts';
import type { PlanProblem } from './problem.ts';
import { makeShop, Teams, teamsOf, type Team } from './shop.ts';

const DAY = 1440;

/** Makers of whom some keep the same hours, some their own, and whose days are partly given away. */
function crowd(seed: number, count: number): Pick<PlanProblem, 'makers' | 'taken'> {
	const random = seeded(seed);
	const taken = new Map<string, Span[]>();
	const makers = Array.from({ length: count }, (_, k) => {
		const id = `m${k}`;
		const from = random() < 0.5 ? 1080 : 600 + 60 * Math.floor(random() * 8);
		const spans: Span[] = [];
		for (let day = 0; day < 20; day++)
			if (random() < 0.4) {
				const at = day * DAY + from + 15 * Math.floor(random() * 8);
				spans.push([at, at + 30 + 15 * Math.floor(random() * 8)]);
			}
		if (spans.length) taken.set(id, spans);
		return { id, windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from, to: from + 240 }] };
	});
	return { makers, taken };
}

test('teams that cannot be sooner are passed over, whoever is tried first, and no plan is another for it', (t) => {
	const { look } = Teams.prototype;
	/** So many teams were tried, and by all that there are. */
	const tried = [0, 0];
	const planned = (problem: PlanProblem, all: 0 | 1) => {
		t.mock.method(
			Teams.prototype,
			'look',
			function (this: Teams, worth: (m: number) => boolean, at: (team: Team) => void) {
				// By all that there are in their order: nobody is tried before.
				if (all) Object.defineProperty(this, 'first', { get: () => null, set: () => {}, configurable: true });
				look.call(this, all ? () => true : worth, (team) => {
					tried[all]!++;
					at(team);
				});
			}
		);
		const plan = planByRule(problem);
		t.mock.restoreAll();
		return plan;
	};
	for (let seed = 1; seed <= 40; seed++) {
		const mixed = mixedProblem(seed, 14, (['windows', 'anywhere'] as const)[seed % 2]!);
		const random = seeded(seed + 500);
		const problem: PlanProblem = {
			...mixed,
			...crowd(seed, 9),
			steps: mixed.steps.map((s) => ({ ...s, with: null, hands: random() < 0.6 ? 2 : 1 }))
		};
		assert.deepEqual(planned(problem, 0), planned(problem, 1), `problem ${seed}`);
	}
	assert.ok(tried[0]! < 0.5 * tried[1]!, `${tried[0]} of ${tried[1]} were tried`);
});

test('a team has its number, whether it was made or not', () => {
	const shop = makeShop({ ...problemOf([]), ...crowd(3, 7) }, 0, 10 * DAY);
	for (const hands of [1, 2, 3]) {
		const teams = teamsOf(shop, { step: step('x', 30, { hands }) });
		const all = [...teams].map((team) => team.makers);
		assert.equal(all.length, [7, 21, 35][hands - 1]);
		const fresh = new Teams(shop, shop.makers, [], hands);
		for (const [k, makers] of all.entries()) {
			assert.equal(fresh.numberOf(makers), k);
			assert.deepEqual(fresh.at(k).makers, makers);
		}
		assert.equal(fresh.numberOf(['m0', 'nobody']), -1);
		const longest = [...teams].map((team) => team.longest);
		assert.deepEqual(fresh.longest, [Math.min(...longest), Math.max(...longest)]);
	}
});

test('those who keep the same hours share the one list of them', () => {
	const hours = [{ days: [1, 2, 3], from: 600, to: 700 }];
	const makers = ['a', 'b', 'c'].map((id, k) => ({ id, windows: k < 2 ? structuredClone(hours) : [] }));
	const shop = makeShop({ ...problemOf([]), makers }, 0, 10 * DAY);
	assert.equal(shop.makers[0]!.open, shop.makers[1]!.open);
	const [ab, ac] = [...teamsOf(shop, { step: step('x', 30, { hands: 2 }) })];
	assert.deepEqual([...ab!.open], shop.makers[0]!.open.flat());
	assert.equal(ac!.open.length, 0);
});
