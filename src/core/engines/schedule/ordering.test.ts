import assert from 'node:assert/strict';
import { test } from 'node:test';
import { problemOf, step } from '$tests/support/planCases.ts';
import { DAY } from '../../units/localTime.ts';
import { seeded } from '../../units/random.ts';
import { simulate } from './odds.ts';
import { lastThat, ordering, type OrderingTask } from './ordering.ts';
import { planByRule } from './plan.ts';
import type { PlanProblem } from './problem.ts';

function toEnd<T>(work: Generator<number, T, boolean | undefined>): T {
	let turn = work.next();
	while (!turn.done) turn = work.next();
	return turn.value;
}
const LUCK = { runs: 400, seed: 7, shared: 0.25 };
const orderingOf = (problem: PlanProblem, parcels: OrderingTask['parcels'], deadline: number) =>
	toEnd(ordering({ problem, order: planByRule(problem).order, ...LUCK, deadline, parcels }));
/** The share by simulating it all again with the parcel at that moment: the long way. */
const shareWith = (problem: PlanProblem, id: string, at: number, deadline: number) => {
	const moved = { ...problem, parcels: problem.parcels!.map((p) => (p.id === id ? { ...p, at } : p)) };
	const task = { problem: moved, order: planByRule(problem).order, ...LUCK, by: [deadline] };
	return toEnd(simulate(task)).by[0]!.share;
};

test('the last that holds is found from any guess, by fewer questions than one by one', () => {
	const random = seeded(3);
	for (let round = 0; round < 500; round++) {
		const count = 1 + Math.floor(random() * 90);
		const last = Math.floor(random() * count);
		let asked = 0;
		const found = lastThat((k) => (asked++, k <= last), count, Math.floor(random() * count));
		assert.equal(found, last);
		assert.ok(asked <= 2 * Math.ceil(Math.log2(count + 1)) + 2, `${asked} of ${count}`);
	}
});

test('without chance a parcel serves until the moment that hand arithmetic gives', () => {
	// Ready by 600; it takes 30, then 50 of it wait for nothing: at 520 at the latest.
	const problem = problemOf(
		[
			step('prime', 30, { parcels: ['primer'] }),
			step('sand', 50, { after: [{ id: 'prime' }] }),
			step('sew', 200)
		],
		{ parcels: [{ id: 'primer', at: 0, late: [0, 0, 0] }] }
	);
	const at = [0, 300, 519, 520, 521, 600];
	const [found] = orderingOf(problem, [{ id: 'primer', at }], 600);
	assert.deepEqual(found, { id: 'primer', shares: [1, 1, 1, 1, 0, 0] });
});

test('shares are those of builds simulated all over again, day by day', () => {
	const problem = problemOf(
		[
			step('cut', 0, { minutes: [200, 300, 900] }),
			step('glue', 0, { minutes: [100, 200, 900], after: [{ id: 'cut' }], parcels: ['glue'] }),
			step('paint', 0, { minutes: [100, 200, 600], after: [{ id: 'glue' }], parcels: ['paint', 'glue'] })
		],
		{
			parcels: [
				{ id: 'glue', at: DAY, late: [0, 0, DAY] },
				{ id: 'paint', at: 2 * DAY, late: [0, 0, 2 * DAY] }
			]
		}
	);
	const deadline = 3.5 * DAY;
	const parcels = [
		{ id: 'glue', at: [1, 1.5, 2, 2.5, 3, 3.5].map((d) => d * DAY) },
		{ id: 'paint', at: [2, 2.5, 3, 3.2].map((d) => d * DAY) }
	];
	const found = orderingOf(problem, parcels, deadline);
	for (const [k, { id, at }] of parcels.entries())
		assert.deepEqual(
			found[k]!.shares,
			at.map((moment) => shareWith(problem, id, moment, deadline)),
			id
		);
	const { shares } = found[0]!;
	assert.ok(shares[0]! > shares[3]! && shares[3]! > shares[4]! && shares[5] === 0, String(shares));
});

test('what is late anyway is late whenever it is ordered', () => {
	const problem = problemOf([step('sew', 700, { parcels: ['cloth'] })], {
		parcels: [{ id: 'cloth', at: 0, late: [0, 0, 0] }]
	});
	const [found] = orderingOf(problem, [{ id: 'cloth', at: [0, 60] }], 600);
	assert.deepEqual(found!.shares, [0, 0]);
});
