import type { LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import { leastMinutes } from './lowerBound.ts';
import type { Node } from './network.ts';
import {
	firstOf,
	latestEnd,
	lengthOf,
	live,
	startsOf,
	tasksOf,
	type Possible,
	type Task
} from './possible.ts';
import type { PlanProblem } from './problem.ts';
import type { Shop } from './shop.ts';
import { either, within, type Starts } from './starts.ts';
import { strikeOut } from './strikeOut.ts';
import { WorkFits } from './workFits.ts';

/** Assumptions of the first attempt. */
const FIRST_ATTEMPT = 100;

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
type Cut = { at: LocalMinutes } | { way: number };

/** Cuts what is left to a step: in two halves, or its first or its last opening off. Null when nothing is left to cut. */
function cutOf(ways: readonly Starts[], where: 'first' | 'half' | 'last'): Cut | null {
	const spans = either(ways, 1);
	const count = spans.length / 2;
	if (count > 1) {
		const k = where === 'first' ? 0 : where === 'last' ? count - 2 : Math.floor((count - 1) / 2);
		return { at: spans[2 * k + 1]! };
	}
	const some = ways.flatMap((s, k) => (s.length > 0 ? [k] : []));
	if (some.length > 1) return { way: some[0]! };
	return spans[0]! < spans[1]! ? { at: Math.floor((spans[0]! + spans[1]!) / 2) } : null;
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
