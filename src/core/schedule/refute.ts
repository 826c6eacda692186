import type { LocalMinutes } from '../units/localTime.ts';
import { NEVER } from './bookings.ts';
import type { Span } from './calendar.ts';
import { leastMinutes } from './lowerBound.ts';
import type { Link, Node } from './network.ts';
import { firstOpen } from './placing.ts';
import type { PlanProblem } from './problem.ts';
import { teamsOf, type Resource, type Shop } from './shop.ts';
import { allowed, endOfRun, startOfRun, within, without, type Starts } from './starts.ts';
import { WorkFits } from './workFits.ts';

/** Assumptions of the first attempt. */
const FIRST_ATTEMPT = 100;

/** A step with those who could do it. */
interface Task {
	node: Node;
	/** At the least: what has to be set out may stand ready. */
	minutes: number;
	/** It may be set aside and taken up again: a start says nothing of the rest. */
	parts: boolean;
	ways: Way[];
}

interface Way {
	/** In which it may start … */
	open: Int32Array;
	/** … so many minutes of it without a break … */
	first: number;
	/** … and in which it goes on. */
	work: Int32Array;
	/** Who works on it, or with `parts` may. */
	makers: readonly string[];
	/** Whom it takes from start to end, and with `parts` for its first minutes. */
	members: readonly Resource[];
	/** Those whose every open minute it takes from start to end: nothing else of theirs fits in between. */
	throughout: ReadonlySet<Resource>;
}

/** What is still possible. Lists of starts are replaced and never changed, so that a copy is cheap. */
interface Possible {
	/** Of each step, for each of its ways. */
	starts: Starts[][];
	/** Latest end of each step. */
	latest: Int32Array;
	/** Steps of which something was struck out that the others do not know of yet. */
	touched: number[];
}

/** Where each step could be, and by which of its teams (−1: by any): it may be a plan, or nearly one. */
export interface Places {
	starts: readonly LocalMinutes[];
	hands: Int32Array;
}
type Attempt = 'refuted' | 'open' | Places;

/**
 * Shows that no plan is ready by a moment: starts that cannot be are struck out until a step has none left.
 * What strikes out: links and recoat windows both ways, hours that a step takes wherever it starts, pairs that fit in
 * one order alone, and the maximum flow of minutes into windows. Where that ends, one half of what is left to a step is
 * assumed and refuted, then the other (constraint-based scheduling; Baptiste, Le Pape & Nuijten, 2001); steps that
 * were in each other's way before are halved first (weighted degree; Boussemart and others, 2004).
 * It never refutes what can be; what it could not refute may be impossible all the same.
 */
export class Refuter {
	readonly #nodes: readonly Node[];
	readonly #tasks: readonly Task[];
	readonly #work: WorkFits;
	readonly #possible: readonly Starts[][];
	/** How often each step was where it ended. */
	readonly #weight: Float64Array;

	/** @param shop whose hours reach to the latest moment that will be asked about */
	constructor(problem: PlanProblem, nodes: readonly Node[], shop: Shop) {
		this.#nodes = nodes;
		this.#tasks = tasksOf(problem, nodes, shop);
		this.#work = new WorkFits(nodes, shop, leastMinutes(nodes));
		this.#possible = this.#tasks.map((t) => t.ways.map((w) => startsOf(t, w)));
		this.#weight = new Float64Array(nodes.length).fill(1);
	}

	/** The soonest moment from `low` to `high` that striking out alone does not refute. */
	bound(low: LocalMinutes, high: LocalMinutes): LocalMinutes {
		while (low < high) {
			const by = Math.floor((low + high) / 2);
			if (this.#holds(this.#readyBy(by))) high = by;
			else low = by + 1;
		}
		return low;
	}

	/** When each step has to end at the latest for all to be ready by a moment that is not refuted, as far as striking out tells. */
	latestEnds(by: LocalMinutes): Int32Array {
		const state = this.#readyBy(by);
		strikeOut(this.#tasks, state);
		return Int32Array.from(this.#tasks, (_, i) => latestEnd(this.#tasks, state, i));
	}

	/** Every turn is one assumption; of the first attempt there are few, of each that follows twice as many. */
	*refute(by: LocalMinutes): Generator<void, 'refuted' | Places> {
		let state = this.#readyBy(by);
		if (!this.#holds(state)) return 'refuted';
		// First each step's outermost starts alone: what falls there makes every later assumption smaller.
		for (let struck = true; struck;) {
			struck = false;
			for (const [i, { minutes }] of this.#tasks.entries())
				for (const side of ['first', 'last'] as const) {
					const cut = minutes > 0 ? cutOf(state.starts[i]!, side) : null;
					if (cut === null) continue;
					yield;
					const [one, other] = halves(state, i, cut);
					if (this.#holds(side === 'first' ? one : other)) continue;
					state = side === 'first' ? other : one;
					if (!this.#holds(state)) return 'refuted';
					struck = true;
				}
		}
		// Each attempt knows better which steps are in each other's way.
		for (let most = FIRST_ATTEMPT; ; most *= 2) {
			const found = yield* this.#halve(copyOf(state), { left: most });
			if (found !== 'open') return found;
		}
	}

	*#halve(p: Possible, attempt: { left: number }): Generator<void, Attempt> {
		for (;;) {
			const i = nextOf(this.#tasks, p, this.#weight);
			if (i === null) return placesOf(this.#tasks, p);
			if (attempt.left-- <= 0) return 'open';
			yield;
			const [one, other] = halves(p, i, cutOf(p.starts[i]!, 'half')!);
			if (this.#holds(one)) {
				const found = yield* this.#halve(one, attempt);
				if (found !== 'refuted') return found;
			} else this.#weight[i]!++;
			if (!this.#holds(other)) {
				this.#weight[i]!++;
				return 'refuted';
			}
			p = other;
		}
	}

	#readyBy(by: LocalMinutes): Possible {
		const latest = Int32Array.from(this.#nodes, (n) => by - n.step.wait);
		return { starts: [...this.#possible], latest, touched: [...latest.keys()] };
	}

	#holds(p: Possible): boolean {
		const tasks = this.#tasks;
		if (!strikeOut(tasks, p)) return false;
		return this.#work.fits({
			earliest: Int32Array.from(tasks, (_, i) => firstOf(p.starts[i]!)),
			latest: Int32Array.from(tasks, (_, i) => latestEnd(tasks, p, i)),
			makers: tasks.map((t, i) => [...new Set(live(t, p.starts[i]!).flatMap((w) => w.makers))])
		});
	}
}

const copyOf = ({ starts, latest }: Possible): Possible => ({
	starts: [...starts],
	latest: Int32Array.from(latest),
	touched: []
});

const placesOf = (tasks: readonly Task[], { starts }: Possible): Places => ({
	starts: starts.map(firstOf),
	hands: Int32Array.from(tasks, (t, i) =>
		t.parts || t.minutes === 0 ? -1 : starts[i]!.findIndex((s) => s.length > 0)
	)
});

function tasksOf({ split, leastPart }: PlanProblem, nodes: readonly Node[], shop: Shop): Task[] {
	const least = leastMinutes(nodes);
	const nobody: ReadonlySet<Resource> = new Set();
	return nodes.map((node, i): Task => {
		const minutes = least[i]!;
		if (minutes === 0) {
			const open = Int32Array.of(node.release, NEVER);
			const way = { open, first: 0, work: open, makers: [], members: [], throughout: nobody };
			return { node, minutes, parts: false, ways: [way] };
		}
		const teams = teamsOf(shop, node);
		const sitting = node.step.oneSitting;
		const parts = split === 'anywhere' && !sitting;
		// In parts, hands may change after the first.
		const anybody = parts ? eitherOf(teams.map((t) => t.open)) : null;
		const makers = [...new Set(teams.flatMap((t) => t.makers))];
		const ways = teams.map((team): Way => {
			const all = sitting
				? team.members
				: team.members.filter((m) => lengthOf(m.open.flat()) === lengthOf(team.open));
			return {
				open: team.open,
				first: sitting ? minutes : parts ? Math.min(leastPart, minutes) : 1,
				work: anybody ?? team.open,
				makers: parts ? makers : team.makers,
				members: team.members,
				throughout: parts ? nobody : new Set(all)
			};
		});
		return { node, minutes, parts, ways };
	});
}

const lengthOf = (edges: ArrayLike<number>): number =>
	Array.from(edges).reduce((sum, t, k) => sum + (k % 2 ? t : -t), 0);

function eitherOf(opens: readonly Int32Array[]): Int32Array {
	const spans = opens
		.flatMap((open) =>
			Array.from({ length: open.length / 2 }, (_, k): Span => [open[2 * k]!, open[2 * k + 1]!])
		)
		.sort((a, b) => a[0] - b[0]);
	const out: number[] = [];
	for (const [from, to] of spans)
		if (out.length > 0 && from <= out[out.length - 1]!)
			out[out.length - 1] = Math.max(out[out.length - 1]!, to);
		else out.push(from, to);
	return Int32Array.from(out);
}

const endOf = (t: Task, w: Way, start: LocalMinutes): LocalMinutes =>
	w.first === t.minutes ? start + t.minutes : endOfRun(w.work, start, t.minutes);
const latestStart = (t: Task, w: Way, end: LocalMinutes): LocalMinutes =>
	w.first === t.minutes ? end - t.minutes : startOfRun(w.work, end, t.minutes);

/** By the hours of the way, what is given away of them, and the step's own limits. */
function startsOf(t: Task, w: Way): Starts {
	const list: number[] = [];
	for (let k = 0; k < w.open.length; k += 2) {
		const last = w.open[k + 1]! - w.first;
		if (w.open[k]! <= last) list.push(w.open[k]!, last);
	}
	let starts = within(list, Math.max(t.node.release, t.node.pin ?? t.node.release), NEVER);
	for (const [from, to] of t.node.barred) starts = without(starts, from, to - 1);
	for (const m of w.members)
		for (let from = m.taken.firstFull(-NEVER, NEVER); from < NEVER;) {
			const to = m.taken.freeFrom(from);
			starts = clear(t, w, starts, [from, to]);
			from = m.taken.firstFull(to, NEVER);
		}
	return starts;
}

/** Without the starts whose work would be going on in a span in which somebody it takes is busy. */
function clear(t: Task, w: Way, starts: Starts, [from, to]: Span): Starts {
	if (t.parts || w.first === t.minutes) return without(starts, from - w.first + 1, to - 1);
	const k = firstOpen(w.open, from);
	// Where it is closed it rests, and others may be busy.
	const opens = k < w.open.length ? Math.max(from, w.open[k]!) : to;
	return opens < to ? without(starts, startOfRun(w.open, opens, t.minutes) + 1, to - 1) : starts;
}

const firstOf = (ways: readonly Starts[]): LocalMinutes =>
	ways.reduce((first, s) => (s.length > 0 && s[0]! < first ? s[0]! : first), NEVER);
const lastOf = (ways: readonly Starts[]): LocalMinutes =>
	ways.reduce((last, s) => (s.length > 0 && s[s.length - 1]! > last ? s[s.length - 1]! : last), -NEVER);
const live = (t: Task, starts: readonly Starts[]): Way[] => t.ways.filter((_, k) => starts[k]!.length > 0);

function firstEnd(t: Task, starts: readonly Starts[]): LocalMinutes {
	let first = NEVER;
	for (let k = 0; k < starts.length; k++)
		if (starts[k]!.length > 0) first = Math.min(first, endOf(t, t.ways[k]!, starts[k]![0]!));
	return first;
}

function latestEnd(tasks: readonly Task[], { starts, latest }: Possible, i: number): LocalMinutes {
	const t = tasks[i]!;
	if (t.parts) return latest[i]!;
	let last = -NEVER;
	for (let k = 0; k < t.ways.length; k++) {
		const own = starts[i]![k]!;
		if (own.length > 0) last = Math.max(last, endOf(t, t.ways[k]!, own[own.length - 1]!));
	}
	return last;
}

/** Strikes out until nothing more falls; false when a step has no start left. */
function strikeOut(tasks: readonly Task[], p: Possible): boolean {
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
		if (!next) return true;
		p.starts[i] = next;
		touch(i);
		return next.some((s) => s.length > 0);
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

type Cut = { at: LocalMinutes } | { way: number };

/** Cuts what is left to a step: in two halves, or its first or its last opening off. Null when nothing is left to cut. */
function cutOf(ways: readonly Starts[], where: 'first' | 'half' | 'last'): Cut | null {
	const spans = joinedStarts(ways);
	const count = spans.length / 2;
	if (count > 1) {
		const k = where === 'first' ? 0 : where === 'last' ? count - 2 : Math.floor((count - 1) / 2);
		return { at: spans[2 * k + 1]! };
	}
	const some = ways.flatMap((s, k) => (s.length > 0 ? [k] : []));
	if (some.length > 1) return { way: some[0]! };
	return spans[0]! < spans[1]! ? { at: Math.floor((spans[0]! + spans[1]!) / 2) } : null;
}

function joinedStarts(ways: readonly Starts[]): number[] {
	const all = ways
		.flatMap((starts) =>
			Array.from({ length: starts.length / 2 }, (_, n): Span => [starts[2 * n]!, starts[2 * n + 1]!])
		)
		.sort((a, b) => a[0] - b[0]);
	const out: number[] = [];
	for (const [from, to] of all)
		if (out.length > 0 && from <= out[out.length - 1]! + 1)
			out[out.length - 1] = Math.max(out[out.length - 1]!, to);
		else out.push(from, to);
	return out;
}

function halves(p: Possible, i: number, cut: Cut): [Possible, Possible] {
	const half = (of: (starts: Starts, k: number) => Starts): Possible => {
		const copy = copyOf(p);
		copy.starts[i] = copy.starts[i]!.map(of);
		copy.touched.push(i);
		return copy;
	};
	return 'at' in cut
		? [half((s) => within(s, -NEVER, cut.at)), half((s) => within(s, cut.at + 1, NEVER))]
		: [half((s, k) => (k === cut.way ? s : [])), half((s, k) => (k === cut.way ? [] : s))];
}

/** The step with the least left to it that is not settled yet. */
function nextOf(tasks: readonly Task[], p: Possible, weight: Float64Array): number | null {
	let next: number | null = null;
	let least = Infinity;
	tasks.forEach((t, i) => {
		if (t.minutes === 0) return;
		const room = p.starts[i]!.reduce((sum, s) => sum + lengthOf(s) + s.length / 2, 0);
		if (room > 1 && room / weight[i]! < least) [next, least] = [i, room / weight[i]!];
	});
	return next;
}
