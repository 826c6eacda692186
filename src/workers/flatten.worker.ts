import { rectify } from '../core/engines/plane/rectify.ts';
import { good } from '../core/units/problem.ts';
import { answer, toEnd } from './answer.ts';
import { pictureOf, pixelsOf } from './pixels.ts';

/** A picture seen square on. Decoding, turning and encoding all happen here, off the page. */
answer<'flatten'>(async ({ picture, toPlane, lens, view }, { progress }) => {
	const flat = toEnd(rectify(await pixelsOf(picture), toPlane, view, lens), progress);
	return good({ picture: await pictureOf(flat), width: flat.width, height: flat.height });
});
