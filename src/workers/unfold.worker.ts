import { unfold } from '../core/engines/mesh/unfold.ts';
import { good } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** A faceted shape unfolded, off the page. */
answer<'unfold'>(({ mesh, thickness, most }, { progress }) => {
	const done = unfold(mesh, { thickness, most, progress });
	if (!done.ok) return done;
	const { pieces, seamLength, notes } = done.value;
	return good({ pieces, seamLength, notes });
});
