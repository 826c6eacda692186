import { bad, Failed, problem, say, type Parsed } from '$core/units/problem.ts';
import type { Request, Results } from '../../workers/protocol.ts';
import { run } from '../../workers/run.ts';

/** Long work as a page shows it: how far it is, what went wrong, and a way to stop it. */
export class LongWork {
	/** The share that is done; null while nothing is. */
	progress = $state<number | null>(null);
	problem = $state('');
	#stopper: AbortController | null = null;

	/** Starts anew; what was under way is stopped. Null when it was stopped or failed, which `problem` then says. */
	async run<T>(
		work: (signal: AbortSignal, progress: (share: number) => void) => Promise<Parsed<T>>
	): Promise<T | null> {
		this.stop();
		const mine = (this.#stopper = new AbortController());
		this.problem = '';
		this.progress = 0;
		const outcome = await work(mine.signal, (share) => {
			if (this.#stopper === mine) this.progress = share;
		}).catch((error: unknown): Parsed<T> => {
			if (mine.signal.aborted) return bad('stopped');
			return { ok: false, problem: error instanceof Failed ? error.problem : problem('workerLost') };
		});
		// A later start has taken over what is shown.
		if (this.#stopper !== mine) return null;
		this.progress = null;
		if (outcome.ok) return outcome.value;
		if (outcome.problem.code !== 'stopped') this.problem = say(outcome.problem);
		return null;
	}

	stop() {
		this.#stopper?.abort();
	}
}

/** Work in a worker. */
export class Task<K extends keyof Results> extends LongWork {
	start(
		makeWorker: () => Worker,
		makeRequest: (signal: AbortSignal) => Promise<Extract<Request, { kind: K }>>,
		onBest?: (result: Results[K]) => void
	): Promise<Results[K] | null> {
		return this.run(async (signal, progress) =>
			run<K>(makeWorker, await makeRequest(signal), progress, signal, onBest)
		);
	}
}

/**
 * What the server has under an address.
 * @throws Failed when there is no answer, or nothing there
 */
export async function fetched(address: string, signal: AbortSignal): Promise<Response> {
	const response = await fetch(address, { signal }).catch(() => {
		throw new Failed(problem('noAnswer'));
	});
	if (!response.ok) throw new Failed(problem('goneHere'));
	return response;
}
