import { DAY, type LocalMinutes } from '../units/localTime.ts';
import { afterOpenMinutes } from './calendar.ts';
import type { Node } from './network.ts';
import type { PlanProblem } from './problem.ts';
import { commonOpen, makeResources, teamsOf, type Resources } from './resources.ts';

/**
 * No plan can be ready sooner than this: the larger of the longest chain through the calendars with
 * nobody else's work in the way, and the moment at which all makers' windows together hold all the work.
 */
export function lowerBoundOf(
	problem: PlanProblem,
	nodes: readonly Node[],
	order: readonly number[],
	finish: LocalMinutes | null
): LocalMinutes | null {
	if (finish === null) return null;
	// A plan that ends at `finish` exists, so no later hours can matter.
	const resources = makeResources(problem, problem.start, finish + DAY);
	return Math.min(
		finish,
		Math.max(longestChain(nodes, order, resources), allTheWork(problem, nodes, resources))
	);
}

function longestChain(nodes: readonly Node[], order: readonly number[], resources: Resources): LocalMinutes {
	const ends = new Map<number, LocalMinutes>();
	let latest = -Infinity;
	for (const i of order) {
		const node = nodes[i]!;
		const free = node.before.reduce((t, l) => Math.max(t, ends.get(l.node)! + l.lag), node.release);
		const place = node.step.place === null ? [] : [resources.places.get(node.step.place)!];
		const end = node.minutes
			? teamsOf(resources, node.step.makers, node.step.with).reduce(
					(best, team) =>
						Math.min(
							best,
							afterOpenMinutes(commonOpen(resources, [...team, ...place]), free, node.minutes) ?? Infinity
						),
					Infinity
				)
			: free;
		ends.set(i, end);
		latest = Math.max(latest, end + node.step.wait);
	}
	return latest;
}

/** All makers working in every window from the start on, nothing ever in the way. */
function allTheWork(problem: PlanProblem, nodes: readonly Node[], resources: Resources): LocalMinutes {
	let left = nodes.reduce((sum, n) => sum + n.minutes * n.step.makers, 0);
	const events = resources.makers
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
