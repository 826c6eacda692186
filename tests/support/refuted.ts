import { draftByRule } from '../../src/core/engines/schedule/plan.ts';
import type { PlanProblem } from '../../src/core/engines/schedule/problem.ts';
import { Refuter } from '../../src/core/engines/schedule/refute.ts';
import { makeShop } from '../../src/core/engines/schedule/shop.ts';
import { DAY } from '../../src/core/units/localTime.ts';

/** What comes of so many assumptions at most. */
export function asked(problem: PlanProblem, by: number, assumptions = 3000) {
	const { problem: possible, nodes } = draftByRule(problem);
	const work = new Refuter(possible, nodes, makeShop(possible, problem.start, by + 10 * DAY)).refute(by);
	for (let n = 0; n < assumptions; n++) {
		const turn = work.next();
		if (turn.done) return turn.value;
	}
	return 'open';
}
export const refuted = (problem: PlanProblem, by: number) => asked(problem, by) === 'refuted';
