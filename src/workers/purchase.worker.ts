import wasm from 'highs/runtime?url';
import { choosePurchase } from '../core/answers/purchase.ts';
import { loadSolver } from '../core/engines/purchase/solver.ts';
import { good } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** What to buy, chosen off the page; the choice is told before what else was asked about. */
answer<'purchase'>(async ({ task, seconds }, tell) => {
	const work = choosePurchase(task, await loadSolver(wasm), seconds);
	for (;;) {
		const turn = work.next();
		if (turn.done) return good(turn.value);
		tell.best(turn.value);
	}
});
