import type { LocalMinutes } from '../units/localTime.ts';
import { firstEndingAfter, type Span } from './calendar.ts';
import type { Split } from './problem.ts';
import { commonOpen, firstConflict, type Resource, type Resources } from './resources.ts';

export interface Work {
	minutes: number;
	oneSitting: boolean;
	split: Split;
	leastPart: number;
	/** Starts that are not allowed. */
	barred: readonly Span[];
}

/**
 * The earliest blocks in which this team can do the work, starting at `from` or later.
 * Null when it does not fit before the resources' horizon.
 */
export function earliestBlocks(
	resources: Resources,
	team: readonly Resource[],
	work: Work,
	from: LocalMinutes
): Span[] | null {
	const open = commonOpen(resources, team);
	return work.split === 'anywhere' && !work.oneSitting
		? inParts(open, team, work, from)
		: inOneRun(open, team, work, from);
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

/** Through every open minute until done, pausing only where it is closed; in one sitting not even there. */
function inOneRun(
	open: readonly Span[],
	team: readonly Resource[],
	work: Work,
	from: LocalMinutes
): Span[] | null {
	let start = from;
	for (;;) {
		const first = firstEndingAfter(open, start);
		if (first >= open.length) return null;
		const opened = Math.max(start, open[first]![0]);
		start = pastBarred(work.barred, opened);
		if (start !== opened) continue;
		if (work.oneSitting && open[first]![1] - start < work.minutes) {
			start = open[first]![1];
			continue;
		}
		const blocks: Span[] = [];
		let left = work.minutes;
		let conflict: Span | null = null;
		for (let i = first; left > 0; i++) {
			if (i >= open.length) return null;
			const begin = Math.max(start, open[i]![0]);
			const end = Math.min(open[i]![1], begin + left);
			conflict = firstConflict(team, begin, end);
			if (conflict) break;
			blocks.push([begin, end]);
			left -= end - begin;
		}
		if (!conflict) return blocks;
		start = conflict[1];
	}
}

/** Into every free gap that holds a part worth taking up, so that no part is under `leastPart`. */
function inParts(
	open: readonly Span[],
	team: readonly Resource[],
	work: Work,
	from: LocalMinutes
): Span[] | null {
	const least = Math.min(work.leastPart, work.minutes);
	const blocks: Span[] = [];
	let left = work.minutes;
	let at = from;
	for (let i = firstEndingAfter(open, at); i < open.length;) {
		const start = Math.max(at, open[i]![0]);
		const clear = blocks.length === 0 ? pastBarred(work.barred, start) : start;
		if (clear >= open[i]![1]) {
			at = clear;
			i = firstEndingAfter(open, at);
			continue;
		}
		const conflict = firstConflict(team, clear, open[i]![1]);
		const gapEnd = conflict ? Math.max(conflict[0], clear) : open[i]![1];
		const part = partOf(gapEnd - clear, left, least);
		if (part > 0) {
			blocks.push([clear, clear + part]);
			left -= part;
			if (left === 0) return joined(blocks);
		}
		at = conflict ? conflict[1] : open[i]![1];
		i = firstEndingAfter(open, at);
	}
	return null;
}

/** How much of a gap to use: neither this part nor what stays behind may be under `least`. */
function partOf(gap: number, left: number, least: number): number {
	if (gap >= left) return left;
	const part = left - gap < least ? left - least : gap;
	return part >= least ? part : 0;
}

function joined(blocks: readonly Span[]): Span[] {
	const out: [number, number][] = [];
	for (const [from, to] of blocks) {
		const last = out[out.length - 1];
		if (last && last[1] === from) last[1] = to;
		else out.push([from, to]);
	}
	return out;
}
