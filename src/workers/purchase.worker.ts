import wasm from 'highs/runtime?url';
import { choosePurchase } from '../core/answers/purchaseChoice.ts';
import { loadSolver } from '../core/engines/purchase/solver.ts';
import { good } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** Other packs are asked about for so long at most, and told no more often than this, ms. */
const ASKING = 15_000;
const PAUSE = 200;

/** What to buy, chosen off the page; the choice is told before what else was asked about. */
answer<'purchase'>(async ({ task, apart, seconds }, tell) => {
	const work = choosePurchase(task, await loadSolver(wasm), seconds, apart);
	const first = work.next();
	if (first.done) return good(first.value);
	tell.best(first.value);
	const began = performance.now();
	let told = began;
	for (;;) {
		const turn = work.next();
		const now = performance.now();
		if (turn.done || now - began > ASKING) return good(turn.value);
		if (now - told < PAUSE) continue;
		told = now;
		tell.best(turn.value);
	}
});
