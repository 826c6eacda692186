import { DAY, type LocalMinutes } from '../units/localTime.ts';
import { findImpossible, stretchOf } from './feasible.ts';
import { lowerBoundOf } from './lowerBound.ts';
import { makeNetwork, mirrorNetwork, remainingPath, topological, type Node } from './network.ts';
import type { Impossible, Plan, PlannedStep, PlanProblem } from './problem.ts';
import { makeResources, mirrorResources } from './resources.ts';
import { serialPlan, type Placement } from './serial.ts';

/** Calendars are laid out as far as the work could take twice over, and ten years when that is not enough. */
const LEAST_DAYS = 60;
const MOST_DAYS = 3650;

/**
 * The plan by rule: longest remaining path first, forward from `start`; then back from the deadline
 * in reverse order, which gives each step's slack. Good plans, not proven best ones.
 * Never throws for what a maker can enter: what cannot be placed comes back in `impossible`.
 */
export function planByRule(problem: PlanProblem): Plan {
	const days = Math.min(MOST_DAYS, LEAST_DAYS + 2 * Math.ceil(elapsedAtMost(problem) / DAY));
	const plan = planWithin(problem, days);
	return days < MOST_DAYS && plan.impossible.some((i) => i.code === 'afterHorizon')
		? planWithin(problem, MOST_DAYS)
		: plan;
}

/** One step after the other, hands-on minutes stretched over the windows, and whatever is waited for. */
function elapsedAtMost(problem: PlanProblem): number {
	const stretch = stretchOf(problem);
	const latest = problem.steps.reduce(
		(t, s) => Math.max(t, (s.notBefore ?? problem.start) - problem.start),
		0
	);
	return problem.steps.reduce((sum, s) => sum + s.minutes[1] * stretch + s.wait, latest);
}

function planWithin(problem: PlanProblem, days: number): Plan {
	const horizon = problem.start + days * DAY;
	const resources = makeResources(problem, problem.start, horizon);
	const impossible = findImpossible(problem, makeNetwork(problem), resources);
	const bad = new Set(impossible.map((i) => i.id));
	const possible = { ...problem, steps: problem.steps.filter((s) => !bad.has(s.id)) };
	const nodes = makeNetwork(possible);
	const { order } = topological(nodes);
	const tail = remainingPath(nodes, order, stretchOf(problem));
	const placed = serialPlan({
		...problem,
		nodes,
		resources,
		pick: (eligible) => longestFirst(eligible, tail)
	});
	const late = placed.flatMap((p, i): Impossible[] =>
		p ? [] : [{ id: nodes[i]!.step.id, code: 'afterHorizon', values: { days } }]
	);
	const finish = nodes.reduce<number | null>((most, node, i) => {
		const p = placed[i];
		return p ? Math.max(most ?? -Infinity, p.end + node.step.wait) : most;
	}, null);
	const latest = late.length ? [] : latestStarts(possible, nodes, placed as Placement[], finish, days);
	const lowerBound = lowerBoundOf(possible, nodes, order, finish);
	return {
		steps: describe(nodes, placed, latest),
		finish,
		lowerBound,
		impossible: [...impossible, ...late],
		stoppedBy: finish !== null && finish === lowerBound ? 'proved' : 'rule'
	};
}

function longestFirst(eligible: readonly number[], tail: readonly number[]): number {
	return eligible.reduce((best, i) =>
		tail[i]! > tail[best]! || (tail[i] === tail[best] && i < best) ? i : best
	);
}

/**
 * Back from the deadline: the forward plan taken in reverse, each step as late as the others leave room.
 * The same placing as forward, with time mirrored.
 */
function latestStarts(
	problem: PlanProblem,
	nodes: readonly Node[],
	placed: readonly Placement[],
	finish: LocalMinutes | null,
	days: number
): (LocalMinutes | null)[] {
	const deadline = problem.deadline ?? finish;
	if (deadline === null) return [];
	const mirror = mirrorNetwork(nodes, deadline);
	const resources = mirrorResources(problem, deadline - days * DAY, deadline + DAY);
	const rank = new Map(
		placed
			.map((p, i) => ({ i, p }))
			.sort((a, b) => b.p.end - a.p.end || b.p.start - a.p.start || b.i - a.i)
			.map(({ i }, at) => [i, at])
	);
	const pick = (eligible: readonly number[]) =>
		eligible.reduce((best, i) => (rank.get(i)! < rank.get(best)! ? i : best));
	const back = serialPlan({ ...problem, nodes: mirror, resources, pick }).map((p) => (p ? 0 - p.end : null));
	// A plan in time shows by itself that each start serves, even where the way back found only a sooner one.
	const inTime = finish !== null && finish <= deadline;
	return back.map((latest, i) => (inTime ? Math.max(latest ?? -Infinity, placed[i]!.start) : latest));
}

function describe(
	nodes: readonly Node[],
	placed: readonly (Placement | null)[],
	latest: readonly (LocalMinutes | null)[]
): PlannedStep[] {
	const slacks = placed.map((p, i) => (p && typeof latest[i] === 'number' ? latest[i]! - p.start : null));
	const least = slacks.reduce<number>((min, s) => Math.min(min, s ?? Infinity), Infinity);
	const busy = byResource(placed);
	return placed.flatMap((p, i): PlannedStep[] =>
		p
			? [
					{
						id: nodes[i]!.step.id,
						start: p.start,
						end: p.end,
						ready: p.end + nodes[i]!.step.wait,
						makers: p.makers,
						blocks: p.blocks,
						slackMinutes: slacks[i] ?? null,
						critical: slacks[i] !== null && slacks[i] === least,
						heldBy: heldBy(nodes, placed, busy, i)
					}
				]
			: []
	);
}

/** Placements of each maker and place, by their ends. */
function byResource(placed: readonly (Placement | null)[]): Map<string, { i: number; end: LocalMinutes }[]> {
	const lists = new Map<string, { i: number; end: LocalMinutes }[]>();
	placed.forEach((p, i) => {
		for (const { id } of p?.team ?? []) {
			const list = lists.get(id);
			if (list) list.push({ i, end: p!.end });
			else lists.set(id, [{ i, end: p!.end }]);
		}
	});
	for (const list of lists.values()) list.sort((a, b) => a.end - b.end);
	return lists;
}

/** What the start of a step hung on: its last predecessor, or whatever its team was busy with just before. */
function heldBy(
	nodes: readonly Node[],
	placed: readonly (Placement | null)[],
	busy: ReturnType<typeof byResource>,
	i: number
): string | null {
	const me = placed[i]!;
	let last: { i: number; end: LocalMinutes } | null = null;
	for (const { id } of me.team) {
		const before = busy.get(id)!.findLast((b) => b.end <= me.start && b.i !== i);
		if (before && before.end > me.free && (!last || before.end > last.end)) last = before;
	}
	if (last) return nodes[last.i]!.step.id;
	const before = nodes[i]!.before.map((l) => ({
		id: nodes[l.node]!.step.id,
		at: placed[l.node]!.end + l.lag
	})).reduce<{ id: string; at: number } | null>((late, b) => (!late || b.at > late.at ? b : late), null);
	return before && before.at >= nodes[i]!.release ? before.id : null;
}

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
