import type { LocalMinutes } from '../../units/localTime.ts';

/** No moment: later than any that can be planned. */
export const NEVER = 0x3fffffff;
const ALWAYS_BEFORE = -0x3fffffff;

/**
 * How many hold a maker or a place at each moment: a step function over time, `level[k]` from
 * `times[k]` up to the next. Neighbours of one level are joined, so that work without a break stays one piece.
 */
export class Bookings {
	#times = new Int32Array(32).fill(ALWAYS_BEFORE);
	#level = new Int32Array(32);
	#size = 1;
	#last = 0;
	readonly capacity: number;

	constructor(capacity: number) {
		this.capacity = capacity;
	}

	/** Makes these the bookings of another, which is left alone. */
	copy(from: Bookings): void {
		if (this.#times.length < from.#size) this.#grow(from.#times.length);
		this.#times.set(from.#times.subarray(0, from.#size));
		this.#level.set(from.#level.subarray(0, from.#size));
		this.#size = from.#size;
	}

	/** Books (`change` 1) or frees (−1) from ≤ t < to. */
	add(from: LocalMinutes, to: LocalMinutes, change: 1 | -1): void {
		if (to <= from) return;
		const first = this.#cut(from);
		const end = this.#cut(to);
		for (let k = first; k < end; k++) this.#level[k]! += change;
		this.#join(end);
		this.#join(first);
	}

	/** Moments at which more or fewer hold it. */
	get changes(): number[] {
		return [...this.#times.subarray(1, this.#size)];
	}

	/** End of the last full piece that reaches into [from, to); `from` itself when there is none. */
	lastFullEnd(from: LocalMinutes, to: LocalMinutes): LocalMinutes {
		const times = this.#times;
		const level = this.#level;
		for (let k = this.#at(to - 1); k >= 0; k--) {
			if (level[k]! >= this.capacity) return k + 1 < this.#size ? times[k + 1]! : NEVER;
			if (times[k]! <= from) break;
		}
		return from;
	}

	/** Start of the first full piece in [from, to), or `from` when that is full; `to` when there is none. */
	firstFull(from: LocalMinutes, to: LocalMinutes): LocalMinutes {
		for (let k = this.#at(from); k < this.#size && this.#times[k]! < to; k++)
			if (this.#level[k]! >= this.capacity) return Math.max(from, this.#times[k]!);
		return to;
	}

	/** From when on it is not full, `from` or later. */
	freeFrom(from: LocalMinutes): LocalMinutes {
		let k = this.#at(from);
		if (this.#level[k]! < this.capacity) return from;
		while (k < this.#size && this.#level[k]! >= this.capacity) k++;
		return k < this.#size ? this.#times[k]! : NEVER;
	}

	/** Minutes in [from, to) times how many more it could hold. */
	leftBetween(from: LocalMinutes, to: LocalMinutes): number {
		let sum = 0;
		for (let k = this.#at(from); k < this.#size && this.#times[k]! < to; k++) {
			const end = k + 1 < this.#size ? Math.min(to, this.#times[k + 1]!) : to;
			sum += (end - Math.max(from, this.#times[k]!)) * Math.max(0, this.capacity - this.#level[k]!);
		}
		return sum;
	}

	/** The piece that holds `at`. */
	#at(at: LocalMinutes): number {
		const times = this.#times;
		// Asked in runs: the next answer is mostly the last one, or the one after it.
		let low = this.#last;
		let high = this.#size;
		if (low >= high || times[low]! > at) low = 0;
		else if (low + 1 < high && times[low + 1]! <= at) low++;
		if (low + 1 === high || times[low + 1]! > at) return (this.#last = low);
		while (high - low > 1) {
			const mid = (low + high) >> 1;
			if (times[mid]! <= at) low = mid;
			else high = mid;
		}
		return (this.#last = low);
	}

	/** The piece that begins at `at`, made by cutting when there is none. */
	#cut(at: LocalMinutes): number {
		const k = this.#at(at);
		if (this.#times[k] === at) return k;
		if (this.#size === this.#times.length) this.#grow(this.#size * 2);
		// Most are cut near the end: a loop is faster than copyWithin there, measured.
		const times = this.#times;
		const level = this.#level;
		for (let j = this.#size++; j > k + 1; j--) {
			times[j] = times[j - 1]!;
			level[j] = level[j - 1]!;
		}
		times[k + 1] = at;
		level[k + 1] = level[k]!;
		return k + 1;
	}

	#join(k: number): void {
		if (k === 0 || k >= this.#size || this.#level[k] !== this.#level[k - 1]) return;
		const times = this.#times;
		const level = this.#level;
		this.#size--;
		for (let j = k; j < this.#size; j++) {
			times[j] = times[j + 1]!;
			level[j] = level[j + 1]!;
		}
	}

	#grow(size: number): void {
		const times = new Int32Array(size);
		const level = new Int32Array(size);
		times.set(this.#times.subarray(0, this.#size));
		level.set(this.#level.subarray(0, this.#size));
		this.#times = times;
		this.#level = level;
	}
}
