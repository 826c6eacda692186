import { DAY, type LocalMinutes } from '../units/localTime.ts';
import { NEVER } from './bookings.ts';
import { Builder } from './build.ts';
import { worked } from './describe.ts';
import { latestEnds, lowerBoundOf } from './lowerBound.ts';
import { mirrorNetwork, remainingPath, topological, type Node } from './network.ts';
import { backwards, bound, draftByRule, follow, listBy, planOf, type Draft } from './plan.ts';
import type { Plan, PlanOrder, PlanProblem } from './problem.ts';
import { stretchOf } from './feasible.ts';
import { seeded } from '../random.ts';
import { makeShop } from './shop.ts';

/** Lists that live at once; for how many nothing better may be found before a round ends; rounds without anything better. */
const POPULATION = 40;
const STALE = 150;
const STALE_PER_STEP = 15;
const ROUNDS = 24;
const MUTATION = 0.06;
/** How often a child is told who does a step, or has its recoat windows bound. */
const HANDS = 0.2;
const BIND = 0.1;
/** How often the hands that a plan pushed to its end chose are kept on the way back. */
const KEEP_HANDS = 0.15;

/** A list of steps and who has to do them (−1: whoever is done first), with what the plan that they make is worth. */
interface Life {
	list: readonly number[];
	forced: Int32Array;
	/** Fewer steps unplaced or off their pin, sooner ready, less set out, sooner done on the whole: in this order. */
	ready: Worth;
	/** The same with all steps' lateness in place of ready: what a plan that ends at the lower bound would leave them. */
	late: Worth;
}

type Worth = readonly [number, number, number, number];
/** What a round goes by. Plans that are ready at one moment may still be near a sooner one or far from it. */
type By = 'ready' | 'late';

const better = (a: Worth, b: Worth): boolean => {
	for (let k = 0; k < a.length; k++) if (a[k] !== b[k]) return a[k]! < b[k]!;
	return false;
};

export interface PlanSearch {
	/** Runs until it is proved or settled; every turn says whether something better was found. Leave it to stop. */
	work: Generator<boolean, 'proved' | 'settled'>;
	/** The best so far. */
	soFar: (stoppedBy?: Plan['stoppedBy']) => Plan;
}

/**
 * Looks for a plan that is ready sooner than the rule's: lists of steps are crossed and mutated, each is
 * built and then pushed to and fro in time, which closes gaps (forward-backward improvement; Valls,
 * Ballestín & Quintanilla, A hybrid genetic algorithm for the resource-constrained project scheduling
 * problem, 2008). It ends when the lower bound is reached, or when long nothing better was found.
 * The same for the same seed. Nothing is promised of plans that are not proved.
 *
 * @param known an order found before, to begin with where it is better than the rule's
 */
export function searchPlan(problem: PlanProblem, seed: number, known: PlanOrder = []): PlanSearch {
	const draft = draftByRule(problem);
	const { nodes, builder } = draft;
	const byRule = builder.finish();
	const lowest = lowerBoundOf(draft.problem, nodes, byRule === NEVER ? null : byRule);
	const random = seeded(seed);
	const bench = benchOf(draft, byRule, lowest, random);
	const free = new Int32Array(nodes.length).fill(-1);
	let best = bench.live(draft.order, free);
	if (known.length) {
		const rule = draft.order;
		follow(draft, known);
		const kept = bench.live(draft.order, Int32Array.from(builder.forced));
		if (better(kept.ready, best.ready)) best = kept;
		draft.order = rule;
	}
	return {
		work: evolve(draft, bench, lowest, random, best, (found) => (best = found)),
		soFar: (stoppedBy = 'settled') => {
			builder.forced.set(best.forced);
			builder.build(best.list);
			return planOf({ ...draft, order: [...best.list] }, stoppedBy, lowest);
		}
	};
}

function* evolve(
	{ nodes, problem, order, builder }: Draft,
	bench: Bench,
	lowest: LocalMinutes | null,
	random: () => number,
	first: Life,
	tell: (best: Life) => void
): Generator<boolean, 'proved' | 'settled'> {
	let best = first;
	const proved = () => best.ready[0] === 0 && best.ready[1] === lowest;
	if (proved() || nodes.length < 2) return 'proved';
	const tail = remainingPath(nodes, topological(nodes).order, stretchOf(problem));
	const most = Math.max(1, ...tail);
	const free = new Int32Array(nodes.length).fill(-1);
	const choosy = nodes.map((_, i) => i).filter((i) => builder.teams[i]!.length > 1);
	/** From the rule to chance alone, evenly; every other with the recoat windows bound. */
	const newcomer = (n: number, round: number): readonly number[] => {
		if (n + round === 0) return order;
		const noise = n / POPULATION;
		const key = tail.map((t) => (1 - noise) * (t / most) + noise * random());
		const list = listBy(nodes, (a, b) => key[b]! - key[a]! || a - b);
		return n % 2 ? bound(nodes, list) : list;
	};
	const patience = STALE + STALE_PER_STEP * nodes.length;
	let before = best.ready;
	for (let idle = 0, round = 0; idle < ROUNDS; idle++, round++) {
		// Each round begins anew, as one alone often ends where no crossing leads on.
		const living: Life[] = [];
		const by: By = round % 2 ? 'late' : 'ready';
		let here: Life | null = null;
		for (let stale = 0; stale < patience; stale++) {
			let child: Life;
			if (living.length < POPULATION) {
				child = bench.settle(newcomer(living.length, round), free, by);
				living.push(child);
			} else {
				const { list, forced } = cross(choose(living, by, random), choose(living, by, random), random);
				mutate(nodes, list, random);
				if (choosy.length > 0 && random() < HANDS) {
					const i = choosy[Math.floor(random() * choosy.length)]!;
					forced[i] = Math.floor(random() * (builder.teams[i]!.length + 1)) - 1;
				}
				child = bench.settle(random() < BIND ? bound(nodes, list) : list, forced, by);
				replace(living, child, by, random);
			}
			if (!here || better(child[by], here[by])) {
				// Sooner on the whole is welcome, but nothing to go on searching for.
				if (!here || matters(child[by], here[by])) stale = 0;
				here = child;
			}
			const found = better(child.ready, best.ready);
			if (found) tell((best = child));
			yield found;
			if (proved()) return 'proved';
		}
		if (matters(best.ready, before)) idle = -1;
		before = best.ready;
	}
	return 'settled';
}

const matters = (a: Worth, b: Worth): boolean => a[0] !== b[0] || a[1] !== b[1] || a[2] !== b[2];

/** The better of two, taken by chance. */
function choose(living: readonly Life[], by: By, random: () => number): Life {
	const a = living[Math.floor(random() * living.length)]!;
	const b = living[Math.floor(random() * living.length)]!;
	return better(b[by], a[by]) ? b : a;
}

/** The child takes the place of the worse of two, unless its like is there already. */
function replace(living: Life[], child: Life, by: By, random: () => number): void {
	if (living.some((l) => l.ready.every((w, k) => w === child.ready[k]))) return;
	const a = Math.floor(random() * living.length);
	const b = Math.floor(random() * living.length);
	const worse = better(living[a]![by], living[b]![by]) ? b : a;
	if (better(child[by], living[worse]![by])) living[worse] = child;
}

/** Between two cuts in the order, and by the hands, of the other: every step still comes after what it waits for. */
function cross(mother: Life, father: Life, random: () => number): { list: number[]; forced: Int32Array } {
	const { list } = mother;
	const a = Math.floor(random() * list.length);
	const b = Math.floor(random() * list.length);
	const [from, to] = a < b ? [a, b + 1] : [b, a + 1];
	const inside = new Set(list.slice(from, to));
	const forced = Int32Array.from(mother.forced);
	for (const i of inside) forced[i] = father.forced[i]!;
	return {
		list: [...list.slice(0, from), ...father.list.filter((i) => inside.has(i)), ...list.slice(to)],
		forced
	};
}

/** Some steps move to another place between what they wait for and what waits for them. */
function mutate(nodes: readonly Node[], list: number[], random: () => number): void {
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
}

interface Bench {
	/** Builds a list. */
	live: (list: readonly number[], forced: Int32Array) => Life;
	/** Builds it, pushes it towards its end and back, and keeps the better. Hands may be those of the way back. */
	settle: (list: readonly number[], forced: Int32Array, by: By) => Life;
}

function benchOf(
	{ problem, nodes, days }: Draft,
	byRule: LocalMinutes,
	lowest: LocalMinutes | null,
	random: () => number
): Bench {
	// No plan that is sooner than the rule's needs later hours.
	const until = byRule === NEVER ? problem.start + days * DAY : byRule + DAY;
	const there = new Builder(nodes, makeShop(problem, problem.start, until), problem);
	const mirror = mirrorNetwork(nodes, until);
	const back = new Builder(mirror, makeShop(problem, problem.start, until, true), problem);
	const latest = latestEnds(nodes, makeShop(problem, problem.start, until, true), problem, lowest ?? until);
	const weigh = (): Record<By, Worth> => {
		let off = 0;
		let ready = -Infinity;
		let minutes = 0;
		let ends = 0;
		let late = 0;
		for (let i = 0; i < nodes.length; i++) {
			const end = there.end[i]!;
			if (end === NEVER || (nodes[i]!.pin !== null && there.start[i] !== nodes[i]!.pin)) off++;
			if (end === NEVER) continue;
			ready = Math.max(ready, end + nodes[i]!.step.wait);
			minutes += worked(there.blocks[i]!);
			ends += end;
			late += Math.max(0, end - latest[i]!);
		}
		return { ready: [off, ready, minutes, ends], late: [off, late, minutes, ends] };
	};
	const live = (list: readonly number[], forced: Int32Array): Life => {
		there.forced.set(forced);
		there.build(list);
		return { list, forced, ...weigh() };
	};
	const settle = (list: readonly number[], forced: Int32Array, by: By): Life => {
		const one = live(list, forced);
		if (one.ready[0] > 0) return one;
		for (let i = 0; i < nodes.length; i++) back.release[i] = nodes[i]!.step.wait - one.ready[1];
		back.forced.set(forced);
		back.build(backwards(mirror, there.end, there.start));
		if (back.finish() === NEVER) return one;
		const hands = random() < KEEP_HANDS ? handsOf(back) : forced;
		const two = live(
			listBy(nodes, (a, b) => back.end[b]! - back.end[a]! || a - b),
			hands
		);
		return better(one[by], two[by]) ? one : two;
	};
	return { live, settle };
}

/** For each step, who did it in what was built last. */
const handsOf = ({ nodes, teams, blocks }: Builder): Int32Array =>
	Int32Array.from(nodes, (_, i) => (blocks[i]!.length > 0 ? teams[i]!.indexOf(blocks[i]![0]!.team) : -1));
