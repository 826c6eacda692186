import { DAY, dayOf, type LocalMinutes } from '../units/localTime.ts';
import type { Plan, PlannedStep, PlanProblem } from '../engines/schedule/problem.ts';
import { arrivalOf, type NeededBy, type OrderBy, orderByOf } from './arrivals.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import { demoLast, type CostumeRecord } from '../facts/costume.ts';
import { joined, openMinutes, openSpans, type Span } from '../engines/schedule/calendar.ts';
import { withSender } from '../facts/supplier.ts';
import type { Workshop } from '../facts/workshop.ts';
import { orderOf, placeKey, problemOf } from './planProblem.ts';
import { guessedMinutes, loggedByStep, minutesLeft, minutesOf } from './minutes.ts';
import { shoppingLines } from './shopping.ts';
import { decidingChain, planByOrder, planByRule } from '../engines/schedule/plan.ts';

export type Outlook = 'done' | 'safe' | 'likely' | 'intoBuffer' | 'late' | 'stuck' | 'empty';

export interface CostumePlan {
	/** Ready by: the event less the buffer days. */
	deadline: LocalMinutes;
	schedule: Plan;
	/** Finish if every step takes its bad minutes. */
	badFinish: LocalMinutes | null;
	chain: PlannedStep[];
	/** The parcel that the first step of the chain waits for. */
	chainParcel: OrderBy | null;
	outlook: Outlook;
	/** Free window minutes of the first maker from the finish to the deadline. */
	freeMinutes: number;
	/** Of those given to other costumes; when it is late, the work planned after the deadline. */
	takenMinutes: number;
	/** Free less taken: negative is short. */
	spareMinutes: number;
	handsOnLeft: ThreePoints;
	/** Usual hands-on minutes of each open step that are left: what is logged and what is set out already taken off. */
	left: Map<number, number>;
	/** Of those, what hangs on an amount that is a guess. */
	guessedMinutes: number;
	orders: OrderBy[];
	/** Full usual minutes of each step, done or not. */
	minutes: Map<number, ThreePoints>;
}

/** With what it was made from, for searching and simulating; too much to send to every page. */
export interface MadePlan extends CostumePlan {
	problem: PlanProblem;
}

/** A year of minutes a maker could still find: enough to say "plenty". */
const SPARE_HORIZON_DAYS = 400;

/**
 * The earliest event first: what an earlier costume takes of hours is not there for a later one. On the same day as the maker says,
 * else by the hour; a demo last.
 */
export const byEvent = (a: Pick<CostumeRecord, 'costume'>, b: Pick<CostumeRecord, 'costume'>): number =>
	demoLast(a, b) ||
	dayOf(a.costume.eventAt) - dayOf(b.costume.eventAt) ||
	(a.costume.hoursTurn ?? 1e9) - (b.costume.hoursTurn ?? 1e9) ||
	a.costume.eventAt - b.costume.eventAt ||
	a.costume.id - b.costume.id;

/** Adds the hours that a plan takes of makers and places. */
export function addTaken(taken: Map<string, Span[]>, record: CostumeRecord, plan: CostumePlan): void {
	const places = new Map(record.steps.map((s) => [String(s.id), s.placeId]));
	const its = new Map<string, Span[]>();
	for (const s of plan.schedule.steps) {
		const place = places.get(s.id);
		for (const [k, block] of s.blocks.entries())
			for (const id of [...s.crews[k]!, ...(place ? [placeKey(place)] : [])])
				its.set(id, [...(its.get(id) ?? []), block]);
	}
	// Step after step is one stretch of an evening: fewer spans make every later plan quicker.
	for (const [id, spans] of its) taken.set(id, joined([...(taken.get(id) ?? []), ...spans]));
}

export function planCostume(
	entered: CostumeRecord,
	workshop: Workshop,
	now: LocalMinutes,
	taken: ReadonlyMap<string, readonly Span[]>
): MadePlan {
	const { costume } = entered;
	const purchases = entered.purchases.map((p) => withSender(p, workshop.suppliers));
	const record = { ...entered, purchases };
	const deadline = costume.eventAt - costume.bufferDays * DAY;
	const minutes = minutesOf(record, workshop);
	const lines = shoppingLines(record, workshop);
	const arrivals = lines.map((line) => arrivalOf(line, record, now));
	const problem = problemOf(record, workshop, now, minutes, arrivals, deadline, taken);
	const plan = record.found ? planByOrder(problem, orderOf(record.found)) : planByRule(problem);
	const bad = planByRule({
		...problem,
		steps: problem.steps.map((s) => ({ ...s, minutes: [s.minutes[2], s.minutes[2], s.minutes[2]] }))
	});
	const left = leftOf(problem, plan);
	const usual = new Map([...left].map(([id, m]) => [id, m[1]]));
	const spare = spareOf(problem, plan, deadline, now);
	const chain = decidingChain(plan);
	const needed = neededBy(problem, plan, deadline);
	const orders = arrivals
		.map((a) => orderByOf(a, needed))
		.sort((a, b) => Number(b.tooLate) - Number(a.tooLate));
	return {
		problem,
		deadline,
		schedule: plan,
		badFinish: bad.impossible.length ? null : bad.finish,
		chain,
		chainParcel: parcelOf(chain[0], orders),
		outlook: outlookOf(record, plan, bad, deadline),
		...spare,
		spareMinutes: spare.freeMinutes - spare.takenMinutes,
		handsOnLeft: [0, 1, 2].map((k) => sumOf([...left.values()].map((m) => m[k]!))) as unknown as ThreePoints,
		left: usual,
		guessedMinutes: guessedMinutes(record, usual),
		orders,
		minutes
	};
}

/**
 * An earlier plan as far as it still speaks of a record that has changed since: steps that are gone or done are not in it, those
 * that are new have their minutes and no place yet. For showing while the new one is made.
 */
export function planStill(before: MadePlan, record: CostumeRecord, workshop: Workshop): MadePlan {
	const open = new Map(record.steps.filter((s) => s.doneAt === null).map((s) => [String(s.id), s]));
	const minutes = minutesOf(record, workshop);
	const logged = loggedByStep(record.logs);
	const known = (steps: readonly PlannedStep[]) => steps.filter((s) => open.has(s.id));
	return {
		...before,
		minutes,
		left: new Map(
			[...open.values()].map(({ id }) => [
				id,
				before.left.get(id) ?? minutesLeft(minutes.get(id)!, logged.get(id) ?? 0)[1]
			])
		),
		chain: known(before.chain),
		schedule: {
			...before.schedule,
			steps: known(before.schedule.steps),
			order: before.schedule.order.filter((o) => open.has(o.id)),
			impossible: before.schedule.impossible.filter((i) => open.has(i.id))
		},
		orders: before.orders.map((o) => ({ ...o, stepIds: o.stepIds.filter((id) => open.has(String(id))) }))
	};
}

/** When things are needed; with late steps, also when these could start if every parcel were here. */
function neededBy(problem: PlanProblem, plan: Plan, deadline: LocalMinutes): NeededBy {
	const late = problem.parcels?.length && plan.steps.some((s) => (s.slackMinutes ?? 0) < 0);
	const here = { ...problem, parcels: [], steps: problem.steps.map(({ parcels: _, ...s }) => s) };
	return {
		starts: new Map(plan.steps.map((s) => [Number(s.id), { start: s.start, slack: s.slackMinutes }])),
		free: late ? new Map(planByRule(here).steps.map((s) => [Number(s.id), s.start])) : null,
		deadline
	};
}

const sumOf = (list: readonly number[]): number => list.reduce((sum, n) => sum + n, 0);

/** Hands-on minutes of the open steps, without setting out again what stands there from the step before. */
function leftOf(problem: PlanProblem, plan: Plan): Map<number, ThreePoints> {
	const joined = new Set(plan.steps.flatMap((s) => (s.joined ? [s.id] : [])));
	return new Map(
		problem.steps.map(({ id, minutes, setUp }) => {
			const saved = joined.has(id) ? (setUp?.minutes ?? 0) : 0;
			const less = (all: number) => Math.max(1, all - saved);
			return [Number(id), saved ? [less(minutes[0]), less(minutes[1]), less(minutes[2])] : minutes];
		})
	);
}

/** The last parcel that this step's start hung on, if it began with the first window after it came. */
function parcelOf(first: PlannedStep | undefined, orders: readonly OrderBy[]): OrderBy | null {
	if (!first) return null;
	return orders
		.filter((o) => o.stepIds.includes(Number(first.id)) && o.usableFrom !== null)
		.reduce<OrderBy | null>((last, o) => (!last || o.usableFrom! > last.usableFrom! ? o : last), null);
}

function outlookOf(record: CostumeRecord, plan: Plan, bad: Plan, deadline: LocalMinutes): Outlook {
	if (plan.impossible.length > 0) return 'stuck';
	if (record.steps.length === 0) return 'empty';
	if (plan.finish === null) return 'done';
	if (plan.finish > record.costume.eventAt) return 'late';
	if (plan.finish > deadline) return 'intoBuffer';
	// On guesses nothing is safe, whatever their bad minutes come to.
	const guessed = record.steps.some((s) => s.guessed && s.doneAt === null);
	return !guessed && bad.finish !== null && bad.impossible.length === 0 && bad.finish <= deadline
		? 'safe'
		: 'likely';
}

function spareOf(
	problem: PlanProblem,
	plan: Plan,
	deadline: LocalMinutes,
	now: LocalMinutes
): Pick<CostumePlan, 'freeMinutes' | 'takenMinutes'> {
	const finish = Math.max(plan.finish ?? now, now);
	if (finish > deadline) {
		const late = plan.steps.reduce(
			(sum, s) => sum + openMinutes(s.blocks, deadline, Infinity) * Math.max(1, s.makers.length),
			0
		);
		return { freeMinutes: 0, takenMinutes: late };
	}
	const main = problem.makers[0];
	if (!main) return { freeMinutes: 0, takenMinutes: 0 };
	const until = Math.min(deadline, finish + SPARE_HORIZON_DAYS * DAY);
	const given = [...(problem.taken?.get(main.id) ?? [])].sort((a, b) => a[0] - b[0]);
	return {
		freeMinutes: openMinutes(openSpans(main, finish, until), finish, until),
		takenMinutes: openMinutes(given, finish, until)
	};
}
