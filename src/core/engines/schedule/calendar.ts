import { DAY, dayOf, type LocalMinutes } from '../../units/localTime.ts';
import { isOn, type Window } from '../../facts/calendar.ts';
import { daylightOf, type Sun } from './daylight.ts';

/** Half-open: from ≤ t < to. Minutes of the local clock. */
export type Span = readonly [from: LocalMinutes, to: LocalMinutes];

export interface Hours {
	windows: readonly Window[];
	/** Days off, as whole days since 1970-01-01. */
	off?: readonly number[];
	/** Parts of days off. */
	away?: readonly Span[];
	/** Open only while this sun is up. */
	sun?: Sun;
}

/** The open spans between two moments: sorted, merged where they touch or overlap. */
export function openSpans(hours: Hours, from: LocalMinutes, to: LocalMinutes): Span[] {
	const off = new Set(hours.off);
	const spans: [number, number][] = [];
	for (let day = dayOf(from); day * DAY < to; day++) {
		if (off.has(day)) continue;
		if (!hours.windows.some((w) => isOn(w, day))) continue;
		const light = hours.sun ? daylightOf(day, hours.sun) : { from: 0, to: DAY };
		const today = hours.windows
			.filter((w) => isOn(w, day))
			.map((w): [number, number] => [
				day * DAY + Math.max(w.from, light.from),
				day * DAY + Math.min(w.to, light.to)
			])
			.sort((a, b) => a[0] - b[0]);
		for (const [start, end] of today) {
			const clipped: [number, number] = [Math.max(start, from), Math.min(end, to)];
			if (clipped[1] <= clipped[0]) continue;
			const last = spans[spans.length - 1];
			if (last && clipped[0] <= last[1]) last[1] = Math.max(last[1], clipped[1]);
			else spans.push(clipped);
		}
	}
	return hours.away?.length ? without(spans, hours.away) : spans;
}

/** What of sorted, merged spans lies in none of these. */
function without(spans: readonly Span[], taken: readonly Span[]): Span[] {
	let left = [...spans];
	for (const [from, to] of taken)
		left = left.flatMap(([a, b]): Span[] =>
			b <= from || a >= to
				? [[a, b]]
				: [...(a < from ? [[a, from] as const] : []), ...(b > to ? [[to, b] as const] : [])]
		);
	return left;
}

/** What is open in both. Both sorted and merged. */
export function intersect(a: readonly Span[], b: readonly Span[]): Span[] {
	const out: Span[] = [];
	for (let i = 0, j = 0; i < a.length && j < b.length;) {
		const from = Math.max(a[i]![0], b[j]![0]);
		const to = Math.min(a[i]![1], b[j]![1]);
		if (from < to) out.push([from, to]);
		if (a[i]![1] < b[j]![1]) i++;
		else j++;
	}
	return out;
}

/** Index of the first span that ends after `at`; spans.length when none does. Spans must not overlap. */
export function firstEndingAfter(spans: readonly Span[], at: LocalMinutes): number {
	let low = 0;
	let high = spans.length;
	while (low < high) {
		const mid = (low + high) >> 1;
		if (spans[mid]![1] > at) high = mid;
		else low = mid + 1;
	}
	return low;
}

/** Open minutes between two moments. */
export function openMinutes(spans: readonly Span[], from: LocalMinutes, to: LocalMinutes): number {
	let sum = 0;
	for (let i = firstEndingAfter(spans, from); i < spans.length && spans[i]![0] < to; i++)
		sum += Math.min(spans[i]![1], to) - Math.max(spans[i]![0], from);
	return sum;
}

/** In order, and as one where one ends as another begins. What overlaps stays apart: it counts twice. */
export function joined(spans: readonly Span[]): Span[] {
	const out: [number, number][] = [];
	for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0] || a[1] - b[1])) {
		const last = out[out.length - 1];
		if (last && last[1] === from) last[1] = to;
		else out.push([from, to]);
	}
	return out;
}

/** Time run backwards: t becomes −t. */
export const mirrored = (spans: readonly Span[]): Span[] =>
	spans.map(([from, to]): Span => [-to, -from]).reverse();
