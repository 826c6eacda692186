import { layOut } from '../core/engines/layout/engine.ts';
import type { FromWorker, LayoutRequest } from './protocol.ts';

/** Pieces laid out, off the page: the best so far is told whenever there is a better one. */
const say = (message: FromWorker<'layout'>) => postMessage(message);
/** Better ones are told no more often than this, ms: a page has to draw them. */
const PAUSE = 150;

addEventListener('message', ({ data }: MessageEvent<LayoutRequest>) => {
	const began = performance.now();
	const share = () => (performance.now() - began) / (data.seconds * 1000);
	const { work, soFar } = layOut(data.task, () => share() > 1);
	let told = 0;
	let better = false;
	for (const found of work) {
		better ||= found;
		if (performance.now() - told < PAUSE) continue;
		told = performance.now();
		say({ type: 'progress', share: Math.min(1, share()) });
		if (better) say({ type: 'best', result: { layout: soFar(), seconds: (told - began) / 1000 } });
		better = false;
	}
	say({ type: 'result', result: { layout: soFar(), seconds: (performance.now() - began) / 1000 } });
});
