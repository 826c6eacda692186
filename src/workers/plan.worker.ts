import { planByOrder } from '../core/engines/schedule/plan.ts';
import { simulate } from '../core/engines/schedule/odds.ts';
import type { Plan } from '../core/engines/schedule/problem.ts';
import { searchPlan } from '../core/engines/schedule/search.ts';
import { good } from '../core/units/problem.ts';
import { answer, toEnd, type Tell } from './answer.ts';
import type { PlanRequest } from './protocol.ts';

/** What is told is told no more often than this, ms. */
const PAUSE = 200;

/** A sooner plan looked for and builds of it simulated, off the page; the best so far is told as it is found. */
answer<'plan'>((data, tell) => {
	const share = data.seconds > 0 ? 0.5 : 0;
	const plan = share > 0 ? searched(data, share, tell) : planByOrder(data.problem, data.order);
	if (plan.impossible.length > 0 || plan.finish === null) return good({ plan, odds: null });
	if (share > 0) tell.best({ plan, odds: null });
	const builds = simulate({ ...data, order: plan.order });
	const odds = toEnd(builds, (done) => tell.progress(share + (1 - share) * done), PAUSE);
	return good({ plan, odds });
});

function searched({ problem, seed, order, seconds }: PlanRequest, share: number, tell: Tell<'plan'>): Plan {
	const began = performance.now();
	const search = searchPlan(problem, seed, order);
	let told = began;
	let better = false;
	for (;;) {
		const turn = search.work.next();
		if (turn.done) return search.soFar(turn.value);
		better ||= turn.value;
		const now = performance.now();
		if (now - began > seconds * 1000) return search.soFar('time');
		if (now - told < PAUSE) continue;
		told = now;
		tell.progress((share * (now - began)) / (seconds * 1000));
		if (better) tell.best({ plan: search.soFar('time'), odds: null });
		better = false;
	}
}
