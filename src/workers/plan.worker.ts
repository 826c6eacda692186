import { planByOrder } from '../core/engines/schedule/plan.ts';
import { simulate } from '../core/engines/schedule/odds.ts';
import type { Plan } from '../core/engines/schedule/problem.ts';
import { searchPlan } from '../core/engines/schedule/search.ts';
import type { FromWorker, PlanRequest } from './protocol.ts';

/** A sooner plan looked for and builds of it simulated, off the page; the best so far is told as it is found. */
const say = (message: FromWorker<'plan'>) => postMessage(message);
/** What is told is told no more often than this, ms. */
const PAUSE = 200;

addEventListener('message', ({ data }: MessageEvent<PlanRequest>) => {
	const share = data.seconds > 0 ? 0.5 : 0;
	const plan = share > 0 ? searched(data, share) : planByOrder(data.problem, data.order);
	if (plan.impossible.length > 0 || plan.finish === null) {
		say({ type: 'result', result: { plan, odds: null } });
		return;
	}
	if (share > 0) say({ type: 'best', result: { plan, odds: null } });
	const work = simulate({ ...data, order: plan.order });
	let told = performance.now();
	let turn = work.next();
	while (!turn.done) {
		if (performance.now() - told > PAUSE) {
			told = performance.now();
			say({ type: 'progress', share: share + (1 - share) * turn.value });
		}
		turn = work.next();
	}
	say({ type: 'result', result: { plan, odds: turn.value } });
});

function searched({ problem, seed, order, seconds }: PlanRequest, share: number): Plan {
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
		say({ type: 'progress', share: (share * (now - began)) / (seconds * 1000) });
		if (better) say({ type: 'best', result: { plan: search.soFar('time'), odds: null } });
		better = false;
	}
}
