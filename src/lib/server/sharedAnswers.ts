/** An answer that may be given to more than one. */
export interface SharedAnswer {
	status: number;
	headers: [string, string][];
	body: ArrayBuffer;
	/** It is made of what the state tells, and of nothing else: as long as that is so, it is given again. */
	keep: boolean;
}

interface Wanted {
	answer: Promise<SharedAnswer>;
	begin: () => void;
}

/** So many are worked out at once: each waits for the database now and then. */
const AT_ONCE = 3;
/** So many are kept of one state. */
const KEPT = 200;

/**
 * Pages that many ask for are worked out once. Whoever asks before that has begun shares it, and as long as nothing changes,
 * whoever comes later too: nobody is shown less than was stored when they asked.
 */
export class SharedAnswers {
	readonly #waiting = new Map<string, Wanted>();
	#running = 0;
	/** What is being worked out, and of which state. */
	readonly #begun = new Map<string, { of: string; answer: Promise<SharedAnswer> }>();
	#kept = new Map<string, SharedAnswer>();
	#keptOf = '';

	/** @param state what answers are made of now: told anew whenever one is begun */
	constructor(readonly state: () => string) {}

	#know(): void {
		const now = this.state();
		if (now === this.#keptOf) return;
		this.#keptOf = now;
		this.#kept = new Map();
	}

	/** @throws what `make` throws, to everybody who shares it */
	async ask(key: string, make: () => Promise<SharedAnswer>): Promise<SharedAnswer> {
		this.#know();
		const kept = this.#kept.get(key);
		if (kept) return kept;
		const begun = this.#begun.get(key);
		if (begun?.of === this.#keptOf) return begun.answer;
		const waiting = this.#waiting.get(key);
		if (waiting) return waiting.answer;
		let begin = () => {};
		const turn = new Promise<void>((resolve) => (begin = resolve));
		const answer = turn.then(() => this.#make(key, make));
		this.#waiting.set(key, { answer, begin });
		this.#next();
		return answer;
	}

	async #make(key: string, make: () => Promise<SharedAnswer>): Promise<SharedAnswer> {
		const own = this.#begun.get(key)!;
		try {
			const answer = await make();
			// What changed while it was made may be in it or not.
			this.#know();
			if (answer.keep && this.#keptOf === own.of && this.#kept.size < KEPT) this.#kept.set(key, answer);
			return answer;
		} finally {
			this.#running--;
			if (this.#begun.get(key) === own) this.#begun.delete(key);
			this.#next();
		}
	}

	#next(): void {
		for (const [key, wanted] of this.#waiting) {
			if (this.#running >= AT_ONCE) return;
			// Those who ask from now on may know of something newer.
			this.#waiting.delete(key);
			this.#running++;
			this.#begun.set(key, { of: this.state(), answer: wanted.answer });
			wanted.begin();
		}
	}
}
