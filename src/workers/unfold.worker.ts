import { unfold } from '../core/engines/mesh/unfold.ts';
import type { FromWorker, UnfoldRequest } from './protocol.ts';

/** A faceted shape unfolded, off the page. */
const say = (message: FromWorker<'unfold'>) => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<UnfoldRequest>) => {
	const done = unfold(data.mesh, {
		thickness: data.thickness,
		most: data.most,
		progress: (share) => say({ type: 'progress', share })
	});
	if (!done.ok) return say({ type: 'error', code: done.problem.code });
	const { pieces, seamLength, notes } = done.value;
	say({ type: 'result', result: { pieces, seamLength, notes } });
});
