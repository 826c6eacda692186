import type { FromWorker, Outcome, Request, Results } from './protocol.ts';

/**
 * Runs one request in a worker of its own. It settles whatever happens: result, coded error, stopped, or the
 * worker lost. Stopping ends the worker, so that not even a long row keeps the machine busy.
 */
export function run<K extends keyof Results>(
	makeWorker: () => Worker,
	request: Extract<Request, { kind: K }>,
	onProgress: (share: number) => void,
	signal: AbortSignal,
	onBest: (result: Results[K]) => void = () => {}
): Promise<Outcome<Results[K]>> {
	return new Promise((resolve) => {
		const worker = makeWorker();
		const end = (outcome: Outcome<Results[K]>) => {
			worker.terminate();
			resolve(outcome);
		};
		if (signal.aborted) return end({ ok: false, code: 'stopped' });
		signal.addEventListener('abort', () => end({ ok: false, code: 'stopped' }), { once: true });
		worker.onmessage = ({ data }: MessageEvent<FromWorker<K>>) => {
			if (data.type === 'progress') onProgress(data.share);
			else if (data.type === 'best') onBest(data.result);
			else if (data.type === 'result') end({ ok: true, result: data.result });
			else end({ ok: false, code: data.code as 'pictureDamaged' | 'tooLittleMemory' });
		};
		worker.onerror = worker.onmessageerror = () => end({ ok: false, code: 'workerLost' });
		worker.postMessage(request);
	});
}
