import { bad, type Parsed } from '../core/units/problem.ts';
import type { FromWorker, Request, Results } from './protocol.ts';

/**
 * Runs one request in a worker of its own. It settles whatever happens: what came of it, a problem, stopped, or the
 * worker lost. Stopping ends the worker, so that not even a long row keeps the machine busy.
 */
export function run<K extends keyof Results>(
	makeWorker: () => Worker,
	request: Extract<Request, { kind: K }>,
	onProgress: (share: number) => void,
	signal: AbortSignal,
	onBest: (result: Results[K]) => void = () => {}
): Promise<Parsed<Results[K]>> {
	return new Promise((resolve) => {
		const worker = makeWorker();
		const end = (outcome: Parsed<Results[K]>) => {
			worker.terminate();
			resolve(outcome);
		};
		if (signal.aborted) return end(bad('stopped'));
		signal.addEventListener('abort', () => end(bad('stopped')), { once: true });
		worker.onmessage = ({ data }: MessageEvent<FromWorker<K>>) => {
			if (data.type === 'progress') onProgress(data.share);
			else if (data.type === 'best') onBest(data.result);
			else end(data.outcome);
		};
		worker.onerror = worker.onmessageerror = () => end(bad('workerLost'));
		worker.postMessage(request);
	});
}
