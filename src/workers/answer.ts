import { Failed, problem, type Parsed } from '../core/units/problem.ts';
import type { FromWorker, Request, Results } from './protocol.ts';

/** What a worker tells on the way. */
export interface Tell<K extends keyof Results> {
	progress: (share: number) => void;
	/** The best so far. */
	best: (result: Results[K]) => void;
}

/** A worker's whole part: it answers one request, and every request is answered, whatever is thrown. */
export function answer<K extends keyof Results>(
	work: (
		request: Extract<Request, { kind: K }>,
		tell: Tell<K>
	) => Parsed<Results[K]> | Promise<Parsed<Results[K]>>
): void {
	const say = (message: FromWorker<K>) => postMessage(message);
	addEventListener('message', async ({ data }: MessageEvent<Extract<Request, { kind: K }>>) => {
		try {
			const outcome = await work(data, {
				progress: (share) => say({ type: 'progress', share }),
				best: (result) => say({ type: 'best', result })
			});
			say({ type: 'end', outcome });
		} catch (error) {
			say({ type: 'end', outcome: { ok: false, problem: problemOf(error) } });
		}
	});
}

/** What was thrown, as a problem: too large a picture is all that runs out of room here. */
export const problemOf = (error: unknown) =>
	error instanceof Failed
		? error.problem
		: problem(error instanceof RangeError ? 'tooLittleMemory' : 'workerLost');

/** Goes through work that tells its share at every turn; what it came to. */
export function toEnd<R>(work: Generator<number, R>, progress: (share: number) => void, pauseMs = 0): R {
	let told = performance.now();
	let turn = work.next();
	while (!turn.done) {
		if (performance.now() - told >= pauseMs) {
			told = performance.now();
			progress(turn.value);
		}
		turn = work.next();
	}
	return turn.value;
}
