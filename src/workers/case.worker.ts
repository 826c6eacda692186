import { pack } from '../core/engines/case/pack.ts';
import { good } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** The same every time. */
const SEED = 1;
/** Told no more often than this, s. */
const PAUSE = 0.1;

/** Boxes into cases, off the page: whatever is better is told. */
answer<'case'>(({ task, seconds }, { best, progress }) => {
	const began = performance.now();
	let told = 0;
	// The search asks for the time between any two things that it tries.
	const elapsed = () => {
		const now = (performance.now() - began) / 1000;
		if (now - told > PAUSE) {
			told = now;
			progress(Math.min(1, now / seconds));
		}
		return now;
	};
	return good(pack(task, SEED, seconds, elapsed, best));
});
