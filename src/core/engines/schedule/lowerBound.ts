import { DAY, type LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import type { Span } from './calendar.ts';
import { topological, type Link, type Node } from './network.ts';
import { endOfHours, inOneRun, inParts, pastBarred } from './placing.ts';
import type { PlanProblem } from './problem.ts';
import { makeShop, teamsOf, type Shop, type Team } from './shop.ts';

/** Each step by itself: when it could start and end at the soonest if nobody else's work were in the way. */
interface Alone {
	from: Int32Array;
	end: Int32Array;
}

/**
 * No plan can be ready sooner than this: the longest chain through the calendars with nobody else's work in
 * the way, or all the work in all hours. Quick, for pages, which have to answer at once; `Refuter` proves more.
 *
 * @param finish of a plan that exists; null when there is none, and then nothing is said
 */
export function lowerBoundOf(
	problem: PlanProblem,
	nodes: readonly Node[],
	finish: LocalMinutes | null
): LocalMinutes | null {
	if (finish === null) return null;
	// A plan that ends at `finish` exists, so no later hours can matter.
	const least = leastMinutes(nodes);
	const shop = makeShop(problem, problem.start, finish + DAY);
	const { end } = alone(nodes, shop, problem, least);
	const chain = nodes.reduce((t, n, i) => Math.max(t, end[i]! + n.step.wait), problem.start);
	return Math.min(finish, Math.max(chain, allTheWork(problem, nodes, least, shop)));
}

/** Hands-on minutes that no plan can save: what is set out for several steps may be set out for one alone. */
export function leastMinutes(nodes: readonly Node[]): Int32Array {
	const uses = new Map<string, number>();
	const key = ({ step }: Node) =>
		step.setUp && step.place !== null ? step.place + '\n' + step.setUp.key : '';
	for (const n of nodes) uses.set(key(n), (uses.get(key(n)) ?? 0) + 1);
	return Int32Array.from(nodes, (n) =>
		key(n) && uses.get(key(n))! > 1 ? Math.max(1, n.minutes - n.step.setUp!.minutes) : n.minutes
	);
}

export function alone(
	nodes: readonly Node[],
	shop: Shop,
	{ split }: Pick<PlanProblem, 'split'>,
	minutes: Int32Array
): Alone {
	const from = new Int32Array(nodes.length).fill(NEVER);
	const end = new Int32Array(nodes.length).fill(NEVER);
	/** When a step that a recoat window follows could end at all. */
	const ends = new Map<number, Span[]>();
	for (const i of topological(nodes).order) {
		const node = nodes[i]!;
		const free = node.before.reduce((t, l) => Math.max(t, end[l.node]! + l.lag), node.release);
		if (free >= NEVER) continue;
		const barred = [...node.barred, ...node.before.flatMap((l) => missed(l, ends.get(l.node), end[l.node]!))];
		const binds = node.behind.some((l) => l.within !== null);
		if (minutes[i] === 0) {
			from[i] = end[i] = pastBarred(barred, free);
			if (binds) ends.set(i, [[end[i]!, NEVER]]);
			continue;
		}
		const { oneSitting } = node.step;
		const parts = split === 'anywhere' && !oneSitting;
		const teams = teamsOf(shop, node);
		/** Of each maker: when free hours of their own begin, and hold it. */
		const own = (many: number) => teams.pool.map((m) => endOfHours(m, many, free));
		const seldom = teams.hands > 1 && !binds;
		const [begins, holds] = seldom ? [own(1), own(minutes[i]!)] : [[], []];
		// One that can neither begin nor be done sooner than those before it says nothing.
		const says = (m: number) => !seldom || holds[m]! < end[i]! || begins[m]! - 1 < from[i]!;
		const at = (team: Team) => {
			const blocks = parts
				? inParts([team], minutes[i]!, 1, barred, free)
				: inOneRun(team, minutes[i]!, oneSitting, barred, free, binds ? NEVER : end[i]!);
			if (!blocks) return;
			from[i] = Math.min(from[i]!, blocks[0]!.from);
			end[i] = Math.min(end[i]!, blocks[blocks.length - 1]!.to);
			if (binds && !parts)
				ends.set(i, [
					...(ends.get(i) ?? []),
					...endsOf(team, blocks[blocks.length - 1]!.to, oneSitting ? minutes[i]! : 1)
				]);
		};
		// Measured against those who are free first, nearly all others are passed over.
		if (seldom && teams.length > 0)
			at(teams.at(teams.numberOf(least(holds, teams.hands).map((m) => teams.pool[m]!.id))));
		teams.look(says, at);
		if (parts) {
			const blocks = inParts(teams, minutes[i]!, 1, barred, free);
			if (blocks) end[i] = Math.min(end[i]!, blocks[blocks.length - 1]!.to);
			if (binds)
				ends.set(
					i,
					[...teams].flatMap((t) => endsOf(t, end[i]!, 1))
				);
		}
	}
	return { from, end };
}

/** Which so many of these are the least, in their order. */
const least = (of: readonly number[], count: number): number[] =>
	[...of.keys()]
		.sort((a, b) => of[a]! - of[b]!)
		.slice(0, count)
		.sort((a, b) => a - b);

/** Work of a team can end only in its open hours, so long after they began, and not before `first`. */
function endsOf({ open }: Team, first: LocalMinutes, after: number): Span[] {
	const spans: Span[] = [];
	for (let k = 0; k < open.length; k += 2) {
		const from = Math.max(first, open[k]! + after);
		if (from <= open[k + 1]!) spans.push([from, open[k + 1]!]);
	}
	return spans;
}

/** Starts that miss a recoat window whenever the step before it may have ended, until it is allowed again. */
function missed(link: Link, ends: readonly Span[] | undefined, soonest: LocalMinutes): Span[] {
	if (link.within === null || !ends || link.orAfter <= link.within) return [];
	const again = Math.min(NEVER, soonest + link.orAfter);
	const barred: Span[] = [];
	let clear = soonest;
	for (const [from, to] of [...ends].sort((a, b) => a[0] - b[0])) {
		if (from + link.lag > clear) barred.push([clear, Math.min(again, from + link.lag)]);
		clear = Math.max(clear, to + link.within + 1);
		if (clear >= again) return barred;
	}
	barred.push([clear, again]);
	return barred;
}

/** All makers working in every window from the start on, nothing ever in the way. */
function allTheWork(
	problem: PlanProblem,
	nodes: readonly Node[],
	minutes: Int32Array,
	shop: Shop
): LocalMinutes {
	let left = nodes.reduce((sum, n, i) => sum + minutes[i]! * n.step.hands, 0);
	const alike = new Map<readonly Span[], number>();
	for (const { open } of shop.makers) alike.set(open, (alike.get(open) ?? 0) + 1);
	const events = [...alike]
		.flatMap(([open, many]) =>
			open.flatMap(([from, to]): [number, number][] => [
				[from, many],
				[to, -many]
			])
		)
		.sort((a, b) => a[0] - b[0] || b[1] - a[1]);
	let at = problem.start;
	let working = 0;
	for (const [time, change] of events) {
		if (working > 0 && (time - at) * working >= left) return at + Math.ceil(left / working);
		left -= (time - at) * working;
		at = time;
		working += change;
	}
	return at;
}
