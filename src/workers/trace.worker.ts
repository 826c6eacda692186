import { rectify } from '../core/engines/plane/rectify.ts';
import { greyOf } from '../core/engines/trace/contour.ts';
import { trace } from '../core/engines/trace/trace.ts';
import { pictureOf, pixelsOf } from './pixels.ts';
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
			...data.options,
			mmPerPx: 1 / data.view.pixelsPerMm
		});
		let turn = tracing.next();
		while (!turn.done) {
			say({ type: 'progress', share: FLAT_SHARE + turn.value * (1 - FLAT_SHARE) });
			turn = tracing.next();
		}
		if (turn.value.ok) {
			const picture = await pictureOf(flat.value, 'image/jpeg');
			say({ type: 'result', result: { ...turn.value.value, flat: picture } });
		} else say({ type: 'error', code: turn.value.problem.code });
	} catch (error) {
		say({ type: 'error', code: error instanceof RangeError ? 'tooLittleMemory' : 'pictureDamaged' });
	}
});
