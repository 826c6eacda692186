import { rectify } from '../core/engines/plane/rectify.ts';
import { trace } from '../core/engines/trace/trace.ts';
import { good } from '../core/units/problem.ts';
import { answer, toEnd } from './answer.ts';
import { pictureOf, pixelsOf } from './pixels.ts';

/** Laying flat is about half of the work. */
const FLAT_SHARE = 0.5;

/** What lies on a mat, seen square on and traced. */
answer<'trace'>(async ({ picture, toPlane, lens, view, options }, { progress }) => {
	const laying = rectify(await pixelsOf(picture), toPlane, view, lens);
	const flat = toEnd(laying, (share) => progress(share * FLAT_SHARE));
	const tracing = trace(flat, { ...options, mmPerPx: 1 / view.pixelsPerMm });
	const traced = toEnd(tracing, (share) => progress(FLAT_SHARE + share * (1 - FLAT_SHARE)));
	return traced.ok ? good({ ...traced.value, flat: await pictureOf(flat, 'image/jpeg') }) : traced;
});
