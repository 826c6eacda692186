import { layOut } from '../core/engines/layout/engine.ts';
import { good } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** Better ones are told no more often than this, ms: a page has to draw them. */
const PAUSE = 150;

/** Pieces laid out, off the page: the best so far is told whenever there is a better one. */
answer<'layout'>(({ task, seconds }, { progress, best }) => {
	const began = performance.now();
	const elapsed = () => (performance.now() - began) / 1000;
	const { work, soFar } = layOut(task, () => elapsed() > seconds);
	let told = 0;
	let better = false;
	for (const found of work) {
		better ||= found;
		if (performance.now() - told < PAUSE) continue;
		told = performance.now();
		progress(Math.min(1, elapsed() / seconds));
		if (better) best({ layout: soFar(), seconds: elapsed() });
		better = false;
	}
	return good({ layout: soFar(), seconds: elapsed() });
});
