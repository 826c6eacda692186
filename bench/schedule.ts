import { checkPlan } from '../src/core/schedule/checkPlan.ts';
import { planByRule } from '../src/core/schedule/plan.ts';
import { randomProblem } from '../tests/support/planCases.ts';
import { median, ms, timed } from './print.ts';

export function schedule(): void {
	console.log('\nschedule: plan by rule, forward and back (median of 7)');
	for (const count of [30, 120, 500, 1000])
		for (const split of ['windows', 'anywhere'] as const) {
			const problem = randomProblem(count, count, split);
			const times = timed(7, () => planByRule(problem));
			const plan = planByRule(problem);
			const wrong = checkPlan(problem, plan).length;
			const above = plan.finish! - plan.lowerBound!;
			console.log(
				`  ${String(count).padStart(4)} steps, ${split.padEnd(8)} ${ms(median(times)).padStart(10)}   ` +
					`${(above / 60).toFixed(1)} h above the lower bound${wrong ? `   ${wrong} RULES BROKEN` : ''}`
			);
		}
}
