import { pack } from '../core/engines/case/pack.ts';
import { good } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** The same every time. */
const SEED = 1;

/** Boxes into cases, off the page: whatever is better is told. */
answer<'case'>(({ task, seconds }, { best, progress }) => {
	const began = performance.now();
	const elapsed = () => (performance.now() - began) / 1000;
	return good(
		pack(task, SEED, seconds, elapsed, (packing) => {
			best(packing);
			progress(Math.min(1, elapsed() / seconds));
		})
	);
});
