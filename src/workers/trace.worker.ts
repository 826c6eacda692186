import { rectify } from '../core/measure/plane/rectify.ts';
import { greyOf } from '../core/trace/contour.ts';
import { trace } from '../core/trace/trace.ts';
import { pixelsOf } from './pixels.ts';
import type { FromWorker, TraceRequest } from './protocol.ts';

/** What lies on a mat, seen square on and traced. */
const say = (message: FromWorker<'trace'>) => postMessage(message);
/** Laying flat is about half of the work. */
const FLAT_SHARE = 0.5;

addEventListener('message', async ({ data }: MessageEvent<TraceRequest>) => {
	try {
		const laying = rectify(await pixelsOf(data.picture), data.toPlane, data.view);
		let flat = laying.next();
		while (!flat.done) {
			say({ type: 'progress', share: flat.value * FLAT_SHARE });
			flat = laying.next();
		}
		const tracing = trace(greyOf(flat.value), {
			mmPerPx: 1 / data.view.pixelsPerMm,
			speck: data.speck,
			tolerance: data.tolerance
		});
		let turn = tracing.next();
		while (!turn.done) {
			say({ type: 'progress', share: FLAT_SHARE + turn.value * (1 - FLAT_SHARE) });
			turn = tracing.next();
		}
		if (turn.value.ok) say({ type: 'result', result: turn.value.value });
		else say({ type: 'error', code: turn.value.problem.code });
	} catch (error) {
		say({ type: 'error', code: error instanceof RangeError ? 'tooLittleMemory' : 'pictureDamaged' });
	}
});
