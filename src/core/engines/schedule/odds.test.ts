import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, step, problemOf } from '$tests/support/planCases.ts';
import type { ThreePoints } from '../../units/threePoints.ts';
import { simulate, type OddsTask } from './odds.ts';
import { minutesAt, normalShare, pertMean, pertVariance } from './pert.ts';
import { planByRule } from './plan.ts';
import type { PlanProblem, PlanStep } from './problem.ts';
import { normals } from '../../units/random.ts';

const oddsOf = (problem: PlanProblem, extra: Partial<OddsTask> = {}) => {
	const work = simulate({
		problem,
		order: planByRule(problem).order,
		runs: 5000,
		seed: 1,
		shared: 0,
		by: [],
		...extra
	});
	let turn = work.next();
	while (!turn.done) turn = work.next();
	return turn.value;
};
const chain = (points: ThreePoints[]): PlanStep[] =>
	points.map((minutes, i) => step(`s${i}`, 0, { minutes, after: i ? [{ id: `s${i - 1}` }] : [] }));
/** From the odds of every minute: mean and variance of the finish. */
const momentsOf = (problem: PlanProblem, shared: number, most: number) => {
	const by = Array.from({ length: most }, (_, m) => m);
	const { by: shares } = oddsOf(problem, { shared, by, runs: 20_000 });
	// Sums over the tail: E[T] = Σ P(T > t), E[T²] = Σ (2t + 1) P(T > t).
	const mean = shares.reduce((sum, s) => sum + 1 - s.share, 0);
	const square = shares.reduce((sum, s) => sum + (2 * s.at + 1) * (1 - s.share), 0);
	return { mean, deviation: Math.sqrt(square - mean * mean) };
};

test('a step that usually takes none and may draw a minute is placed in every build', () => {
	const problem = problemOf([
		step('cut', 30),
		step('touch up', 0, { minutes: [0, 0, 1], after: [{ id: 'cut' }] }),
		step('pack', 10, { after: [{ id: 'touch up' }] })
	]);
	const odds = oddsOf(problem, { by: [100] });
	assert.equal(odds.by[0]!.share, 1);
	assert.ok(odds.p95! <= 41);
});

test('the normal share agrees with the table of Abramowitz & Stegun, Handbook of Mathematical Functions, 26.1', () => {
	// P(x) at 0.5, 1, 1.5, 2, 3.
	const table: [number, number][] = [
		[0, 0.5],
		[0.5, 0.6914624613],
		[1, 0.8413447461],
		[1.5, 0.9331927987],
		[2, 0.9772498681],
		[3, 0.998650102]
	];
	for (const [z, share] of table) {
		assert.ok(Math.abs(normalShare(z) - share) < 1e-7, `P(${z})`);
		assert.ok(Math.abs(normalShare(-z) - (1 - share)) < 1e-7, `P(−${z})`);
	}
});

test('minutes drawn have PERT’s mean and deviation, and never leave good to bad', () => {
	// (good + 4 usual + bad) / 6 and (bad − good) / 6: Malcolm, Roseboom, Clark & Fazar, 1959.
	for (const points of [
		[40, 60, 110],
		[70, 100, 180],
		[10, 10, 40],
		[10, 40, 40],
		[0, 5, 300]
	] as ThreePoints[]) {
		const at = minutesAt(points);
		const { normal } = normals(5);
		let sum = 0;
		let squares = 0;
		const draws = 40_000;
		for (let n = 0; n < draws; n++) {
			const minutes = at(normal());
			assert.ok(minutes >= points[0] && minutes <= points[2]);
			sum += minutes;
			squares += minutes * minutes;
		}
		const mean = sum / draws;
		const deviation = Math.sqrt(squares / draws - mean * mean);
		const expected = Math.sqrt(pertVariance(points));
		// Four standard errors of the mean, and what the table of quantiles rounds.
		assert.ok(
			Math.abs(mean - pertMean(points)) < 4 * (expected / Math.sqrt(draws)) + 0.002 * points[2],
			`${points}: ${mean}`
		);
		assert.ok(Math.abs(deviation / expected - 1) < 0.02, `${points}: ${deviation} for ${expected}`);
	}
	assert.equal(minutesAt([30, 30, 30])(3), 30);
});

test('a chain of many steps around the clock: the sum’s mean and deviation, as PERT adds them up', () => {
	const points = Array.from({ length: 12 }, (_, i): ThreePoints => [20 + i, 40 + 2 * i, 90 + 3 * i]);
	const mean = points.reduce((sum, p) => sum + pertMean(p), 0);
	const deviation = Math.sqrt(points.reduce((sum, p) => sum + pertVariance(p), 0));
	const alone = momentsOf(problemOf(chain(points)), 0, 2000);
	assert.ok(Math.abs(alone.mean - mean) < 2, `${alone.mean} for ${mean}`);
	assert.ok(Math.abs(alone.deviation / deviation - 1) < 0.03, `${alone.deviation} for ${deviation}`);
	// With all luck in common the deviations add up instead: a slow day slows all.
	const common = momentsOf(problemOf(chain(points)), 1, 2000);
	const sum = points.reduce((total, p) => total + Math.sqrt(pertVariance(p)), 0);
	assert.ok(Math.abs(common.mean - mean) < 4);
	assert.ok(Math.abs(common.deviation / sum - 1) < 0.03, `${common.deviation} for ${sum}`);
});

test('PERT’s own way: the odds of a long chain are those of a normal with its mean and deviation', () => {
	const points = Array.from({ length: 30 }, (): ThreePoints => [40, 60, 80]);
	const mean = 30 * 60;
	const deviation = Math.sqrt(30) * (40 / 6);
	const by = [-1, 0, 1, 2].map((z) => Math.round(mean + z * deviation));
	const { by: shares, p50, p80 } = oddsOf(problemOf(chain(points)), { by });
	shares.forEach(({ share }, k) =>
		assert.ok(Math.abs(share - normalShare(k - 1)) < 0.03, `${k - 1}: ${share}`)
	);
	assert.ok(Math.abs(p50! - mean) < 3);
	// z = 0.8416 for 80 %.
	assert.ok(Math.abs(p80! - (mean + 0.8416 * deviation)) < 4);
});

test('a late parcel: as often as it is the later of the two, it decides', () => {
	const parcels = [{ id: 'cloth', at: 1000, late: [0, 0, 600] as const }];
	const steps = [
		step('cut', 100, { parcels: ['cloth'] }),
		step('foam', 0, { minutes: [900, 1200, 1500], with: ['me'] })
	];
	const makers = ['me', 'two'].map((id) => ({ id, windows: ALWAYS }));
	const odds = oddsOf(problemOf(steps, { parcels, makers }));
	const share = (list: { id: string; share: number }[], id: string) =>
		list.find((s) => s.id === id)?.share ?? 0;
	assert.ok(Math.abs(share(odds.steps, 'cut') + share(odds.steps, 'foam') - 1) < 1e-9);
	assert.equal(share(odds.parcels, 'cloth'), share(odds.steps, 'cut'));
	assert.ok(share(odds.steps, 'cut') > 0.1 && share(odds.steps, 'foam') > 0.3);
});

test('work that has to be done again: as often as its chance says, hands-on and wait a second time', () => {
	const again = step('coat', 30, { wait: 100, redo: 0.2 });
	const { by } = oddsOf(problemOf([again]), { by: [129, 130, 259, 260], runs: 20_000 });
	assert.deepEqual(
		by.map((b) => b.share === 0 || b.share === 1 || Math.abs(b.share - 0.8) < 0.012),
		[true, true, true, true]
	);
	assert.deepEqual([by[0]!.share, by[3]!.share], [0, 1]);
});

test('waits slip too: most are as long as said, none shorter, the worst half as long again', () => {
	const coat = step('coat', 30, { wait: 1000 });
	const by = [1029, 1030, 1100, 1530];
	const told = (slip?: number) =>
		oddsOf(problemOf([coat]), { by, runs: 20_000, ...(slip ? { slip } : {}) }).by.map((b) => b.share);
	assert.deepEqual(told(), [0, 1, 1, 1], 'as said, where nothing slips');
	const [none, some, most, all] = told(0.5);
	assert.deepEqual([none, all], [0, 1]);
	// PERT on 0, 0, 500 is a beta with mean 83 and deviation 83: α 0.69, β 3.47. Up to 70 lies a bit more than half of it.
	assert.ok(some! < 0.1 && Math.abs(most! - 0.57) < 0.06, `${some} ${most}`);
});

test('the day that calendars reach is told, and every build that is ready is ready before it', () => {
	const problem = problemOf([step('a', 60, { minutes: [30, 60, 600] })]);
	const { until, p95, days } = oddsOf(problem);
	assert.ok(p95! < until && days.every((d) => d.day * 1440 < until));
	assert.ok(Math.abs(days.reduce((sum, d) => sum + d.share, 0) - 1) < 1e-9);
});

test('what is scarce: the helper’s evening, or the place’s, when the maker has hours and they have not', () => {
	// The maker works round the clock, the helper and the place on Wednesdays alone; it is Monday, 5 January 1970.
	const start = 4 * 1440;
	const wednesday = [{ days: [3], from: 0, to: 1440 }];
	const makers = [
		{ id: 'me', windows: ALWAYS },
		{ id: 'friend', windows: wednesday }
	];
	const places = [{ id: 'booth', capacity: 1, windows: wednesday }];
	const scarceOf = (steps: PlanStep[]) => oddsOf(problemOf(steps, { makers, places, start })).scarce;
	assert.deepEqual(scarceOf([step('fit', 60, { hands: 2 })]), [{ id: 'friend', minutes: 2 * 1440 }]);
	assert.deepEqual(scarceOf([step('spray', 60, { place: 'booth' })]), [{ id: 'booth', minutes: 2 * 1440 }]);
	assert.deepEqual(scarceOf([step('cut', 60)]), [], 'the maker’s own hours are no scarce thing');
});

test('the same for the same seed; shares of a day add up; told to stop, it sums up what it has', () => {
	const problem = problemOf(
		chain([
			[40, 60, 110],
			[20, 30, 90]
		]),
		{ makers: [{ id: 'me', windows: [{ days: [1, 2, 3, 4], from: 1080, to: 1140 }] }] }
	);
	assert.deepEqual(oddsOf(problem), oddsOf(problem));
	assert.notDeepEqual(oddsOf(problem), oddsOf(problem, { seed: 2 }));
	const { days } = oddsOf(problem);
	assert.ok(Math.abs(days.reduce((sum, d) => sum + d.share, 0) - 1) < 1e-9);
	const work = simulate({
		problem,
		order: planByRule(problem).order,
		runs: 5000,
		seed: 1,
		shared: 0,
		by: []
	});
	work.next();
	const stopped = work.next(true);
	assert.ok(stopped.done);
	assert.equal(stopped.value.runs, 20);
});

test('hours given away for a year put builds off, not out of the calendar', () => {
	const year = 365 * 1440;
	const problem = problemOf([step('sew', 60, { minutes: [40, 60, 90] })], {
		taken: new Map([['me', [[0, year]]]])
	});
	const odds = oddsOf(problem, { by: [year, year + 90], runs: 200 });
	assert.deepEqual(
		odds.by.map((b) => b.share),
		[0, 1]
	);
});
