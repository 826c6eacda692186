/** An answer that may be given to more than one. */
export interface SharedAnswer {
	status: number;
	headers: [string, string][];
	body: ArrayBuffer;
	/** It is made of what the state tells, and of nothing else: as long as that is so, it is given again. */
	keep: boolean;
}

/** What answers are made of. */
export interface State {
	/** Another one whenever an answer may be another. */
	key: string;
	/** Of one opening of the data: what was made of another is given to nobody. */
	era: string;
	/** So many writes it holds. */
	writes: number;
}

/** What was stored when somebody wrote last: they are never shown less. */
export type Seen = Pick<State, 'era' | 'writes'>;

interface Wanted {
	answer: Promise<SharedAnswer>;
	begin: () => void;
}

interface Kept {
	answer: SharedAnswer;
	of: State;
	/** When it was begun, ms. */
	at: number;
}

/** So many are worked out at once: each waits for the database now and then. */
const AT_ONCE = 3;
/** So many are kept. */
const KEPT = 200;
/** So old an answer may be, ms, when more is asked for than can be worked out. */
export const OLDEST = 5000;

/**
 * Pages that many ask for are worked out once. Whoever asks before that has begun shares it, and as long as nothing changes,
 * whoever comes later too: nobody is shown less than was stored when they asked. Only when more is asked for than can be
 * worked out is the last one given, of at most five seconds ago: waiting for the new one would take as long. Even then nobody
 * is shown less than what they wrote themselves.
 */
export class SharedAnswers {
	readonly #waiting = new Map<string, Wanted>();
	#running = 0;
	/** What is being worked out, and of which state. */
	readonly #begun = new Map<string, { of: State; answer: Promise<SharedAnswer> }>();
	readonly #kept = new Map<string, Kept>();

	/**
	 * @param state what answers are made of now: told anew whenever one is begun
	 * @param now ms
	 */
	constructor(
		readonly state: () => State,
		readonly now: () => number = () => performance.now()
	) {}

	/**
	 * @param seen what must be in the answer; null when that is not known, and it must be all that is stored
	 * @throws what `make` throws, to everybody who shares it
	 */
	async ask(key: string, seen: Seen | null, make: () => Promise<SharedAnswer>): Promise<SharedAnswer> {
		const state = this.state();
		const kept = this.#kept.get(key);
		if (kept?.of.key === state.key) return kept.answer;
		const begun = this.#begun.get(key);
		if (begun?.of.key === state.key) return begun.answer;
		const busy = this.#running >= AT_ONCE;
		const wanted = this.#waiting.get(key)?.answer ?? this.#want(key, make);
		const enough =
			kept &&
			seen &&
			kept.of.era === state.era &&
			kept.of.era === seen.era &&
			kept.of.writes >= seen.writes &&
			this.now() - kept.at <= OLDEST;
		if (!busy || !enough) return wanted;
		// Whoever waits for it hears what went wrong.
		wanted.catch(() => {});
		return kept.answer;
	}

	#want(key: string, make: () => Promise<SharedAnswer>): Promise<SharedAnswer> {
		let begin = () => {};
		const turn = new Promise<void>((resolve) => (begin = resolve));
		const answer = turn.then(() => this.#make(key, make));
		this.#waiting.set(key, { answer, begin });
		this.#next();
		return answer;
	}

	async #make(key: string, make: () => Promise<SharedAnswer>): Promise<SharedAnswer> {
		const own = this.#begun.get(key)!;
		const at = this.now();
		try {
			const answer = await make();
			// What changed while it was made may be in it or not: it counts as of when it was begun.
			if (answer.keep) this.#keep(key, { answer, of: own.of, at });
			return answer;
		} finally {
			this.#running--;
			if (this.#begun.get(key) === own) this.#begun.delete(key);
			this.#next();
		}
	}

	#keep(key: string, kept: Kept): void {
		const before = this.#kept.get(key);
		if (before && before.at > kept.at) return;
		this.#kept.delete(key);
		this.#kept.set(key, kept);
		if (this.#kept.size > KEPT) this.#kept.delete(this.#kept.keys().next().value!);
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
