import { openSpans } from './calendar.ts';
import { findCircle, topological, type Node } from './network.ts';
import type { Impossible, PlanProblem } from './problem.ts';
import { teamsOf, type Shop } from './shop.ts';
import { problem, type Problem } from '../../units/problem.ts';
import { formatDuration } from '../../units/duration.ts';

/** Steps that no plan can hold, with the reason, and all that waits for them. */
export function findImpossible(plan: PlanProblem, nodes: readonly Node[], shop: Shop): Impossible[] {
	const found = new Map<string, Impossible>();
	const say = (id: string, { code, values }: Problem) => {
		if (!found.has(id)) found.set(id, { id, code, values } as Impossible);
	};
	const known = new Set(plan.steps.map((s) => s.id));
	const { left } = topological(nodes);
	if (left.length > 0) {
		const circle = findCircle(nodes, left).map((i) => nodes[i]!.step.id);
		for (const id of circle) say(id, problem('circle', { steps: [...circle, circle[0]!].join(' → ') }));
	}
	const there = new Set(shop.makers.map((m) => m.id));
	for (const node of nodes) {
		const unknown = node.step.after.find((a) => !known.has(a.id));
		if (unknown) say(node.step.id, problem('unknownId', { id: unknown.id }));
		const reason = node.minutes > 0 ? whyNobody(node, shop, there) : null;
		if (reason) say(node.step.id, reason);
	}
	for (let grew = true; grew;) {
		const before = found.size;
		for (const { step } of nodes) {
			const blocker = step.after.find((a) => found.has(a.id));
			if (blocker) say(step.id, problem('blockedBy', { id: blocker.id }));
		}
		grew = found.size > before;
	}
	return [...found.values()];
}

function whyNobody(node: Node, shop: Shop, there: ReadonlySet<string>): Problem | null {
	const { step, minutes } = node;
	if (step.place !== null && !shop.places.has(step.place)) return problem('unknownId', { id: step.place });
	const missing = step.with?.find((id) => !there.has(id));
	if (missing !== undefined) return problem('unknownId', { id: missing });
	const { pool } = teamsOf(shop, node);
	const working = pool.filter((m) => m.open.length > 0);
	if (step.with?.length === 0) return problem('nobodyCan');
	if (working.length === 0) return problem('noWindows');
	if (working.length < step.hands)
		return problem('tooFewMakers', { needed: step.hands, have: working.length });
	const longest = teamsOf(shop, node).longest[1];
	if (longest === 0)
		return step.place === null
			? problem('neverTogether', { needed: step.hands })
			: problem('noPlaceWindows', { id: step.place });
	return step.oneSitting && minutes > longest
		? problem('sittingTooLong', { minutes: formatDuration(minutes), longest: formatDuration(longest) })
		: null;
}

/** How many times longer than its hands-on minutes a day's work takes, by the windows of the busiest maker. */
export function stretchOf(problem: PlanProblem): number {
	// Two of them: hours of every other week count once.
	const week = 14 * 1440;
	const most = problem.makers.reduce((best, maker) => {
		const open = openSpans({ windows: maker.windows }, 0, week).reduce((sum, [a, b]) => sum + b - a, 0);
		return Math.max(best, open);
	}, 0);
	return most > 0 ? week / most : 1;
}
