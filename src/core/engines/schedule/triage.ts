import { DAY, type LocalMinutes } from '../../units/localTime.ts';
import type { ThreePoints } from '../../units/threePoints.ts';
import { NEVER } from './bookings.ts';
import { simulate, type OddsTask } from './odds.ts';
import { planByOrder } from './plan.ts';
import type { After, Parcel, PlanProblem, PlanStep } from './problem.ts';

/** One thing that could be done so that the rest is in time. */
export interface Alternative {
	id: string;
	/** Steps that are left out. */
	leave: readonly string[];
	/** Steps that take other minutes: a simpler form of the same. */
	shorter?: readonly { step: string; minutes: ThreePoints }[];
	/** Makers with what changes: more hours, or somebody more. */
	makers?: PlanProblem['makers'];
	/** A step that waits for something to come instead. */
	waits?: { step: string; parcel: Parcel };
	/** How much of the look it costs, 0 to 1. */
	loss: number;
	/** Not with these: they are other ways to do the same. */
	instead: readonly string[];
}

export interface Weighed {
	id: string;
	/** Share of builds that would be ready, with this alone. */
	share: number;
	/** Finish with usual minutes. */
	finish: LocalMinutes | null;
	/** When half of the builds are ready. */
	middle: LocalMinutes;
}

export interface Triage {
	/** As it stands. */
	share: number;
	/** Each by itself, the most helpful first. */
	alone: Weighed[];
	/**
	 * Sets that meet the target at the least loss found: of all that could be done, and of what leaves something
	 * out alone, for those who have neither more hours nor anybody else. Empty when not even all together do.
	 */
	sets: WeighedSet[];
}

export interface WeighedSet {
	ids: string[];
	share: number;
	loss: number;
}

export interface TriageTask extends Omit<OddsTask, 'by'> {
	alternatives: readonly Alternative[];
	/** Ready by then … */
	deadline: LocalMinutes;
	/** … in this share of builds. */
	target: number;
}

/** Sets of alternatives that are tried together at most. */
const MOST_TRIED = 90;
/** A day sooner counts for so little a share: it tells apart what helps only together with something else. */
const DAY_SOONER = 1e-4;

/**
 * Weighs each alternative by simulated builds, all with the same luck, and looks for the set of them that meets
 * the target at the least loss of look: sets are tried in the order of their loss, so that the first that meets it
 * is the best there is, as long as there are not too many; then those that help most for what they cost are taken
 * one by one, and those that turn out not to be needed are let go. Yields the share that is done.
 */
export function* triage(task: TriageTask): Generator<number, Triage> {
	const { alternatives, target } = task;
	const known = new Map<string, Weighed>();
	const weigh = (chosen: readonly Alternative[]): Weighed => {
		const id = chosen
			.map((a) => a.id)
			.sort()
			.join('\n');
		let found = known.get(id);
		if (!found) known.set(id, (found = { ...sharesOf(task, chosen), id }));
		return found;
	};
	const before = weigh([]);
	const { share } = before;
	const help = (w: Weighed) => w.share + (DAY_SOONER * (before.middle - w.middle)) / DAY;
	const alone: Weighed[] = [];
	for (const [k, a] of alternatives.entries()) {
		alone.push({ ...weigh([a]), id: a.id });
		yield ((k + 1) / alternatives.length) * 0.6;
	}
	alone.sort((a, b) => help(b) - help(a));
	const helpful = alternatives.filter((a) => help(alone.find((w) => w.id === a.id)!) > share);
	const sets: WeighedSet[] = [];
	if (share < target)
		for (const among of [helpful, helpful.filter(givesUp)]) {
			let tried = 0;
			let met: WeighedSet | null = null;
			for (const set of byLoss(among)) {
				if (weigh(set).share >= target) met = described(set, weigh(set));
				if (met || ++tried >= MOST_TRIED) break;
				yield 0.6 + 0.4 * ((sets.length + tried / MOST_TRIED) / 2);
			}
			met ??= greedy(among, weigh, help, target);
			if (met && !sets.some((s) => s.ids.join() === met.ids.join())) sets.push(met);
		}
	return { share, alone, sets };
}

/** Whether it gives up something of the costume; else it takes more hours, or somebody more. */
export const givesUp = (a: Alternative): boolean => a.leave.length > 0 || (a.shorter?.length ?? 0) > 0;

const described = (set: readonly Alternative[], { share }: Weighed): WeighedSet => ({
	ids: set.map((a) => a.id),
	share,
	loss: set.reduce((sum, a) => sum + a.loss, 0)
});

const goesWith = (set: readonly Alternative[], a: Alternative) =>
	set.every((b) => !a.instead.includes(b.id) && !b.instead.includes(a.id));

/** Every set that goes together, the least loss first, the fewest among equals. */
function* byLoss(alternatives: readonly Alternative[]): Generator<Alternative[]> {
	const sorted = [...alternatives].sort((a, b) => a.loss - b.loss);
	type Set = { members: Alternative[]; last: number; loss: number };
	const open: Set[] = [{ members: [], last: -1, loss: 0 }];
	while (open.length > 0) {
		const at = open.reduce((best, s, i) => {
			const b = open[best]!;
			return s.loss < b.loss - 1e-12 || (s.loss <= b.loss + 1e-12 && s.members.length < b.members.length)
				? i
				: best;
		}, 0);
		const [set] = open.splice(at, 1);
		if (set!.members.length > 0) yield set!.members;
		for (let k = set!.last + 1; k < sorted.length; k++)
			if (goesWith(set!.members, sorted[k]!))
				open.push({ members: [...set!.members, sorted[k]!], last: k, loss: set!.loss + sorted[k]!.loss });
	}
}

function greedy(
	helpful: readonly Alternative[],
	weigh: (set: readonly Alternative[]) => Weighed,
	help: (w: Weighed) => number,
	target: number
): WeighedSet | null {
	let set: Alternative[] = [];
	let now = help(weigh([]));
	while (weigh(set).share < target) {
		let best: { a: Alternative; help: number; worth: number } | null = null;
		for (const a of helpful) {
			if (set.includes(a) || !goesWith(set, a)) continue;
			const found = help(weigh([...set, a]));
			const worth = (found - now) / (a.loss + 0.005);
			if (!best || worth > best.worth) best = { a, help: found, worth };
		}
		if (!best || best.help <= now) return null;
		set = [...set, best.a];
		now = best.help;
	}
	for (const a of [...set].sort((x, y) => y.loss - x.loss)) {
		const rest = set.filter((b) => b !== a);
		if (weigh(rest).share >= target) set = rest;
	}
	return described(set, weigh(set));
}

function sharesOf(task: TriageTask, chosen: readonly Alternative[]): Omit<Weighed, 'id'> {
	const problem = withAlternatives(task.problem, chosen);
	const plan = planByOrder(problem, task.order);
	if (plan.impossible.length > 0) return { share: 0, finish: null, middle: NEVER };
	if (plan.finish === null) return { share: 1, finish: null, middle: problem.start };
	const work = simulate({ ...task, problem, order: plan.order, by: [task.deadline] });
	let turn = work.next();
	while (!turn.done) turn = work.next();
	return { share: turn.value.by[0]!.share, finish: plan.finish, middle: turn.value.p50 ?? NEVER };
}

/** The problem as it would be. What waited for a step left out waits for what that one waited for. */
export function withAlternatives(problem: PlanProblem, chosen: readonly Alternative[]): PlanProblem {
	const gone = new Set(chosen.flatMap((a) => a.leave));
	const waits = chosen.flatMap((a) => a.waits ?? []);
	const shorter = new Map(chosen.flatMap((a) => a.shorter ?? []).map((s) => [s.step, s.minutes]));
	const byId = new Map(problem.steps.map((s) => [s.id, s]));
	const before = (step: PlanStep, seen: ReadonlySet<string>): After[] =>
		step.after.flatMap((a) => {
			if (!gone.has(a.id)) return [a];
			const left = byId.get(a.id);
			return left && !seen.has(a.id) ? before(left, new Set([...seen, a.id])).map(({ id }) => ({ id })) : [];
		});
	const steps = problem.steps
		.filter((s) => !gone.has(s.id))
		.map((s) => {
			const after = before(s, new Set([s.id]));
			const parcels = waits.flatMap((w) => (w.step === s.id ? [w.parcel.id] : []));
			return {
				...s,
				minutes: shorter.get(s.id) ?? s.minutes,
				...(parcels.length ? { parcels: [...(s.parcels ?? []), ...parcels] } : {}),
				after: after.filter((a, k) => after.findIndex((b) => b.id === a.id) === k)
			};
		});
	// Whoever is new may do what the others may.
	const there = new Set(problem.makers.map((m) => m.id));
	const more = chosen.flatMap((a) => a.makers ?? []).filter((m) => !there.has(m.id));
	if (more.length > 0) for (const s of steps) if (s.with) s.with = [...s.with, ...more.map((m) => m.id)];
	return {
		...problem,
		steps,
		parcels: [...(problem.parcels ?? []), ...waits.map((w) => w.parcel)],
		makers: chosen.reduce((makers, a) => mergeHours(makers, a.makers), problem.makers)
	};
}

/** Both sets of hours: a maker of the same name has them all. */
function mergeHours(makers: PlanProblem['makers'], more: PlanProblem['makers'] = []): PlanProblem['makers'] {
	const added = new Map(more.map((m) => [m.id, m]));
	return [
		...makers.map((m) => {
			const extra = added.get(m.id);
			added.delete(m.id);
			return extra ? { ...m, windows: [...m.windows, ...extra.windows] } : m;
		}),
		...added.values()
	];
}

/**
 * What is worth looking at of things weighed alone: a thing to leave out is not, where leaving out another gives up no more of the
 * look and makes it as sure or surer, and one of the two better. More hours are judged apart: they cost no look.
 */
export const undominated = (alone: readonly Weighed[], alternatives: readonly Alternative[]): Weighed[] => {
	const byId = new Map(alternatives.map((a) => [a.id, a]));
	const leaves = (w: Weighed) => {
		const a = byId.get(w.id);
		return a !== undefined && givesUp(a);
	};
	const loss = (w: Weighed) => byId.get(w.id)?.loss ?? 0;
	return alone.filter(
		(w) =>
			!leaves(w) ||
			!alone.some(
				(v) =>
					leaves(v) && v.share >= w.share && loss(v) <= loss(w) && (v.share > w.share || loss(v) < loss(w))
			)
	);
};
