import type { LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import { firstEndingAfter, type Span } from './calendar.ts';
import type { Resource, Team } from './shop.ts';

/** Hands-on minutes in one stretch, by one team. */
export interface Block {
	from: LocalMinutes;
	to: LocalMinutes;
	team: Team;
}

/** Index in `open` of the first span that ends after `at`; its length when none does. */
export function firstOpen(open: Int32Array, at: LocalMinutes): number {
	let low = 0;
	let high = open.length >> 1;
	while (low < high) {
		const mid = (low + high) >> 1;
		if (open[2 * mid + 1]! > at) high = mid;
		else low = mid + 1;
	}
	return 2 * low;
}

/** Open minutes between two moments, and one more when the second lies where it is closed: work that ends then ends later. */
export function openBetween(open: Int32Array, from: LocalMinutes, to: LocalMinutes): number {
	let sum = 0;
	for (let i = firstOpen(open, from); ; i += 2) {
		if (i >= open.length || open[i]! >= to) return sum + 1;
		sum += Math.min(open[i + 1]!, to) - Math.max(open[i]!, from);
		if (open[i + 1]! >= to) return sum;
	}
}

/** So many open minutes after `from`; null when the calendars end before. */
export function openAfter(open: Int32Array, from: LocalMinutes, minutes: number): LocalMinutes | null {
	let left = minutes;
	for (let i = firstOpen(open, from); i < open.length; i += 2) {
		const start = Math.max(open[i]!, from);
		if (open[i + 1]! - start > left) return start + left;
		left -= open[i + 1]! - start;
	}
	return null;
}

/** After any barred span that `at` lies in. Spans may touch, so it looks again until it is clear. */
export function pastBarred(barred: readonly Span[], at: LocalMinutes): LocalMinutes {
	for (let moved = true; moved;) {
		moved = false;
		for (const [from, to] of barred)
			if (at >= from && at < to) {
				at = to;
				moved = true;
			}
	}
	return at;
}

/** From when on all of the team could go on after what is booked in [from, to); `from` when nothing is. */
function pastBookings(members: readonly Resource[], from: LocalMinutes, to: LocalMinutes): LocalMinutes {
	let end = from;
	for (let i = 0; i < members.length; i++) {
		const free = members[i]!.bookings.lastFullEnd(from, to);
		if (free > end) end = free;
	}
	return end;
}

/** When a maker's open minutes that are not booked come to so many, from `from` on; NEVER when they do not before `before`. */
export function endOfHours(
	{ open, bookings }: Resource,
	minutes: number,
	from: LocalMinutes,
	before = NEVER
): LocalMinutes {
	let left = minutes;
	for (let k = firstEndingAfter(open, from); k < open.length; k++) {
		const to = open[k]![1];
		for (let at = Math.max(from, open[k]![0]); at < to;) {
			const start = bookings.freeFrom(at);
			if (start + left >= before) return NEVER;
			if (start >= to) break;
			at = bookings.firstFull(start, to);
			left -= at - start;
			if (left <= 0) return at + left;
		}
	}
	return NEVER;
}

/**
 * Through every open minute until done, pausing only where it is closed; in one sitting not even there.
 * The earliest such blocks from `from` on; null when there are none, and mostly when they end at `before` or later: then it gives up
 * as soon as that is certain.
 */
export function inOneRun(
	team: Team,
	minutes: number,
	oneSitting: boolean,
	barred: readonly Span[],
	from: LocalMinutes,
	before = NEVER
): Block[] | null {
	const { open, members } = team;
	let start = from;
	let first = firstOpen(open, start);
	for (;;) {
		while (first < open.length && open[first + 1]! <= start) first += 2;
		if (first >= open.length) return null;
		const opened = start > open[first]! ? start : open[first]!;
		start = barred.length ? pastBarred(barred, opened) : opened;
		if (start + minutes >= before) return null;
		if (start !== opened) continue;
		if (oneSitting && open[first + 1]! - start < minutes) {
			start = open[first + 1]!;
			continue;
		}
		let left = minutes;
		let past = start;
		for (let i = first; left > 0; i += 2) {
			if (i >= open.length) return null;
			const begin = start > open[i]! ? start : open[i]!;
			const end = open[i + 1]! < begin + left ? open[i + 1]! : begin + left;
			past = pastBookings(members, begin, end);
			if (past > begin) break;
			left -= end - begin;
		}
		if (left === 0) return runFrom(team, first, start, minutes);
		// Work in one run that is crossed by a booking can begin only after it.
		start = past;
	}
}

/** The blocks of work that begins at `start`, in the span `first`, and is crossed by nothing. */
function runFrom(team: Team, first: number, start: LocalMinutes, minutes: number): Block[] {
	const { open } = team;
	const blocks: Block[] = [];
	let left = minutes;
	for (let i = first; left > 0; i += 2) {
		const from = Math.max(start, open[i]!);
		const to = Math.min(open[i + 1]!, from + left);
		blocks.push({ from, to, team });
		left -= to - from;
	}
	return blocks;
}

/**
 * Into every free gap that holds a part worth taking up, by whichever team is free first, so that no part
 * is under `leastPart`. Null when it does not fit before the calendars end.
 */
export function inParts(
	teams: Iterable<Team>,
	minutes: number,
	leastPart: number,
	barred: readonly Span[],
	from: LocalMinutes
): Block[] | null {
	const blocks: Block[] = [];
	let left = minutes;
	for (let at = from; ;) {
		let best: Block | null = null;
		for (const team of teams) {
			const part = nextPart(team, left, Math.min(leastPart, left), blocks.length ? [] : barred, at);
			if (part && (!best || part.from < best.from || (part.from === best.from && part.to > best.to)))
				best = part;
		}
		if (!best) return null;
		const last = blocks[blocks.length - 1];
		if (last && last.to === best.from && last.team === best.team) last.to = best.to;
		else blocks.push(best);
		left -= best.to - best.from;
		if (left === 0) return blocks;
		at = best.to;
	}
}

/** The first gap of this team that holds a part of at least `least` and leaves none that is shorter. */
function nextPart(
	team: Team,
	left: number,
	least: number,
	barred: readonly Span[],
	from: LocalMinutes
): Block | null {
	const { open, members } = team;
	let at = from;
	for (let i = firstOpen(open, at); i < open.length; i = firstOpen(open, at)) {
		let start = Math.max(at, open[i]!);
		for (const m of members) start = Math.max(start, m.bookings.freeFrom(start));
		start = pastBarred(barred, start);
		if (start >= NEVER) return null;
		if (start >= open[i + 1]!) {
			at = start;
			continue;
		}
		let end = open[i + 1]!;
		for (const m of members) end = Math.min(end, m.bookings.firstFull(start, end));
		const part = partOf(end - start, left, least);
		if (part > 0) return { from: start, to: start + part, team };
		at = Math.max(end, start + 1);
	}
	return null;
}

/** How much of a gap to use: neither this part nor what stays behind may be under `least`. */
function partOf(gap: number, left: number, least: number): number {
	if (gap >= left) return left;
	const part = left - gap < least ? left - least : gap;
	return part >= least ? part : 0;
}
