import { unfoldWays } from '../core/engines/mesh/unfold.ts';
import { good } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** A faceted shape unfolded, in few pieces and in many, off the page. */
answer<'unfold'>(({ mesh, thickness, most }, { progress }) => {
	const done = unfoldWays(mesh, { thickness, most, progress });
	if (!done.ok) return done;
	return good(done.value.map(({ key, pieces, seamLength, notes }) => ({ key, pieces, seamLength, notes })));
});
