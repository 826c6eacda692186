import { checkPlan } from '../src/core/engines/schedule/checkPlan.ts';
import { simulate } from '../src/core/engines/schedule/odds.ts';
import { ordering } from '../src/core/engines/schedule/ordering.ts';
import { DAY } from '../src/core/units/localTime.ts';
import { planByRule } from '../src/core/engines/schedule/plan.ts';
import type { PlanProblem } from '../src/core/engines/schedule/problem.ts';
import type { Split } from '../src/core/facts/calendar.ts';
import { searchPlan } from '../src/core/engines/schedule/search.ts';
import { JOB_SHOPS, jobShop } from '../tests/support/jobShops.ts';
import { randomProblem } from '../tests/support/planCases.ts';
import { median, ms, timed } from './print.ts';

/** Good and bad days round each step's usual minutes. */
const spread = (problem: PlanProblem): PlanProblem => ({
	...problem,
	steps: problem.steps.map((s) => ({
		...s,
		minutes: [Math.round(s.minutes[1] * 0.7), s.minutes[1], Math.round(s.minutes[1] * 1.8)]
	}))
});

export function schedule(): void {
	byRule();
	for (const split of ['windows', 'anywhere'] as const) {
		searched(30, 1, 20, split);
		searched(120, 5, 6, split);
	}
	published();
	odds();
	orders();
}

function byRule(): void {
	console.log('\nschedule: plan by rule, forward and back, with its lower bound (median of 7)');
	for (const count of [30, 120, 500, 1000])
		for (const split of ['windows', 'anywhere'] as const) {
			const problem = randomProblem(count, count, split);
			const times = timed(7, () => planByRule(problem));
			const wrong = checkPlan(problem, planByRule(problem)).length;
			console.log(
				`  ${String(count).padStart(4)} steps, ${split.padEnd(8)} ${ms(median(times)).padStart(10)}${broken(wrong)}`
			);
		}
}

const broken = (wrong: number) => (wrong ? `   ${wrong} RULES BROKEN` : '');

/** How far above the lower bound the search ends, as a share of the whole time; the rule's plan beside it. */
function searched(count: number, seconds: number, cases: number, split: Split): void {
	console.log(`\nschedule: ${count} steps, ${split}, searched for ${seconds} s at most`);
	let proved = 0;
	let close = 0;
	for (let seed = 1; seed <= cases; seed++) {
		const problem = randomProblem(seed, count, split);
		const began = performance.now();
		const search = searchPlan(problem, 1);
		const rule = search.soFar();
		let turn = search.work.next();
		while (!turn.done && performance.now() - began < seconds * 1000) turn = search.work.next();
		const took = performance.now() - began;
		const plan = search.soFar();
		const above = (at: number) => (at - plan.lowerBound!) / (plan.lowerBound! - problem.start);
		const share = above(plan.finish!);
		if (plan.stoppedBy === 'proved') proved++;
		else if (share <= 0.01) close++;
		console.log(
			`  case ${String(seed).padStart(2)}: ${(100 * share).toFixed(2).padStart(6)} % above the bound in ${ms(took).padStart(8)}, ` +
				`the rule ${(100 * above(rule.finish!)).toFixed(1)} %${broken(checkPlan(problem, plan).length)}`
		);
	}
	console.log(`  ${proved} of ${cases} proved, ${close} more within 1 % of the bound`);
}

function published(): void {
	console.log('\nschedule: published job shops, searched for 5 s at most');
	for (const [name, { best }] of Object.entries(JOB_SHOPS)) {
		const problem = jobShop(name as keyof typeof JOB_SHOPS);
		const began = performance.now();
		const search = searchPlan(problem, 1);
		let turn = search.work.next();
		while (!turn.done && performance.now() - began < 5000) turn = search.work.next();
		const took = performance.now() - began;
		const plan = search.soFar();
		console.log(
			`  ${name}: ready after ${plan.finish}, best known ${best}, bound ${plan.lowerBound}, ${ms(took).trim()}${broken(checkPlan(problem, plan).length)}`
		);
	}
}

function odds(): void {
	console.log('\nschedule: 5,000 simulated builds (median of 3)');
	for (const count of [30, 120]) {
		const problem = spread(randomProblem(2, count, 'windows'));
		const { order } = planByRule(problem);
		const task = { problem, order, runs: 5000, seed: 1, shared: 0.25, by: [problem.deadline!] };
		const times = timed(3, () => {
			const work = simulate(task);
			while (!work.next().done);
		});
		console.log(`  ${String(count).padStart(4)} steps ${ms(median(times)).padStart(10)}`);
	}
}

/** Until when each of twelve orders can wait, day by day until the deadline. */
function orders(): void {
	console.log('\nschedule: until when twelve orders can wait, 300 builds (median of 3)');
	for (const count of [30, 120]) {
		const plain = spread(randomProblem(2, count, 'windows'));
		const parcels = Array.from({ length: 12 }, (_, k) => ({
			id: `parcel ${k}`,
			at: plain.start + k * DAY,
			late: [0, 0, 2 * DAY] as const
		}));
		const steps = plain.steps.map((s, i) => (i % 3 ? s : { ...s, parcels: [`parcel ${(i / 3) % 12}`] }));
		const problem = { ...plain, parcels, steps };
		const { order } = planByRule(problem);
		const days = (from: number) => Math.floor((problem.deadline! - from) / DAY);
		const task = {
			problem,
			order,
			runs: 300,
			seed: 1,
			shared: 0.25,
			deadline: problem.deadline!,
			parcels: parcels.map(({ id, at }) => ({
				id,
				at: Array.from({ length: days(at) + 1 }, (_, k) => at + k * DAY)
			}))
		};
		const times = timed(3, () => {
			const work = ordering(task);
			while (!work.next().done);
		});
		console.log(`  ${String(count).padStart(4)} steps ${ms(median(times)).padStart(10)}`);
	}
}
