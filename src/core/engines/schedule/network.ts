import type { LocalMinutes } from '../../units/localTime.ts';
import type { Span } from './calendar.ts';
import type { PlanProblem, PlanStep } from './problem.ts';

/** A step with its links resolved to indices, either way round in time. */
export interface Node {
	step: PlanStep;
	minutes: number;
	/** Earliest start from everything but its links … */
	release: LocalMinutes;
	/** … and parcels. */
	floor: LocalMinutes;
	barred: readonly Span[];
	/** A start that is kept for it, which is no sooner than `release`; null when it may be at any time. */
	pin: LocalMinutes | null;
	before: Link[];
	behind: Link[];
}

/** The lag runs from the hands-on end of one to the start of the other. */
export interface Link {
	node: number;
	lag: number;
	within: number | null;
	orAfter: number;
}

export function makeNetwork(problem: PlanProblem): Node[] {
	const index = new Map(problem.steps.map((s, i) => [s.id, i]));
	const arrivals = new Map(problem.parcels?.map((p) => [p.id, p.at + p.late[1]]));
	// A pin that cannot be kept puts its step off: nobody comes to a fitting before its date.
	const floor = ({ notBefore, pinnedAt }: PlanStep) =>
		Math.max(problem.start, notBefore ?? problem.start, pinnedAt ?? problem.start);
	const nodes = problem.steps.map((step): Node => ({
		step,
		minutes: step.minutes[1],
		release: Math.max(floor(step), ...(step.parcels ?? []).map((id) => arrivals.get(id) ?? problem.start)),
		floor: floor(step),
		barred: step.barred ?? [],
		pin: step.pinnedAt ?? null,
		before: [],
		behind: []
	}));
	nodes.forEach((node, i) => {
		for (const after of node.step.after) {
			const from = index.get(after.id);
			if (from === undefined) continue;
			const link = {
				lag: nodes[from]!.step.wait,
				within: after.within ?? null,
				orAfter: after.within === undefined ? 0 : (after.orAfter ?? Infinity)
			};
			node.before.push({ node: from, ...link });
			nodes[from]!.behind.push({ node: i, ...link });
		}
	});
	return nodes;
}

/**
 * The same network with time run backwards from the deadline. A link between the end of one and the
 * start of the next reads the same from either side; a step's own last wait must end by the deadline.
 */
export function mirrorNetwork(nodes: readonly Node[], deadline: LocalMinutes): Node[] {
	return nodes.map((node) => ({
		...node,
		release: -deadline + node.step.wait,
		barred: [],
		pin: null,
		before: node.behind,
		behind: node.before
	}));
}

/** Indices so that every step comes after what it waits for; those left over are in or behind a circle. */
export function topological(nodes: readonly Node[]): { order: number[]; left: number[] } {
	const waiting = nodes.map((n) => n.before.length);
	const order = waiting.flatMap((count, i) => (count === 0 ? [i] : []));
	for (let at = 0; at < order.length; at++)
		for (const { node } of nodes[order[at]!]!.behind) if (--waiting[node]! === 0) order.push(node);
	return { order, left: waiting.flatMap((count, i) => (count > 0 ? [i] : [])) };
}

/** One circle among these nodes, in the order in which they wait for each other. */
export function findCircle(nodes: readonly Node[], among: readonly number[]): number[] {
	const inside = new Set(among);
	const path: number[] = [];
	const seen = new Map<number, number>();
	let at = among[0]!;
	while (!seen.has(at)) {
		seen.set(at, path.length);
		path.push(at);
		at = nodes[at]!.before.find((l) => inside.has(l.node))!.node;
	}
	return path.slice(seen.get(at)!).reverse();
}

/**
 * Longest remaining path of each node, in elapsed minutes: hands-on minutes are stretched by how
 * seldom the windows are open, waits are not.
 */
export function remainingPath(nodes: readonly Node[], order: readonly number[], stretch: number): number[] {
	const tail = new Array<number>(nodes.length).fill(0);
	for (const i of [...order].reverse()) {
		const node = nodes[i]!;
		const behind = node.behind.reduce((most, l) => Math.max(most, l.lag + tail[l.node]!), node.step.wait);
		tail[i] = node.minutes * stretch + behind;
	}
	return tail;
}
