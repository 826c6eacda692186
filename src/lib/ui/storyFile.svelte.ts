/** Often enough to see it go on. */
const ASK_AGAIN = 400;

/** A record that is written as a PDF: how far it has come, until it is saved or stopped. */
export class StoryFile {
	busy = $state(false);
	words = $state('');
	problem = $state('');
	#stop: AbortController | null = null;

	/** @param asked of the address, with its question mark */
	async save(address: string, asked: string, name: string): Promise<void> {
		if (this.busy) return;
		this.busy = true;
		this.problem = '';
		this.words = 'Writing it…';
		const stop = (this.#stop = new AbortController());
		const timer = setInterval(() => this.#askHowFar(`${address}/progress${asked}`, stop.signal), ASK_AGAIN);
		try {
			const answer = await fetch(`${address}${asked}`, { signal: stop.signal });
			if (!answer.ok) throw new Error(`${answer.status}`);
			const link = document.createElement('a');
			link.href = URL.createObjectURL(await answer.blob());
			link.download = name;
			link.click();
			URL.revokeObjectURL(link.href);
		} catch {
			if (!stop.signal.aborted) this.problem = 'It could not be written. Try again in a moment.';
		} finally {
			clearInterval(timer);
			this.busy = false;
		}
	}

	stop(): void {
		this.#stop?.abort();
	}

	async #askHowFar(address: string, signal: AbortSignal): Promise<void> {
		const answer = await fetch(address, { signal }).catch(() => null);
		const told = answer?.ok ? ((await answer.json()) as { done: number; of: number } | null) : null;
		if (this.busy) this.words = told ? `Picture ${told.done} of ${told.of}…` : 'Writing it…';
	}
}
