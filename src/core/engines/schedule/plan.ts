import { DAY, type LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import { Builder } from './build.ts';
import { describePlan } from './describe.ts';
import { findImpossible, stretchOf } from './feasible.ts';
import { alone, leastMinutes, lowerBoundOf } from './lowerBound.ts';
import { makeNetwork, mirrorNetwork, remainingPath, topological, type Node } from './network.ts';
import type { Impossible, Plan, PlannedStep, PlanOrder, PlanProblem } from './problem.ts';
import { makeShop } from './shop.ts';

/** Calendars are laid out as far as the work could take twice over, and ten years when that is not enough. */
const LEAST_DAYS = 60;
/** Where daylight counts they hold a whole year: what no winter evening allows a summer one does. */
const LEAST_DAYS_OF_SUN = 370;
const MOST_DAYS = 3650;

/** What can be planned of a problem, built by rule, and what cannot. */
export interface Draft {
	problem: PlanProblem;
	/** Of the steps that can be placed at all. */
	nodes: Node[];
	builder: Builder;
	/** Topological. */
	order: number[];
	impossible: Impossible[];
	/** How far the calendars reach. */
	days: number;
}

/**
 * The plan by rule: longest remaining path first, forward from `start`; then back from the deadline
 * in reverse order, which gives each step's slack. Good plans, not proven best ones.
 * Never throws for what a maker can enter: what cannot be placed comes back in `impossible`.
 */
export const planByRule = (problem: PlanProblem): Plan => planOf(draftByRule(problem), 'rule');

/** The plan by an order that was found before, or by rule where that is ready sooner. */
export function planByOrder(problem: PlanProblem, order: PlanOrder): Plan {
	const draft = draftByRule(problem);
	const byRule = draft.builder.finish();
	follow(draft, order);
	if (draft.builder.finish() > byRule) return planByRule(problem);
	return planOf(draft, 'rule');
}

/** Builds a draft by an order that was found before; steps that it does not hold come last, in the draft's own. */
export function follow(draft: Draft, order: PlanOrder): void {
	const { nodes, builder } = draft;
	const known = new Map(order.map(({ id }, k) => [id, k]));
	const rule = new Map(draft.order.map((i, k) => [i, order.length + k]));
	const ranks = nodes.map((n, i) => known.get(n.step.id) ?? rule.get(i)!);
	draft.order = listBy(nodes, (a, b) => ranks[a]! - ranks[b]!);
	forceTeams(builder, order);
	builder.build(draft.order);
}

/** Whoever the order names does the step. */
export function forceTeams(builder: Builder, order: PlanOrder): void {
	const makers = new Map(order.map((o) => [o.id, o.makers]));
	builder.nodes.forEach((n, i) => {
		const named = makers.get(n.step.id);
		builder.forced[i] = named ? builder.teams[i]!.numberOf(named) : -1;
	});
}

export function draftByRule(problem: PlanProblem): Draft {
	const days = Math.min(MOST_DAYS, leastDaysOf(problem) + 2 * Math.ceil(elapsedAtMost(problem) / DAY));
	const draft = draftWithin(problem, days);
	return days < MOST_DAYS && draft.builder.finish() === NEVER ? draftWithin(problem, MOST_DAYS) : draft;
}

export const leastDaysOf = ({ places }: PlanProblem): number =>
	places.some((p) => p.sun) ? LEAST_DAYS_OF_SUN : LEAST_DAYS;

/** One step after the other, hands-on minutes stretched over the windows, and whatever is waited for. */
function elapsedAtMost(problem: PlanProblem): number {
	const stretch = stretchOf(problem);
	const waited = latestWaitedFor(problem) - problem.start;
	return problem.steps.reduce((sum, s) => sum + s.minutes[1] * stretch + s.wait, waited);
}

/** When the last of what work may have to wait for is over: dates, parcels at their latest, hours given away for months. */
export function latestWaitedFor({ start, steps, parcels, taken }: PlanProblem): LocalMinutes {
	const ends = [...(taken?.values() ?? [])].flatMap((spans) => spans.map(([, to]) => to));
	const dates = [...steps.map((s) => s.notBefore ?? start), ...(parcels ?? []).map((p) => p.at + p.late[2])];
	return [...dates, ...ends].reduce((latest, at) => Math.max(latest, at), start);
}

function draftWithin(problem: PlanProblem, days: number): Draft {
	const shop = makeShop(problem, problem.start, problem.start + days * DAY);
	const impossible = findImpossible(problem, makeNetwork(problem), shop);
	const bad = new Set(impossible.map((i) => i.id));
	const possible = { ...problem, steps: problem.steps.filter((s) => !bad.has(s.id)) };
	const nodes = makeNetwork(possible);
	if (nodes.some((n) => n.pin !== null)) {
		// A pin that what it waits for cannot reach would only stand in its way.
		const { from } = alone(nodes, shop, problem, leastMinutes(nodes));
		nodes.forEach((n, i) => (n.pin = n.pin !== null && from[i]! > n.pin ? null : n.pin));
	}
	const tail = remainingPath(nodes, topological(nodes).order, stretchOf(problem));
	const order = bound(
		nodes,
		listBy(nodes, (a, b) => tail[b]! - tail[a]! || a - b)
	);
	const builder = new Builder(nodes, shop, problem);
	builder.build(order);
	return { problem: possible, nodes, builder, order, impossible, days };
}

/** Every step after what it waits for, the first by `compare` first among those that may come next. */
export function listBy(nodes: readonly Node[], compare: (a: number, b: number) => number): number[] {
	const waiting = nodes.map((n) => n.before.length);
	const heap: number[] = [];
	const push = (i: number) => {
		let at = heap.push(i) - 1;
		while (at > 0 && compare(heap[at]!, heap[(at - 1) >> 1]!) < 0) {
			const up = (at - 1) >> 1;
			[heap[at], heap[up]] = [heap[up]!, heap[at]!];
			at = up;
		}
	};
	const pop = () => {
		const top = heap[0]!;
		const end = heap.pop()!;
		if (heap.length === 0) return top;
		heap[0] = end;
		for (let at = 0; ;) {
			let low = 2 * at + 1;
			if (low >= heap.length) return top;
			if (low + 1 < heap.length && compare(heap[low + 1]!, heap[low]!) < 0) low++;
			if (compare(heap[low]!, heap[at]!) >= 0) return top;
			[heap[at], heap[low]] = [heap[low]!, heap[at]!];
			at = low;
		}
	};
	waiting.forEach((count, i) => count === 0 && push(i));
	const list: number[] = [];
	while (heap.length > 0) {
		const i = pop();
		list.push(i);
		for (const { node } of nodes[i]!.behind) if (--waiting[node]! === 0) push(node);
	}
	return list;
}

/** The same with every step that a recoat window binds right behind the one it follows, if nothing else holds it up. */
export function bound(nodes: readonly Node[], list: readonly number[]): number[] {
	const out: number[] = [];
	const there = new Uint8Array(nodes.length);
	const put = (i: number): void => {
		if (there[i]) return;
		there[i] = 1;
		out.push(i);
		for (const l of nodes[i]!.behind)
			if (l.within !== null && nodes[l.node]!.before.every((b) => there[b.node])) put(l.node);
	};
	list.forEach(put);
	return out;
}

/** What was built last, as a plan with its slack and its lower bound. */
export function planOf(draft: Draft, stoppedBy: Plan['stoppedBy'], bound?: LocalMinutes | null): Plan {
	const { nodes, builder, days } = draft;
	const late = nodes.flatMap((n, i): Impossible[] =>
		builder.end[i] === NEVER ? [{ id: n.step.id, code: 'afterHorizon', values: { days } }] : []
	);
	const finish = nodes.reduce<number | null>(
		(most, node, i) =>
			builder.end[i] === NEVER ? most : Math.max(most ?? -Infinity, builder.end[i]! + node.step.wait),
		null
	);
	const lowerBound = bound === undefined ? lowerBoundOf(draft.problem, nodes, finish) : bound;
	return {
		steps: describePlan(builder, late.length ? [] : latestStarts(draft, finish)),
		order: draft.order.flatMap((i) => {
			if (builder.end[i] === NEVER) return [];
			const force = builder.forced[i]!;
			const { id } = nodes[i]!.step;
			return [force < 0 ? { id } : { id, makers: builder.teams[i]!.at(force).makers }];
		}),
		finish,
		lowerBound,
		impossible: [...draft.impossible, ...late],
		stoppedBy: finish !== null && finish === lowerBound ? 'proved' : stoppedBy
	};
}

/**
 * Back from the deadline: the forward plan taken in reverse, each step as late as the others leave room.
 * The same placing as forward, with time mirrored.
 */
function latestStarts(draft: Draft, finish: LocalMinutes | null): (LocalMinutes | null)[] {
	const { problem, nodes, builder } = draft;
	const deadline = problem.deadline ?? finish;
	if (deadline === null) return [];
	const from = Math.min(problem.start, deadline) - (deadline < (finish ?? deadline) ? draft.days : 1) * DAY;
	const shop = makeShop(problem, from, deadline + DAY, true);
	const mirror = mirrorNetwork(nodes, deadline);
	const back = new Builder(mirror, shop, problem);
	back.build(backwards(mirror, builder.end, builder.start));
	// A plan in time shows by itself that each start serves, even where the way back found only a sooner one.
	const inTime = finish !== null && finish <= deadline;
	return nodes.map((_, i) => {
		const latest = back.end[i] === NEVER ? null : 0 - back.end[i]!;
		return inTime ? Math.max(latest ?? -Infinity, builder.start[i]!) : latest;
	});
}

/** The order for the way back, over the mirrored network: what ends last first. */
export const backwards = (
	mirror: readonly Node[],
	end: ArrayLike<number>,
	start: ArrayLike<number>
): number[] => listBy(mirror, (a, b) => end[b]! - end[a]! || start[b]! - start[a]! || b - a);

/** The chain that decides the finish, first step first. */
export function decidingChain(plan: Plan): PlannedStep[] {
	const byId = new Map(plan.steps.map((s) => [s.id, s]));
	const chain: PlannedStep[] = [];
	let at = plan.steps.reduce<PlannedStep | undefined>(
		(last, s) => (!last || s.ready > last.ready ? s : last),
		undefined
	);
	while (at && !chain.includes(at)) {
		chain.unshift(at);
		at = at.heldBy === null ? undefined : byId.get(at.heldBy);
	}
	return chain;
}
