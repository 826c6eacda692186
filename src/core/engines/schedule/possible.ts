import type { LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import type { Span } from './calendar.ts';
import { leastMinutes } from './lowerBound.ts';
import type { Node } from './network.ts';
import { firstOpen } from './placing.ts';
import type { PlanProblem } from './problem.ts';
import { teamsOf, type Resource, type Shop } from './shop.ts';
import { either, endOfRun, startOfRun, within, without, type Starts } from './starts.ts';

/** A step with those who could do it. */
export interface Task {
	node: Node;
	/** At the least: what has to be set out may stand ready. */
	minutes: number;
	/** It may be set aside and taken up again: a start says nothing of the rest. */
	parts: boolean;
	ways: Way[];
}

export interface Way {
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
export interface Possible {
	/** Of each step, for each of its ways. */
	starts: Starts[][];
	/** Latest end of each step. */
	latest: Int32Array;
	/** Steps of which something was struck out that the others do not know of yet. */
	touched: number[];
}
export function tasksOf({ split, leastPart }: PlanProblem, nodes: readonly Node[], shop: Shop): Task[] {
	const least = leastMinutes(nodes);
	const nobody: ReadonlySet<Resource> = new Set();
	return nodes.map((node, i): Task => {
		const minutes = least[i]!;
		if (minutes === 0) {
			const open = Int32Array.of(node.release, NEVER);
			const way = { open, first: 0, work: open, makers: [], members: [], throughout: nobody };
			return { node, minutes, parts: false, ways: [way] };
		}
		const teams = [...teamsOf(shop, node)];
		const sitting = node.step.oneSitting;
		const parts = split === 'anywhere' && !sitting;
		// In parts, hands may change after the first.
		const anybody = parts
			? Int32Array.from(
					either(
						teams.map((t) => t.open),
						0
					)
				)
			: null;
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

export const lengthOf = (edges: ArrayLike<number>): number =>
	Array.from(edges).reduce((sum, t, k) => sum + (k % 2 ? t : -t), 0);

export const endOf = (t: Task, w: Way, start: LocalMinutes): LocalMinutes =>
	w.first === t.minutes ? start + t.minutes : endOfRun(w.work, start, t.minutes);
export const latestStart = (t: Task, w: Way, end: LocalMinutes): LocalMinutes =>
	w.first === t.minutes ? end - t.minutes : startOfRun(w.work, end, t.minutes);

/** By the hours of the way, what is given away of them, and the step's own limits. */
export function startsOf(t: Task, w: Way): Starts {
	const list: number[] = [];
	for (let k = 0; k < w.open.length; k += 2) {
		const last = w.open[k + 1]! - w.first;
		if (w.open[k]! <= last) list.push(w.open[k]!, last);
	}
	let starts = within(list, t.node.release, NEVER);
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
export function clear(t: Task, w: Way, starts: Starts, [from, to]: Span): Starts {
	if (t.parts || w.first === t.minutes) return without(starts, from - w.first + 1, to - 1);
	const k = firstOpen(w.open, from);
	// Where it is closed it rests, and others may be busy.
	const opens = k < w.open.length ? Math.max(from, w.open[k]!) : to;
	return opens < to ? without(starts, startOfRun(w.open, opens, t.minutes) + 1, to - 1) : starts;
}

export const firstOf = (ways: readonly Starts[]): LocalMinutes =>
	ways.reduce((first, s) => (s.length > 0 && s[0]! < first ? s[0]! : first), NEVER);
export const lastOf = (ways: readonly Starts[]): LocalMinutes =>
	ways.reduce((last, s) => (s.length > 0 && s[s.length - 1]! > last ? s[s.length - 1]! : last), -NEVER);
export const live = (t: Task, starts: readonly Starts[]): Way[] =>
	t.ways.filter((_, k) => starts[k]!.length > 0);

export function firstEnd(t: Task, starts: readonly Starts[]): LocalMinutes {
	let first = NEVER;
	for (let k = 0; k < starts.length; k++)
		if (starts[k]!.length > 0) first = Math.min(first, endOf(t, t.ways[k]!, starts[k]![0]!));
	return first;
}

export function latestEnd(tasks: readonly Task[], { starts, latest }: Possible, i: number): LocalMinutes {
	const t = tasks[i]!;
	if (t.parts) return latest[i]!;
	let last = -NEVER;
	for (let k = 0; k < t.ways.length; k++) {
		const its = starts[i]![k]!;
		if (its.length > 0) last = Math.max(last, endOf(t, t.ways[k]!, its[its.length - 1]!));
	}
	return last;
}
