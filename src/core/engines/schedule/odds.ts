import { DAY, dayOf, type LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import { Builder } from './build.ts';
import { busyBy, holderOf } from './describe.ts';
import { stretchOf } from './feasible.ts';
import { makeNetwork, type Node } from './network.ts';
import { minutesAt } from './pert.ts';
import { forceTeams, latestWaitedFor, leastDaysOf, listBy } from './plan.ts';
import type { PlanOrder, PlanProblem } from './problem.ts';
import { normals, seeded } from '../../units/random.ts';
import type { Span } from './calendar.ts';
import { makeShop, type Resource } from './shop.ts';
import { Weather } from './weather.ts';

export interface OddsTask {
	problem: PlanProblem;
	/** Of the plan that is simulated. */
	order: PlanOrder;
	runs: number;
	seed: number;
	/** How much of a slip is common to all steps of a build, 0 to 1: the correlation between any two. */
	shared: number;
	/** By how much of itself a wait may be longer, at the worst: 0.5 is half as long again. Waits are as said where it is missing. */
	slip?: number;
	/** Moments to know the odds of. */
	by: readonly LocalMinutes[];
}

export interface Odds {
	runs: number;
	/** For each moment of `by`: the share of builds that were ready. */
	by: { at: LocalMinutes; share: number }[];
	/** How far calendars reach: a build that is not ready by then is late, and ready after it. */
	until: LocalMinutes;
	/** When so many builds were ready; null when fewer were, as far as calendars reach. */
	p50: LocalMinutes | null;
	p80: LocalMinutes | null;
	p95: LocalMinutes | null;
	/** Builds that became ready on each day, as a share; days since 1970-01-01. */
	days: { day: number; share: number }[];
	/** Share of builds in which a step lay on the chain that decided the finish. The largest first. */
	steps: { id: string; share: number }[];
	/** Likewise of parcels that such a chain began with. */
	parcels: { id: string; share: number }[];
	/**
	 * Makers and places whose hours held such a chain up when all else was there, by how many minutes a build on the average: what is
	 * scarce. The most first.
	 */
	scarce: { id: string; minutes: number }[];
	/** Share of builds in which wet days held up such a chain. */
	wet: number;
}

/** Simulated builds may end this many times later than one step after the other would. */
const LATER = 3;

/**
 * Builds the plan many times over with other minutes: each step's by chance between good and bad, with a part
 * of the luck common to all; parcels as late as they may be; work that has to be done again, with its wait;
 * wet days on which places for dry weather are closed.
 * Makers take the steps in the order of the plan, each as soon as it can. What is pinned stays, if it can.
 *
 * Yields the share that is done; told true, it leaves it at that. Minutes are whole; a sitting that bad luck
 * makes longer than any window runs to that window's end.
 */
export function* simulate(task: OddsTask): Generator<number, Odds, boolean | undefined> {
	const { problem, runs } = task;
	const until = horizonOf(problem);
	const { nodes, builder, weather, late, again, build } = buildsOf(task, until);
	const finishes = new Float64Array(runs);
	const onChain = new Int32Array(nodes.length);
	const byParcel = new Map<string, number>();
	const scarce = new Float64Array(builder.shop.size);
	let wet = 0;
	let run = 0;
	while (run < runs) {
		again();
		const finish = build();
		finishes[run++] = finish === NEVER ? Infinity : finish;
		if (finish !== NEVER) {
			const { first, heldUp } = walkChain(builder, finish, onChain, scarce, weather);
			for (const id of parcelsAt(late, builder, first)) byParcel.set(id, (byParcel.get(id) ?? 0) + 1);
			if (heldUp) wet++;
		}
		if (run % 20 === 0 && (yield run / runs)) break;
	}
	return {
		...summary({ ...task, runs: run }, nodes, finishes.subarray(0, run).sort(), onChain, byParcel),
		until,
		scarce: [...builder.shop.makers, ...builder.shop.places.values()]
			.map((r) => ({ id: r.id, minutes: scarce[r.index]! / run }))
			.filter((r) => r.minutes >= 1)
			.sort((a, b) => b.minutes - a.minutes),
		wet: wet / run
	};
}

/** Builds of a plan, one after another. */
export interface Builds extends Omit<Draws, 'draw'> {
	nodes: readonly Node[];
	builder: Builder;
	weather: Weather;
	/** Other luck. */
	again: () => void;
	/** With the luck that was drawn last. @returns its finish; NEVER where calendars do not reach so far */
	build: () => LocalMinutes;
}

/** @param until how far calendars reach */
export function buildsOf(task: Omit<OddsTask, 'runs' | 'by'>, until: LocalMinutes): Builds {
	const { problem } = task;
	const rank = new Map(task.order.map(({ id }, k) => [id, k]));
	const nodes = makeNetwork({ ...problem, steps: problem.steps.filter((s) => rank.has(s.id)) });
	const order = listBy(nodes, (a, b) => rank.get(nodes[a]!.step.id)! - rank.get(nodes[b]!.step.id)!);
	const builder = new Builder(nodes, makeShop(problem, problem.start, until), problem);
	forceTeams(builder, task.order);
	const { draw, late, release } = drawsOf(task, builder);
	const weather = new Weather(builder.teams, problem.wetShare ?? 0, problem.start, until);
	// Chance of its own: whatever else is tried, the days are the same.
	const sky = seeded(~task.seed);
	return {
		nodes,
		builder,
		weather,
		late,
		release,
		again: () => {
			draw();
			weather.draw(sky);
		},
		build: () => {
			builder.build(order);
			return builder.finish();
		}
	};
}

/** How far calendars reach. */
export function horizonOf(problem: PlanProblem): LocalMinutes {
	const work = problem.steps.reduce((sum, s) => sum + 2 * s.minutes[2] * s.hands, 0) * stretchOf(problem);
	const waits = problem.steps.reduce((sum, s) => sum + 2 * s.wait, 0);
	const least = Math.ceil(leastDaysOf(problem) / (1 - (problem.wetShare ?? 0))) * DAY;
	return latestWaitedFor(problem) + Math.min(3650 * DAY, least + Math.ceil((work + waits) / LATER));
}

interface Draws {
	/** Sets the builder's minutes, releases and waits for one more build. */
	draw: () => void;
	/** When each parcel comes in this build. */
	late: Map<string, LocalMinutes>;
	/** Sets the release of a step anew, by when its parcels come now. */
	release: (node: number) => void;
}

function drawsOf(
	{ problem, seed, shared, slip = 0 }: Pick<OddsTask, 'problem' | 'seed' | 'shared' | 'slip'>,
	builder: Builder
): Draws {
	const { nodes } = builder;
	const { normal, random } = normals(seed);
	const common = Math.sqrt(shared);
	const its = Math.sqrt(1 - shared);
	const minutes = nodes.map((n) => minutesAt(n.step.minutes));
	// Most waits are as long as said; some are longer, and by chance of their own: the weather is not the maker's luck.
	const longer = nodes.map((n) =>
		slip > 0 && n.step.wait > 0 ? minutesAt([0, 0, slip * n.step.wait]) : null
	);
	const parcels = (problem.parcels ?? []).map((p) => ({ ...p, lateBy: minutesAt(p.late) }));
	const late = new Map<string, LocalMinutes>();
	const release = (i: number) => {
		const { step } = nodes[i]!;
		let at = Math.max(problem.start, step.notBefore ?? problem.start);
		for (const id of step.parcels ?? []) at = Math.max(at, late.get(id) ?? at);
		builder.release[i] = at;
	};
	const draw = () => {
		const luck = common * normal();
		for (const p of parcels) late.set(p.id, Math.round(p.at + p.lateBy(normal())));
		nodes.forEach((node, i) => {
			const { step } = node;
			const once = () => Math.round(minutes[i]!(luck + its * normal()));
			// Done again: the hands-on work and the wait a second time.
			const again = step.redo !== undefined && random() < step.redo;
			builder.minutes[i] = once() + (again ? once() : 0);
			builder.extraWait[i] = (again ? step.wait : 0) + Math.round(longer[i]?.(normal()) ?? 0);
			release(i);
		});
	};
	return { draw, late, release };
}

/** Counts the steps of the chain that decided this build: the first of it, and whether wet days held it up. */
function walkChain(
	builder: Builder,
	finish: LocalMinutes,
	count: Int32Array,
	scarce: Float64Array,
	weather: Weather
): { first: number; heldUp: boolean } {
	const { nodes, end, extraWait } = builder;
	const busy = busyBy(builder);
	let heldUp = false;
	let at = nodes.findIndex((n, i) => end[i]! + n.step.wait + extraWait[i]! === finish);
	for (let left = nodes.length; left > 0; left--) {
		count[at]!++;
		const holder = holderOf(builder, busy, at);
		const from = holder < 0 ? builder.free[at]! : Math.max(builder.free[at]!, end[holder]!);
		waitedFor(builder.blocks[at]![0]?.team.members ?? [], from, builder.start[at]!, scarce);
		heldUp ||= weather.heldUp(builder.blocks[at]![0]?.team, from, builder.start[at]!);
		if (holder < 0) break;
		at = holder;
	}
	return { first: at, heldUp };
}

/** When hours next begin, or `at` within them. */
function nextOpen(open: readonly Span[], at: LocalMinutes): LocalMinutes {
	let low = 0;
	let high = open.length;
	while (low < high) {
		const mid = (low + high) >> 1;
		if (open[mid]![1] <= at) low = mid + 1;
		else high = mid;
	}
	return low < open.length ? Math.max(at, open[low]![0]) : NEVER;
}

/** Adds the minutes for which one of those whom a step takes had no hours yet, while all others had. */
function waitedFor(
	members: readonly Resource[],
	from: LocalMinutes,
	start: LocalMinutes,
	scarce: Float64Array
): void {
	if (members.length < 2 || start <= from) return;
	let [last, latest, second] = [members[0]!, -Infinity, -Infinity];
	for (const r of members) {
		const at = Math.min(start, nextOpen(r.open, from));
		if (at > latest) [last, latest, second] = [r, at, latest];
		else if (at > second) second = at;
	}
	scarce[last.index]! += latest - Math.max(from, second);
}

/** The parcels whose coming was the earliest start of a step. */
function parcelsAt(
	late: ReadonlyMap<string, LocalMinutes>,
	{ nodes, release, free }: Builder,
	i: number
): readonly string[] {
	if (free[i] !== release[i] || release[i]! <= nodes[i]!.floor) return [];
	return (nodes[i]!.step.parcels ?? []).filter((id) => late.get(id) === release[i]);
}

function summary(
	{ problem, by, runs }: OddsTask,
	nodes: readonly Node[],
	sorted: Float64Array,
	onChain: Int32Array,
	byParcel: ReadonlyMap<string, number>
): Omit<Odds, 'wet' | 'until' | 'scarce'> {
	const quantile = (share: number) => {
		const at = sorted[Math.max(0, Math.ceil(share * runs) - 1)]!;
		return Number.isFinite(at) ? at : null;
	};
	const days = new Map<number, number>();
	for (const at of sorted) if (Number.isFinite(at)) days.set(dayOf(at), (days.get(dayOf(at)) ?? 0) + 1);
	const shares = (counts: [string, number][]) =>
		counts
			.map(([id, n]) => ({ id, share: n / runs }))
			.filter((s) => s.share > 0)
			.sort((a, b) => b.share - a.share);
	return {
		runs,
		by: by.map((at) => ({ at, share: countUpTo(sorted, at) / runs })),
		p50: quantile(0.5),
		p80: quantile(0.8),
		p95: quantile(0.95),
		days: [...days].map(([day, n]) => ({ day, share: n / runs })).sort((a, b) => a.day - b.day),
		steps: shares(nodes.map((n, i) => [n.step.id, onChain[i]!])),
		parcels: problem.parcels ? shares([...byParcel]) : []
	};
}

/** How many of these, in order, are no later. */
function countUpTo(sorted: Float64Array, at: LocalMinutes): number {
	let low = 0;
	let high = sorted.length;
	while (low < high) {
		const mid = (low + high) >> 1;
		if (sorted[mid]! <= at) low = mid + 1;
		else high = mid;
	}
	return low;
}
