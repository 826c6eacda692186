import { Worker } from 'node:worker_threads';
import { write, type AskPrint, type PrintKind, type ToldPrint, type Writers } from './writers.ts';

/** So many prints wait at most. */
export const MOST_WAITING = 20;

/** More is asked for than can be printed in a while. */
export class TooManyPrints extends Error {
	constructor() {
		super(`${MOST_WAITING} prints are waiting already. Ask again in a moment.`);
	}
}

interface Wanted {
	ask: AskPrint;
	resolve: (bytes: Uint8Array) => void;
	reject: (error: Error) => void;
}

/** Prints, one after another, in a thread of their own; without one (tests, development) where they are asked for. */
export class Printer {
	#worker: Worker | null = null;
	readonly #waiting: Wanted[] = [];
	#underWay: Wanted | null = null;

	/** @param thread the file of the thread; the built server says where it lies */
	constructor(readonly thread = process.env.DAPPER_PRINTING_THREAD) {}

	/** @throws TooManyPrints, and what goes wrong in the writing */
	print<K extends PrintKind>(kind: K, ...args: Parameters<Writers[K]>): Promise<Uint8Array> {
		const ask = { kind, args } as AskPrint;
		if (!this.thread) return write(ask);
		if (this.#waiting.length >= MOST_WAITING) return Promise.reject(new TooManyPrints());
		return new Promise((resolve, reject) => {
			this.#waiting.push({ ask, resolve, reject });
			this.#next();
		});
	}

	#next(): void {
		if (this.#underWay) return;
		const next = this.#waiting.shift();
		if (!next) return;
		this.#underWay = next;
		try {
			this.#running().postMessage(next.ask);
		} catch (error) {
			this.#done((its) => its.reject(error as Error));
		}
	}

	#done(tell: (wanted: Wanted) => void): void {
		const its = this.#underWay;
		this.#underWay = null;
		if (its) tell(its);
		this.#next();
	}

	#running(): Worker {
		if (this.#worker) return this.#worker;
		const worker = new Worker(this.thread!);
		const lost = (error: Error) => {
			if (this.#worker !== worker) return;
			this.#worker = null;
			this.#done((its) => its.reject(error));
		};
		worker.on('message', (told: ToldPrint) =>
			this.#done((its) => ('bytes' in told ? its.resolve(told.bytes) : its.reject(new Error(told.failed))))
		);
		worker.on('error', lost);
		worker.on('exit', () => lost(new Error('The printing thread ended.')));
		// A server that is told to stop does not wait for prints. Listeners hold on to it again: after them.
		worker.unref();
		return (this.#worker = worker);
	}

	async close(): Promise<void> {
		const worker = this.#worker;
		this.#worker = null;
		await worker?.terminate();
		this.#done((its) => its.reject(new Error('The printing thread ended.')));
	}
}

export const printer = new Printer();
