import { DAY, type LocalMinutes } from '../units/localTime.ts';
import { NEVER } from './bookings.ts';
import { firstEndingAfter, type Span } from './calendar.ts';
import { FlowNetwork } from './flow.ts';
import { mirrorNetwork, topological, type Link, type Node } from './network.ts';
import { inOneRun, inParts, pastBarred } from './placing.ts';
import type { PlanProblem } from './problem.ts';
import { makeShop, teamsOf, type Resource, type Shop, type Team } from './shop.ts';

/** Above so many steps the flow is left out: its network grows with steps times windows. */
const MOST_STEPS_IN_FLOW = 400;

/** Each step by itself: when it could start and end at the soonest if nobody else's work were in the way. */
interface Alone {
	from: Int32Array;
	end: Int32Array;
}

/**
 * No plan can be ready sooner than this: the longest chain through the calendars with nobody else's work in
 * the way; and the first moment by which all the work fits into the makers' and the places' hours, each step
 * between its own earliest start and the latest end from which the rest of its chain can still be done
 * (a maximum flow of minutes into windows; steps may be cut up in it, so it proves, but does not plan).
 *
 * @param finish of a plan that exists; null when there is none, and then nothing is said
 * @param quick only the chain and the sum of the work: for pages, which have to answer at once
 */
export function lowerBoundOf(
	problem: PlanProblem,
	nodes: readonly Node[],
	finish: LocalMinutes | null,
	quick = false
): LocalMinutes | null {
	if (finish === null) return null;
	// A plan that ends at `finish` exists, so no later hours can matter.
	const least = leastMinutes(nodes);
	const shop = makeShop(problem, problem.start, finish + DAY);
	const head = alone(nodes, shop, problem, least);
	const chain = Math.min(
		finish,
		nodes.reduce((t, n, i) => Math.max(t, head.end[i]! + n.step.wait), problem.start)
	);
	if (chain === finish || quick || nodes.length > MOST_STEPS_IN_FLOW)
		return Math.max(chain, Math.min(finish, allTheWork(problem, nodes, least, shop)));
	const back = makeShop(problem, problem.start, finish + DAY, true);
	const fits = (by: LocalMinutes) => {
		const latest = latestEnds(nodes, back, problem, by);
		return workFits({ nodes, shop, minutes: least, earliest: head.from, latest });
	};
	let low = chain;
	let high = finish;
	while (low < high) {
		const by = Math.floor((low + high) / 2);
		if (fits(by)) high = by;
		else low = by + 1;
	}
	return low;
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

/** When each step has to end at the latest for all to be ready `by` then, nobody else's work in the way. `back` is a mirrored shop. */
export const latestEnds = (
	nodes: readonly Node[],
	back: Shop,
	problem: Pick<PlanProblem, 'split'>,
	by: LocalMinutes
): Int32Array => alone(mirrorNetwork(nodes, by), back, problem, leastMinutes(nodes)).from.map((t) => -t);

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
		const free = node.before.reduce(
			(t, l) => Math.max(t, end[l.node]! + l.lag),
			Math.max(node.release, node.pin ?? node.release)
		);
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
		for (const team of teamsOf(shop, node)) {
			const blocks = parts
				? inParts([team], minutes[i]!, 1, barred, free)
				: inOneRun(team, minutes[i]!, oneSitting, barred, free);
			if (!blocks) continue;
			from[i] = Math.min(from[i]!, blocks[0]!.from);
			end[i] = Math.min(end[i]!, blocks[blocks.length - 1]!.to);
			if (binds && !parts)
				ends.set(i, [
					...(ends.get(i) ?? []),
					...endsOf(team, blocks[blocks.length - 1]!.to, oneSitting ? minutes[i]! : 1)
				]);
		}
		if (parts) {
			const blocks = inParts(teamsOf(shop, node), minutes[i]!, 1, barred, free);
			if (blocks) end[i] = Math.min(end[i]!, blocks[blocks.length - 1]!.to);
			if (binds)
				ends.set(
					i,
					teamsOf(shop, node).flatMap((t) => endsOf(t, end[i]!, 1))
				);
		}
	}
	return { from, end };
}

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

/** What the flow is asked about: minutes of work, each between two moments. */
interface Work {
	nodes: readonly Node[];
	shop: Shop;
	minutes: Int32Array;
	earliest: Int32Array;
	latest: Int32Array;
}

/** Makers whom all steps either allow or do not allow alike; or a place, which all steps there use. */
interface Class {
	members: readonly Resource[];
	serves: (node: Node) => boolean;
}

/** Whether all minutes fit between the earliest starts and the latest ends, for the makers and at each place. */
function workFits(work: Work): boolean {
	const { nodes, minutes, earliest, latest } = work;
	const busy = nodes.map((_, i) => i).filter((i) => minutes[i]! > 0);
	if (busy.some((i) => latest[i]! - earliest[i]! < minutes[i]!)) return false;
	if (!flows(work, busy, classesOf(work), (node) => node.step.makers)) return false;
	return [...work.shop.places.values()].every((place) => {
		const here = busy.filter((i) => nodes[i]!.step.place === place.id);
		return here.length < 2 || flows(work, here, [{ members: [place], serves: () => true }], () => 1);
	});
}

function classesOf({ shop, nodes }: Work): Class[] {
	const lists = [...new Set(nodes.flatMap((n) => (n.step.with ? [JSON.stringify(n.step.with)] : [])))].map(
		(text) => JSON.parse(text) as string[]
	);
	const classes = new Map<string, Resource[]>();
	for (const m of shop.makers) {
		const key = lists.map((l) => Number(l.includes(m.id))).join('');
		classes.set(key, [...(classes.get(key) ?? []), m]);
	}
	return [...classes.values()].map((members) => ({
		members,
		serves: ({ step }) => !step.with || step.with.includes(members[0]!.id)
	}));
}

function flows(
	work: Work,
	busy: readonly number[],
	classes: readonly Class[],
	hands: (node: Node) => number
): boolean {
	const { nodes, minutes, earliest, latest } = work;
	const segments = segmentsOf(work, busy, classes);
	// Source, sink, the steps, then each class in each segment.
	const first = 2 + busy.length;
	const network = new FlowNetwork(first + segments.length * classes.length);
	segments.forEach(({ free }, s) =>
		free.forEach((minutes, c) => network.edge(first + s * classes.length + c, 1, minutes))
	);
	let wanted = 0;
	busy.forEach((i, w) => {
		const node = nodes[i]!;
		wanted += minutes[i]! * hands(node);
		network.edge(0, 2 + w, minutes[i]! * hands(node));
		segments.forEach(({ from, to, free, hands: there, closed }, s) => {
			if (from < earliest[i]! || to > latest[i]! || closed.has(node.step.place)) return;
			if (classes.reduce((sum, c, k) => sum + (c.serves(node) ? there[k]! : 0), 0) < hands(node)) return;
			classes.forEach((c, k) => {
				if (free[k]! > 0 && c.serves(node))
					network.edge(2 + w, first + s * classes.length + k, Math.min(free[k]!, (to - from) * hands(node)));
			});
		});
	});
	return network.most(0, 1) >= wanted;
}

interface Segment {
	from: LocalMinutes;
	to: LocalMinutes;
	/** Minutes that each class has left in it. */
	free: number[];
	/** How many of each class have any. */
	hands: number[];
	/** Places that are closed in it. */
	closed: ReadonlySet<string | null>;
}

/** Time cut at every moment at which somebody's hours, or some step's own limits, begin or end. */
function segmentsOf(
	{ nodes, shop, earliest, latest }: Work,
	busy: readonly number[],
	classes: readonly Class[]
): Segment[] {
	const places = [...new Set(busy.flatMap((i) => nodes[i]!.step.place ?? []))].map((id) =>
		shop.places.get(id)!
	);
	const times = new Set<number>(busy.flatMap((i) => [earliest[i]!, latest[i]!]));
	const first = Math.min(...times);
	const last = Math.max(...times);
	for (const r of [...classes.flatMap((c) => c.members), ...places])
		for (const span of r.open) for (const t of span) if (t > first && t < last) times.add(t);
	const edges = [...times].sort((a, b) => a - b);
	return edges.slice(1).flatMap((to, k): Segment[] => {
		const from = edges[k]!;
		const left = classes.map((c) =>
			c.members.map((r) => (isOpen(r, from) ? r.taken.leftBetween(from, to) : 0)).filter((m) => m > 0)
		);
		const free = left.map((minutes) => minutes.reduce((sum, m) => sum + m, 0));
		const hands = left.map((minutes) => minutes.length);
		if (free.every((minutes) => minutes === 0)) return [];
		return [
			{ from, to, free, hands, closed: new Set(places.filter((p) => !isOpen(p, from)).map((p) => p.id)) }
		];
	});
}

const isOpen = ({ open }: Resource, at: LocalMinutes): boolean => {
	const span = open[firstEndingAfter(open, at)];
	return span !== undefined && span[0] <= at;
};

/** For very many steps: all makers working in every window from the start on, nothing ever in the way. */
function allTheWork(
	problem: PlanProblem,
	nodes: readonly Node[],
	minutes: Int32Array,
	shop: Shop
): LocalMinutes {
	let left = nodes.reduce((sum, n, i) => sum + minutes[i]! * n.step.makers, 0);
	const events = shop.makers
		.flatMap((m) =>
			m.open.flatMap(([from, to]): [number, number][] => [
				[from, 1],
				[to, -1]
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
