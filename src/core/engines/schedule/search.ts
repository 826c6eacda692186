import { DAY, type LocalMinutes } from '../../units/localTime.ts';
import { NEVER } from './bookings.ts';
import { Builder } from './build.ts';
import { worked } from './describe.ts';
import { lowerBoundOf } from './lowerBound.ts';
import { boundOne, cross, pull, shift, type Order, type RecoatWindow } from './moves.ts';
import { mirrorNetwork, remainingPath, topological } from './network.ts';
import { backwards, bound, draftByRule, follow, listBy, planOf, type Draft } from './plan.ts';
import type { Plan, PlanOrder, PlanProblem } from './problem.ts';
import { Refuter, type Places } from './refute.ts';
import { stretchOf } from './feasible.ts';
import { seeded } from '../../units/random.ts';
import { makeShop } from './shop.ts';

/** Lists that live at once; for how many nothing better may be found before a round ends; rounds without anything better. */
const POPULATION = 40;
const STALE = 150;
const STALE_PER_STEP = 15;
const ROUNDS = 24;
/** How often a step is moved with what hangs on it; else some within what they wait for and what waits for them. */
const PULL = 0.5;
/** Above so many steps nothing is refuted: it takes steps times windows. */
const MOST_STEPS_REFUTED = 400;
/** Assumptions that the refuter may make after each round, times steps: with many steps each takes longer. */
const ASSUMPTIONS = 3000;
/** Lists that are made of what it found, with some recoat windows bound. */
const READINGS = 12;
/** How often a child is told who does a step, or has all its recoat windows bound, or one. */
const HANDS = 0.2;
const BIND = 0.05;
const BIND_ONE = 0.15;
/** How often the hands that a plan pushed to its end chose are kept on the way back. */
const KEEP_HANDS = 0.15;

/** With what the plan that it makes is worth. */
interface Life extends Order {
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
	const quick = lowerBoundOf(draft.problem, nodes, byRule === NEVER ? null : byRule);
	const refuter =
		quick === null || nodes.length > MOST_STEPS_REFUTED
			? null
			: new Refuter(draft.problem, nodes, makeShop(draft.problem, draft.problem.start, byRule + DAY));
	let lowest = refuter ? refuter.bound(quick!, byRule) : quick;
	const random = seeded(seed);
	const bench = benchOf(draft, byRule, lowest, refuter, random);
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
		work: evolve(draft, bench, lowest, refuter, random, best, (found, proved) => {
			best = found;
			if (proved) lowest = found.ready[1];
		}),
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
	refuter: Refuter | null,
	random: () => number,
	first: Life,
	tell: (best: Life, proved?: boolean) => void
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
	const windows = nodes.flatMap((n, i) =>
		n.before.flatMap((l): RecoatWindow[] => (l.within === null ? [] : [[l.node, i]]))
	);
	const patience = STALE + STALE_PER_STEP * nodes.length;
	let before = best.ready;
	let asked: { by: LocalMinutes; work: ReturnType<Refuter['refute']>; over: boolean } | null = null;
	/** Some more assumptions that something is ready sooner than the best, which may lead to it. True when that is refuted. */
	function* soonerRefuted(): Generator<boolean, boolean> {
		if (!refuter || best.ready[0] > 0) return false;
		for (let n = 0; n < ASSUMPTIONS / nodes.length; n++) {
			const by = best.ready[1] - 1;
			if (asked?.by !== by) asked = { by, work: refuter.refute(by), over: false };
			if (asked.over) return false;
			const { done, value } = asked.work.next();
			if (value === 'refuted') return true;
			let found = false;
			if (done) {
				asked.over = true;
				const child = bench.read(value, windows);
				found = better(child.ready, best.ready);
				if (found) tell((best = child));
			}
			yield found;
		}
		return false;
	}
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
				(random() < PULL ? pull : shift)(nodes, list, random);
				if (choosy.length > 0 && random() < HANDS) {
					const i = choosy[Math.floor(random() * choosy.length)]!;
					forced[i] = Math.floor(random() * (builder.teams[i]!.length + 1)) - 1;
				}
				const bind = random();
				const tied =
					bind < BIND
						? bound(nodes, list)
						: bind < BIND + BIND_ONE && windows.length
							? boundOne(nodes, list, windows[Math.floor(random() * windows.length)]!, random() < 0.5)
							: list;
				child = bench.settle(tied, forced, by);
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
		if (yield* soonerRefuted()) {
			tell(best, true);
			return 'proved';
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

interface Bench {
	/** Builds a list. */
	live: (list: readonly number[], forced: Int32Array) => Life;
	/** Builds it, pushes it towards its end and back, and keeps the better. Hands may be those of the way back. */
	settle: (list: readonly number[], forced: Int32Array, by: By) => Life;
	/** Makes a list of what the refuter could not refute. */
	read: (places: Places, windows: readonly RecoatWindow[]) => Life;
}

function benchOf(
	{ problem, nodes, days }: Draft,
	byRule: LocalMinutes,
	lowest: LocalMinutes | null,
	refuter: Refuter | null,
	random: () => number
): Bench {
	// No plan that is sooner than the rule's needs later hours.
	const until = byRule === NEVER ? problem.start + days * DAY : byRule + DAY;
	const there = new Builder(nodes, makeShop(problem, problem.start, until), problem);
	const mirror = mirrorNetwork(nodes, until);
	const back = new Builder(mirror, makeShop(problem, problem.start, until, true), problem);
	const latest =
		refuter && lowest !== null ? refuter.latestEnds(lowest) : new Int32Array(nodes.length).fill(until);
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
	/** Where each step could be is no list yet: which recoat windows are bound together is tried. */
	const read = ({ starts, hands }: Places, windows: readonly RecoatWindow[]): Life => {
		const plain = listBy(nodes, (a, b) => starts[a]! - starts[b]! || a - b);
		let best = settle(plain, hands, 'ready');
		for (let n = 1; n < READINGS; n++) {
			let list: readonly number[] = plain;
			for (const window of windows) if (random() < 0.5) list = boundOne(nodes, list, window, random() < 0.5);
			const child = settle(list, hands, 'ready');
			if (better(child.ready, best.ready)) best = child;
		}
		return best;
	};
	return { live, settle, read };
}

/** For each step, who did it in what was built last. */
const handsOf = ({ nodes, teams, blocks }: Builder): Int32Array =>
	Int32Array.from(nodes, (_, i) =>
		blocks[i]!.length > 0 ? teams[i]!.numberOf(blocks[i]![0]!.team.makers) : -1
	);
