import { rectify } from '../core/engines/plane/rectify.ts';
import { pictureOf, pixelsOf } from './pixels.ts';
import type { FlattenRequest, FromWorker } from './protocol.ts';

/** A picture seen square on. Decoding, turning and encoding all happen here, off the page. */
const say = (message: FromWorker<'flatten'>) => postMessage(message);

addEventListener('message', async ({ data }: MessageEvent<FlattenRequest>) => {
	try {
		const work = rectify(await pixelsOf(data.picture), data.toPlane, data.view);
		let turn = work.next();
		while (!turn.done) {
			say({ type: 'progress', share: turn.value });
			turn = work.next();
		}
		const { width, height } = turn.value;
		say({ type: 'result', result: { picture: await pictureOf(turn.value), width, height } });
	} catch (error) {
		say({ type: 'error', code: error instanceof RangeError ? 'tooLittleMemory' : 'pictureDamaged' });
	}
});
