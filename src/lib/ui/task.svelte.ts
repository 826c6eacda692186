import { say } from '$core/units/messages.ts';
import type { Outcome, Request, Results } from '../../workers/protocol.ts';
import { run } from '../../workers/run.ts';

/** Work in a worker as a page shows it: how far it is, what went wrong, and a way to stop it. */
export class Task<K extends keyof Results> {
	/** The share that is done; null while nothing is. */
	progress = $state<number | null>(null);
	problem = $state('');
	#stopper: AbortController | null = null;

	/** Starts anew; what was under way is stopped. Null when it was stopped or failed, which `problem` then says. */
	async start(
		makeWorker: () => Worker,
		makeRequest: (signal: AbortSignal) => Promise<Extract<Request, { kind: K }>>,
		onBest?: (result: Results[K]) => void
	): Promise<Results[K] | null> {
		this.stop();
		const mine = (this.#stopper = new AbortController());
		this.problem = '';
		this.progress = 0;
		let outcome: Outcome<Results[K]>;
		try {
			const request = await makeRequest(mine.signal);
			outcome = await run<K>(makeWorker, request, (share) => (this.progress = share), mine.signal, onBest);
		} catch {
			outcome = { ok: false, code: mine.signal.aborted ? 'stopped' : 'pictureDamaged' };
		}
		// A later start has taken over what is shown.
		if (this.#stopper !== mine) return null;
		this.progress = null;
		if (outcome.ok) return outcome.result;
		if (outcome.code !== 'stopped')
			this.problem = say({ code: outcome.code, path: [], values: { most: '100,000' } });
		return null;
	}

	stop() {
		this.#stopper?.abort();
	}
}
