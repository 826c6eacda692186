import { triage } from '../core/engines/schedule/triage.ts';
import type { FromWorker, TriageRequest } from './protocol.ts';

/** What to leave out or add, weighed off the page. */
const say = (message: FromWorker<'triage'>) => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<TriageRequest>) => {
	const work = triage(data);
	let turn = work.next();
	while (!turn.done) {
		say({ type: 'progress', share: turn.value });
		turn = work.next();
	}
	say({ type: 'result', result: turn.value });
});
