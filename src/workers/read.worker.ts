import { readDxf } from '../core/formats/readDxf.ts';
import { readSvg } from '../core/formats/readSvg.ts';
import type { FromWorker, ReadRequest } from './protocol.ts';

/** Pieces read from a drawing, off the page. */
const say = (message: FromWorker<'read'>) => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<ReadRequest>) => {
	const read = data.format === 'svg' ? readSvg : readDxf;
	const done = read(data.text, data.unit, (share) => say({ type: 'progress', share }));
	if (done.ok) say({ type: 'result', result: done.value });
	else say({ type: 'error', code: done.problem.code });
});
