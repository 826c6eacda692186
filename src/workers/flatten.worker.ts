import { rectify } from '../core/measure/plane/rectify.ts';
import { pixelsOf } from './pixels.ts';
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
		const canvas = new OffscreenCanvas(width, height);
		canvas.getContext('2d')!.putImageData(new ImageData(turn.value.data as never, width, height), 0, 0);
		say({
			type: 'result',
			result: { picture: await canvas.convertToBlob({ type: 'image/png' }), width, height }
		});
	} catch (error) {
		say({ type: 'error', code: error instanceof RangeError ? 'tooLittleMemory' : 'pictureDamaged' });
	}
});
