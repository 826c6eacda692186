import type { LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import type { Span } from './calendar.ts';
import { firstOpen } from './placing.ts';

/** Moments at which something may begin: from, to, from, to …, both included, sorted and apart. */
export type Starts = readonly number[];

/** Those from `from` to `to`, both included. The same list when that leaves out none. */
export function within(starts: Starts, from: LocalMinutes, to: LocalMinutes): Starts {
	if (starts.length === 0 || (from <= starts[0]! && to >= starts[starts.length - 1]!)) return starts;
	const left: number[] = [];
	for (let k = 0; k < starts.length; k += 2) {
		const [a, b] = [Math.max(from, starts[k]!), Math.min(to, starts[k + 1]!)];
		if (a <= b) left.push(a, b);
	}
	return left;
}

/** All but those from `from` to `to`, both included. The same list when that leaves out none. */
export function without(starts: Starts, from: LocalMinutes, to: LocalMinutes): Starts {
	if (from > to) return starts;
	let touched = false;
	for (let k = 0; k < starts.length && !touched; k += 2) touched = starts[k]! <= to && starts[k + 1]! >= from;
	if (!touched) return starts;
	const left: number[] = [];
	for (let k = 0; k < starts.length; k += 2) {
		const [a, b] = [starts[k]!, starts[k + 1]!];
		if (b < from || a > to) left.push(a, b);
		else {
			if (a < from) left.push(a, from - 1);
			if (b > to) left.push(to + 1, b);
		}
	}
	return left;
}

/** Those of any of these lists, in order; what lies at most so far apart is joined. */
export function either(lists: readonly ArrayLike<number>[], apart: number): number[] {
	const spans = lists
		.flatMap((list) =>
			Array.from({ length: list.length / 2 }, (_, k): Span => [list[2 * k]!, list[2 * k + 1]!])
		)
		.sort((a, b) => a[0] - b[0]);
	const out: number[] = [];
	for (const [from, to] of spans) {
		const last = out.length - 1;
		if (last > 0 && from <= out[last]! + apart) out[last] = Math.max(out[last]!, to);
		else out.push(from, to);
	}
	return out;
}

/** When work of so many open minutes that begins at an open moment ends. */
export function endOfRun(open: Int32Array, start: LocalMinutes, minutes: number): LocalMinutes {
	let left = minutes;
	for (let k = firstOpen(open, start); k < open.length; k += 2) {
		const from = start > open[k]! ? start : open[k]!;
		if (open[k + 1]! - from >= left) return from + left;
		left -= open[k + 1]! - from;
	}
	return NEVER;
}

/** The latest start with which it ends by `end`; before all time when there is none. */
export function startOfRun(open: Int32Array, end: LocalMinutes, minutes: number): LocalMinutes {
	let left = minutes;
	for (let k = Math.min(open.length - 2, firstOpen(open, end - 1)); k >= 0; k -= 2) {
		const to = end < open[k + 1]! ? end : open[k + 1]!;
		if (to - open[k]! >= left) return to - left;
		left -= Math.max(0, to - open[k]!);
	}
	return -NEVER;
}

/** Those that lie in one of these spans, both ends included. */
export function allowed(starts: Starts, spans: readonly Span[]): Starts {
	let result = starts;
	let clear = -NEVER;
	for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0])) {
		if (from > clear) result = without(result, clear, from - 1);
		clear = Math.max(clear, to + 1);
	}
	return clear > NEVER ? result : without(result, clear, NEVER);
}
