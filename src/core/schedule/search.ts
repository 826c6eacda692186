import { DAY, type LocalMinutes } from '../units/localTime.ts';
import { NEVER } from './bookings.ts';
import { Builder } from './build.ts';
import { worked } from './describe.ts';
import { lowerBoundOf } from './lowerBound.ts';
import { mirrorNetwork, remainingPath, topological, type Node } from './network.ts';
import { backwards, draftByRule, listBy, planOf, type Draft } from './plan.ts';
import type { Plan, PlanProblem } from './problem.ts';
import { stretchOf } from './feasible.ts';
import { seeded } from './random.ts';
import { makeShop } from './shop.ts';

/** Lists that live at once, and how long nothing better may be found before it is left at that. */
const POPULATION = 40;
const STALE = 4000;
const MUTATION = 0.06;

/** A list of steps with the plan that it builds to. */
interface Life {
	list: number[];
	/** Fewer steps unplaced or off their pin, sooner ready, less set out, sooner done on the whole: in this order. */
	worth: readonly [number, number, number, number];
}

const better = (a: Life['worth'], b: Life['worth']): boolean => {
	for (let k = 0; k < a.length; k++) if (a[k] !== b[k]) return a[k]! < b[k]!;
	return false;
};

export interface PlanSearch {
	/** Runs until it is proved or settled; every turn says whether something better was found. Leave it to stop. */
	work: Generator<boolean, 'proved' | 'settled'>;
	/** The best so far. */
	soFar: (stoppedBy?: Plan['stoppedBy']) => Plan;
	/** The order that builds it. */
	order: () => string[];
}

/**
 * Looks for a plan that is ready sooner than the rule's: lists of steps are crossed and mutated, each is
 * built and then pushed to and fro in time, which closes gaps (forward-backward improvement; Valls,
 * Ballestín & Quintanilla, A hybrid genetic algorithm for the resource-constrained project scheduling
 * problem, 2008). It ends when the lower bound is reached, or when long nothing better was found.
 * The same for the same seed. Nothing is promised of plans that are not proved.
 */
export function searchPlan(problem: PlanProblem, seed: number, known: readonly string[] = []): PlanSearch {
	const draft = draftByRule(problem);
	const { nodes } = draft;
	const byRule = draft.builder.finish();
	const bound = lowerBoundOf(draft.problem, nodes, byRule === NEVER ? null : byRule);
	const bench = benchOf(draft, byRule);
	let best = bench.live(draft.order);
	if (known.length) {
		const rank = new Map(known.map((id, k) => [id, k]));
		const ranks = nodes.map((n) => rank.get(n.step.id) ?? known.length);
		const kept = bench.live(listBy(nodes, (a, b) => ranks[a]! - ranks[b]! || a - b));
		if (better(kept.worth, best.worth)) best = kept;
	}
	return {
		work: evolve(draft, bench, bound, seeded(seed), best, (found) => (best = found)),
		soFar: (stoppedBy = 'settled') => {
			draft.builder.build(best.list);
			return planOf(draft, stoppedBy, bound);
		},
		order: () => best.list.map((i) => nodes[i]!.step.id)
	};
}

function* evolve(
	{ nodes, problem, order }: Draft,
	bench: Bench,
	bound: LocalMinutes | null,
	random: () => number,
	first: Life,
	tell: (best: Life) => void
): Generator<boolean, 'proved' | 'settled'> {
	let best = first;
	const proved = () => best.worth[0] === 0 && best.worth[1] === bound;
	if (proved() || nodes.length < 2) return 'proved';
	const offer = (life: Life): boolean => {
		if (!better(life.worth, best.worth)) return false;
		best = life;
		tell(best);
		return true;
	};
	const tail = remainingPath(nodes, topological(nodes).order, stretchOf(problem));
	const most = Math.max(1, ...tail);
	const living: Life[] = [];
	for (let n = 0; n < POPULATION; n++) {
		// From the rule to chance alone, evenly.
		const noise = n / POPULATION;
		const key = tail.map((t) => (1 - noise) * (t / most) + noise * random());
		const life = bench.settle(n === 0 ? order : listBy(nodes, (a, b) => key[b]! - key[a]! || a - b));
		living.push(life);
		yield offer(life);
		if (proved()) return 'proved';
	}
	for (let stale = 0; stale < STALE; stale++) {
		const before = best;
		const child = bench.settle(
			mutate(nodes, cross(choose(living, random), choose(living, random), random), random)
		);
		const found = offer(child);
		// Sooner on the whole is welcome, but nothing to go on searching for.
		if (found && best.worth.some((w, k) => k < 3 && w !== before.worth[k])) stale = 0;
		replace(living, child, random);
		yield found;
		if (proved()) return 'proved';
	}
	return 'settled';
}

/** The better of two, taken by chance. */
function choose(living: readonly Life[], random: () => number): readonly number[] {
	const a = living[Math.floor(random() * living.length)]!;
	const b = living[Math.floor(random() * living.length)]!;
	return (better(b.worth, a.worth) ? b : a).list;
}

/** The child takes the place of the worse of two, unless its like is there already. */
function replace(living: Life[], child: Life, random: () => number): void {
	if (living.some((l) => l.worth.every((w, k) => w === child.worth[k]))) return;
	const a = Math.floor(random() * living.length);
	const b = Math.floor(random() * living.length);
	const worse = better(living[a]!.worth, living[b]!.worth) ? b : a;
	if (better(child.worth, living[worse]!.worth)) living[worse] = child;
}

/** Between two cuts in the order of the other: every step still comes after what it waits for. */
function cross(mother: readonly number[], father: readonly number[], random: () => number): number[] {
	const a = Math.floor(random() * mother.length);
	const b = Math.floor(random() * mother.length);
	const [from, to] = a < b ? [a, b + 1] : [b, a + 1];
	const inside = new Set(mother.slice(from, to));
	const rank = new Int32Array(mother.length);
	father.forEach((i, k) => (rank[i] = k));
	return [...mother.slice(0, from), ...[...inside].sort((x, y) => rank[x]! - rank[y]!), ...mother.slice(to)];
}

/** Some steps move to another place between what they wait for and what waits for them. */
function mutate(nodes: readonly Node[], list: number[], random: () => number): number[] {
	const moves = random() < 0.5 ? 1 : Math.ceil(list.length * MUTATION * random());
	for (let m = 0; m < moves; m++) {
		const at = Math.floor(random() * list.length);
		const node = nodes[list[at]!]!;
		let low = at;
		while (low > 0 && !node.before.some((l) => l.node === list[low - 1])) low--;
		let high = at;
		while (high < list.length - 1 && !node.behind.some((l) => l.node === list[high + 1])) high++;
		const to = low + Math.floor(random() * (high - low + 1));
		const [i] = list.splice(at, 1);
		list.splice(to, 0, i!);
	}
	return list;
}

interface Bench {
	/** Builds a list. */
	live: (list: readonly number[]) => Life;
	/** Builds it, pushes it towards its end and back, and keeps the better. */
	settle: (list: readonly number[]) => Life;
}

function benchOf({ problem, nodes, days }: Draft, byRule: LocalMinutes): Bench {
	// No plan that is sooner than the rule's needs later hours.
	const until = byRule === NEVER ? problem.start + days * DAY : byRule + DAY;
	const there = new Builder(nodes, makeShop(problem, problem.start, until), problem);
	const mirror = mirrorNetwork(nodes, until);
	const back = new Builder(mirror, makeShop(problem, problem.start, until, true), problem);
	const weigh = (): Life['worth'] => {
		let off = 0;
		let ready = -Infinity;
		let minutes = 0;
		let ends = 0;
		for (let i = 0; i < nodes.length; i++) {
			const end = there.end[i]!;
			if (end === NEVER || (nodes[i]!.pin !== null && there.start[i] !== nodes[i]!.pin)) off++;
			if (end === NEVER) continue;
			ready = Math.max(ready, end + nodes[i]!.step.wait);
			minutes += worked(there.blocks[i]!);
			ends += end;
		}
		return [off, ready, minutes, ends];
	};
	const live = (list: readonly number[]): Life => {
		there.build(list);
		return { list: [...list], worth: weigh() };
	};
	const settle = (list: readonly number[]): Life => {
		const one = live(list);
		if (one.worth[0] > 0) return one;
		for (let i = 0; i < nodes.length; i++) back.release[i] = nodes[i]!.step.wait - one.worth[1];
		back.build(backwards(mirror, there.end, there.start));
		if (back.finish() === NEVER) return one;
		const two = live(listBy(nodes, (a, b) => back.end[b]! - back.end[a]! || a - b));
		return better(one.worth, two.worth) ? one : two;
	};
	return { live, settle };
}
