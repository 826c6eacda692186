import type { LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import type { Span } from './calendar.ts';
import type { Link } from './network.ts';
import { firstOpen } from './placing.ts';
import {
	clear,
	endOf,
	firstEnd,
	lastOf,
	latestStart,
	live,
	type Possible,
	type Task,
	type Way
} from './possible.ts';
import type { Resource } from './shop.ts';
import { allowed, within, without, type Starts } from './starts.ts';

/** Strikes out until nothing more falls; false when a step has no start left. */
export function strikeOut(tasks: readonly Task[], p: Possible): boolean {
	const waiting = p.touched;
	const touch = (i: number) => {
		if (!waiting.includes(i)) waiting.push(i);
	};
	const keep = (i: number, of: (starts: Starts, way: Way) => Starts): boolean => {
		let next: Starts[] | null = null;
		const now = p.starts[i]!;
		for (let k = 0; k < now.length; k++) {
			if (now[k]!.length === 0) continue;
			const starts = of(now[k]!, tasks[i]!.ways[k]!);
			if (starts !== now[k]) (next ??= [...now])[k] = starts;
		}
		if (next) {
			p.starts[i] = next;
			touch(i);
		}
		return p.starts[i]!.some((s) => s.length > 0);
	};
	const endBy = (i: number, latest: LocalMinutes): void => {
		if (latest >= p.latest[i]!) return;
		p.latest[i] = latest;
		touch(i);
	};
	while (waiting.length > 0) {
		while (waiting.length > 0) {
			const i = waiting.shift()!;
			const { node } = tasks[i]!;
			if (!keep(i, (starts, w) => within(starts, -NEVER, latestStart(tasks[i]!, w, p.latest[i]!))))
				return false;
			for (const link of node.before)
				if (!strikeLink(tasks, p, link.node, i, link, keep, endBy)) return false;
			for (const link of node.behind)
				if (!strikeLink(tasks, p, i, link.node, link, keep, endBy)) return false;
		}
		if (!strikeBusy(tasks, p, keep) || !strikeOrders(tasks, p, keep, endBy)) return false;
	}
	return true;
}

/** One comes after the other, and within its recoat window or after it. */
function strikeLink(
	tasks: readonly Task[],
	p: Possible,
	i: number,
	j: number,
	link: Link,
	keep: Keep,
	endBy: EndBy
): boolean {
	const before = tasks[i]!;
	const soonest = firstEnd(before, p.starts[i]!) + link.lag;
	if (!keep(j, (starts) => within(starts, soonest, NEVER))) return false;
	endBy(i, lastOf(p.starts[j]!) - link.lag);
	if (link.within === null || link.orAfter <= link.within) return true;
	const spans = startsAfter(endsOf(before, p.starts[i]!, p.latest[i]!), link);
	if (!keep(j, (starts) => allowed(starts, spans))) return false;
	if (before.parts || before.minutes < before.node.minutes) return true;
	const gaps = endsAmiss(p.starts[j]!, link);
	return keep(i, (starts, w) =>
		gaps.reduce(
			(s, [from, to]) => without(s, latestStart(before, w, from) + 1, latestStart(before, w, to - 1)),
			starts
		)
	);
}

/** When a step could end, as spans with both ends included. */
function endsOf(t: Task, ways: readonly Starts[], latest: LocalMinutes): Span[] {
	if (t.parts) return [[firstEnd(t, ways), latest]];
	const longest = { ...t, minutes: t.node.minutes };
	return ways.flatMap((starts, k) =>
		Array.from({ length: starts.length / 2 }, (_, n): Span => [
			endOf(t, t.ways[k]!, starts[2 * n]!),
			endOf(longest, t.ways[k]!, starts[2 * n + 1]!)
		])
	);
}

/** The starts that a recoat window allows after some of these ends. */
const startsAfter = (ends: readonly Span[], { lag, within: most, orAfter }: Link): Span[] =>
	ends.flatMap(([from, to]): Span[] => [
		[from + lag, to + most!],
		[Math.min(NEVER, from + orAfter), NEVER]
	]);

/** Spans strictly between whose ends no start is within the recoat window, nor allowed again. */
function endsAmiss(ways: readonly Starts[], { lag, within: most, orAfter }: Link): Span[] {
	const fine = ways
		.flatMap((starts) =>
			Array.from({ length: starts.length / 2 }, (_, n): Span => [
				starts[2 * n]! - most!,
				starts[2 * n + 1]! - lag
			])
		)
		.sort((a, b) => a[0] - b[0]);
	const amiss: Span[] = [];
	let clear = lastOf(ways) - orAfter;
	for (const [from, to] of fine) {
		if (from > clear + 1) amiss.push([clear, from]);
		clear = Math.max(clear, to);
	}
	return amiss;
}

/** Strikes out all but these of a step; false when none is left. */
type Keep = (i: number, of: (starts: Starts, way: Way) => Starts) => boolean;
/** A step ends then or before. */
type EndBy = (i: number, latest: LocalMinutes) => void;

/** Hours that a step takes wherever it starts are nobody else's. */
function strikeBusy(tasks: readonly Task[], p: Possible, keep: Keep): boolean {
	const busy = new Map<Resource, { by: number; span: Span }[]>();
	tasks.forEach((t, i) => {
		if (t.parts || t.minutes === 0) return;
		const ways = live(t, p.starts[i]!);
		const from = lastOf(p.starts[i]!);
		const to = firstEnd(t, p.starts[i]!);
		if (from >= to) return;
		const certain = ways[0]!.members.filter((m) => ways.every((w) => w.members.includes(m)));
		for (const span of commonOf(ways, from, to))
			for (const r of certain) busy.set(r, [...(busy.get(r) ?? []), { by: i, span }]);
	});
	for (let i = 0; i < tasks.length; i++) {
		const t = tasks[i]!;
		const fits = keep(i, (starts, w) => {
			for (const r of w.members) {
				const others = busy.get(r)?.filter((b) => b.by !== i);
				if (others?.length)
					for (const span of fullOf(
						others.map((o) => o.span),
						r.bookings.capacity
					))
						starts = clear(t, w, starts, span);
			}
			return starts;
		});
		if (!fits) return false;
	}
	return true;
}

/** What is open to all these ways between two moments. */
function commonOf(ways: readonly Way[], from: LocalMinutes, to: LocalMinutes): Span[] {
	let common: Span[] = [[from, to]];
	for (const { open } of ways)
		common = common.flatMap(([a, b]) => {
			const out: Span[] = [];
			for (let k = firstOpen(open, a); k < open.length && open[k]! < b; k += 2)
				out.push([Math.max(a, open[k]!), Math.min(b, open[k + 1]!)]);
			return out;
		});
	return common;
}

/** Where so many of these spans lie over one another that there is room for no more. */
function fullOf(spans: readonly Span[], capacity: number): readonly Span[] {
	if (capacity === 1) return spans;
	const events = spans
		.flatMap(([from, to]) => [
			[from, 1],
			[to, -1]
		])
		.sort((a, b) => a[0]! - b[0]! || a[1]! - b[1]!);
	const full: Span[] = [];
	let level = 0;
	for (const [k, [at, change]] of events.entries()) {
		level += change!;
		if (level >= capacity) full.push([at!, events[k + 1]![0]!]);
	}
	return full;
}

/** Of two that need the same hands or the same place, one comes first: where only one order fits, it is so. */
function strikeOrders(tasks: readonly Task[], p: Possible, keep: Keep, endBy: EndBy): boolean {
	const first = tasks.map((t, i) => firstEnd(t, p.starts[i]!));
	const last = p.starts.map(lastOf);
	const certain = new Map<Resource, number[]>();
	tasks.forEach((t, i) => {
		const ways = live(t, p.starts[i]!);
		for (const r of ways[0]!.throughout)
			if (r.bookings.capacity === 1 && ways.every((w) => w.throughout.has(r)))
				certain.set(r, [...(certain.get(r) ?? []), i]);
	});
	for (const some of certain.values())
		for (const i of some)
			for (const j of some) {
				if (i === j || first[i]! <= last[j]!) continue;
				// i cannot be before j, so j is before i.
				if (!keep(i, (starts) => within(starts, first[j]!, NEVER))) return false;
				endBy(j, last[i]!);
			}
	return true;
}
