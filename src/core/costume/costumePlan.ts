import { coatOf } from '../finish/colour.ts';
import { ARRIVAL_CLOCK, arrivalDay, lateMinutes, orderByDay, usableFrom } from '../needs/leadTime.ts';
import type { Family, Material, Purchase } from '../needs/material.ts';
import { shoppingLines, type ShoppingLine } from '../needs/shopping.ts';
import { joined, openMinutes, openSpans, type Hours, type Span } from '../schedule/calendar.ts';
import type { Sun } from '../schedule/daylight.ts';
import { decidingChain, planByOrder, planByRule } from '../schedule/plan.ts';
import type {
	After,
	Parcel,
	Plan,
	PlannedStep,
	PlanOrder,
	PlanProblem,
	PlanStep
} from '../schedule/problem.ts';
import { DAY, dayOf, type LocalMinutes } from '../units/localTime.ts';
import { copiesOf } from './component.ts';
import { inOrder, stepsBefore } from './order.ts';
import type { CostumeRecord, FoundStep, Place, Settings, Workshop } from './record.ts';
import { loggedByStep, minutesLeft, stepMinutes, waitOf, type Step } from './step.ts';
import type { ThreePoints } from './technique.ts';

/** What a material's arrival holds up, and when it must be ordered. */
export interface OrderBy {
	material: Material;
	purchase: Purchase | null;
	/** Steps that use it. */
	stepIds: number[];
	/** When it is there, as things stand; null when it is here. */
	usableFrom: LocalMinutes | null;
	/** The latest start of the first step that uses it. */
	neededAt: LocalMinutes | null;
	/** The last day to order; null when ordered or here, or when no step uses it. */
	orderByDay: number | null;
	/** It comes after the latest moment that still serves. */
	tooLate: boolean;
}

export type Outlook = 'done' | 'safe' | 'likely' | 'intoBuffer' | 'late' | 'stuck' | 'empty';

export interface CostumePlan {
	/** Ready by: the event less the buffer days. */
	deadline: LocalMinutes;
	plan: Plan;
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
	orders: OrderBy[];
	/** Full usual minutes of each step, done or not. */
	minutes: Map<number, ThreePoints>;
}

/** With what it was made from, for searching and simulating; too much to send to every page. */
export interface MadePlan extends CostumePlan {
	problem: PlanProblem;
}

/** A plan made earlier for the same record and the same hours taken, so that one change does not replan all. */
export type KnownPlan = (
	record: CostumeRecord,
	taken: ReadonlyMap<string, readonly Span[]>
) => MadePlan | undefined;

/** A year of minutes a maker could still find: enough to say "plenty". */
const SPARE_HORIZON_DAYS = 400;

/**
 * Plans the costumes one after another, the earliest event first, on the same makers' hours:
 * what an earlier costume takes is not there for a later one.
 */
export function planWorkshop(
	records: readonly CostumeRecord[],
	workshop: Workshop,
	now: LocalMinutes,
	known: KnownPlan = () => undefined
): Map<number, MadePlan> {
	const taken = new Map<string, Span[]>();
	const plans = new Map<number, MadePlan>();
	const byEvent = [...records].sort(
		(a, b) => a.costume.eventAt - b.costume.eventAt || a.costume.id - b.costume.id
	);
	for (const record of byEvent) {
		const plan = known(record, taken) ?? planCostume(record, workshop, now, new Map(taken));
		plans.set(record.costume.id, plan);
		addTaken(taken, record, plan);
	}
	return plans;
}

/** Adds the hours that a plan takes of makers and places. */
export function addTaken(taken: Map<string, Span[]>, record: CostumeRecord, plan: CostumePlan): void {
	const places = new Map(record.steps.map((s) => [String(s.id), s.placeId]));
	const own = new Map<string, Span[]>();
	for (const s of plan.plan.steps) {
		const place = places.get(s.id);
		for (const [k, block] of s.blocks.entries())
			for (const id of [...s.crews[k]!, ...(place ? [placeKey(place)] : [])])
				own.set(id, [...(own.get(id) ?? []), block]);
	}
	// Step after step is one stretch of an evening: fewer spans make every later plan quicker.
	for (const [id, spans] of own) taken.set(id, joined([...(taken.get(id) ?? []), ...spans]));
}

export const makerKey = (id: number) => `maker ${id}`;
export const placeKey = (id: number) => `place ${id}`;

export function planCostume(
	record: CostumeRecord,
	workshop: Workshop,
	now: LocalMinutes,
	taken: ReadonlyMap<string, readonly Span[]>
): MadePlan {
	const { costume } = record;
	const deadline = costume.eventAt - costume.bufferDays * DAY;
	const minutes = minutesOf(record, workshop);
	const lines = shoppingLines(record, workshop.materials);
	const arrivals = lines.map((line) => arrivalOf(line, record, now));
	const problem = problemOf(record, workshop, now, minutes, arrivals, deadline, taken);
	const plan = record.found ? planByOrder(problem, orderOf(record.found)) : planByRule(problem);
	const bad = planByRule({
		...problem,
		steps: problem.steps.map((s) => ({ ...s, minutes: [s.minutes[2], s.minutes[2], s.minutes[2]] }))
	});
	const latest = new Map(
		plan.steps.flatMap((s): [number, number][] =>
			s.slackMinutes === null ? [] : [[Number(s.id), s.start + s.slackMinutes]]
		)
	);
	const left = problem.steps.reduce<[number, number, number]>(
		(sum, s) => [sum[0] + s.minutes[0], sum[1] + s.minutes[1], sum[2] + s.minutes[2]],
		[0, 0, 0]
	);
	const spare = spareOf(problem, plan, deadline, now);
	const chain = decidingChain(plan);
	const orders = arrivals.map((a) => orderByOf(a, latest));
	return {
		problem,
		deadline,
		plan,
		badFinish: bad.impossible.length ? null : bad.finish,
		chain,
		chainParcel: parcelOf(chain[0], orders),
		outlook: outlookOf(record, plan, bad, deadline),
		...spare,
		spareMinutes: spare.freeMinutes - spare.takenMinutes,
		handsOnLeft: left,
		orders,
		minutes
	};
}

/** Hands-on minutes of every step of the record, for all copies. */
export function minutesOf(record: CostumeRecord, workshop: Workshop): Map<number, ThreePoints> {
	const byId = new Map(record.components.map((c) => [c.id, c]));
	return new Map(
		record.steps.map((s) => {
			const component = byId.get(s.componentId);
			return [s.id, stepMinutes(s, component ? copiesOf(component, byId) : 1, workshop.rates)];
		})
	);
}

interface Arrival {
	line: ShoppingLine;
	purchase: Purchase | null;
	stepIds: number[];
	usableFrom: LocalMinutes | null;
}

/** When the last of a material is there. What is short and on no list is taken to be ordered today. */
function arrivalOf(line: ShoppingLine, record: CostumeRecord, now: LocalMinutes): Arrival {
	const { family } = line.material;
	const stepIds = line.usages.flatMap((u) =>
		u.stepIds.length ? u.stepIds : firstUse(record, u.componentId, family)
	);
	const bought = record.purchases.filter((p) => p.materialId === line.material.id);
	for (const p of bought)
		if (p.componentId !== null && !line.usages.some((u) => u.componentId === p.componentId))
			stepIds.push(...firstUse(record, p.componentId, family));
	const covered = bought.filter((p) => p.state === 'arrived' || p.state === 'used');
	const here =
		line.taken + line.stash + covered.reduce((sum, p) => sum + p.packs * line.material.packSize, 0);
	const base = { line, stepIds: [...new Set(stepIds)] };
	if (line.needed > 0 && here >= line.needed - 1e-9) return { ...base, purchase: null, usableFrom: null };
	const coming = bought
		.map((purchase) => ({ purchase, at: usableFrom(purchase, now) }))
		.filter((c): c is { purchase: Purchase; at: number } => c.at !== null)
		.sort((a, b) => b.at - a.at);
	if (line.short > 0) {
		const at = arrivalDay(dayOf(now), line.material) * DAY + ARRIVAL_CLOCK;
		if (!coming[0] || at >= coming[0].at) return { ...base, purchase: null, usableFrom: at };
	}
	return { ...base, purchase: coming[0]?.purchase ?? null, usableFrom: coming[0]?.at ?? null };
}

/**
 * The step that first takes material: the first undone one that is not pattern work; for closures the
 * first of rigging.
 */
function firstUse(record: CostumeRecord, componentId: number, family: Family): number[] {
	const open = inOrder(record.steps, componentId).filter((s) => s.doneAt === null);
	const rig = family === 'closure' ? open.find((s) => s.phase === 'rig') : undefined;
	const first = rig ?? open.find((s) => s.phase !== 'pattern') ?? open[0];
	return first ? [first.id] : [];
}

/** The last parcel that this step's start hung on, if it began with the first window after it came. */
function parcelOf(first: PlannedStep | undefined, orders: readonly OrderBy[]): OrderBy | null {
	if (!first) return null;
	return orders
		.filter((o) => o.stepIds.includes(Number(first.id)) && o.usableFrom !== null)
		.reduce<OrderBy | null>((last, o) => (!last || o.usableFrom! > last.usableFrom! ? o : last), null);
}

function orderByOf(arrival: Arrival, latest: ReadonlyMap<number, LocalMinutes>): OrderBy {
	const { material } = arrival.line;
	const starts = arrival.stepIds.flatMap((id) => latest.get(id) ?? []);
	const neededAt = starts.length ? Math.min(...starts) : null;
	const open = arrival.usableFrom !== null && arrival.purchase?.state !== 'ordered';
	return {
		material,
		purchase: arrival.purchase,
		stepIds: arrival.stepIds,
		usableFrom: arrival.usableFrom,
		neededAt,
		orderByDay: open && neededAt !== null ? orderByDay(neededAt, arrival.purchase ?? material) : null,
		tooLate: neededAt !== null && arrival.usableFrom !== null && arrival.usableFrom > neededAt
	};
}

function problemOf(
	record: CostumeRecord,
	workshop: Workshop,
	now: LocalMinutes,
	minutes: ReadonlyMap<number, ThreePoints>,
	arrivals: readonly Arrival[],
	deadline: LocalMinutes,
	taken: ReadonlyMap<string, readonly Span[]>
): PlanProblem {
	const before = stepsBefore(record.components, record.steps);
	const byId = new Map(record.steps.map((s) => [s.id, s]));
	const logged = loggedByStep(record.logs);
	const parcels = arrivals.flatMap((a): Parcel[] =>
		a.usableFrom === null
			? []
			: [
					{
						id: parcelKey(a.line.material.id),
						at: a.usableFrom,
						late: lateMinutes(a.purchase ?? a.line.material)
					}
				]
	);
	const parcelsOf = new Map<number, string[]>();
	for (const a of arrivals)
		if (a.usableFrom !== null)
			for (const id of a.stepIds)
				parcelsOf.set(id, [...(parcelsOf.get(id) ?? []), parcelKey(a.line.material.id)]);
	const pins = pinsOf(record, minutes, now);
	const wait = (s: Step) => waitOf(s, workshop.settings.coldOrDamp);
	const steps = record.steps
		.filter((s) => s.doneAt === null)
		.map((s): PlanStep => {
			const done = before.get(s.id)!.flatMap((id) => (byId.get(id)!.doneAt === null ? [] : [byId.get(id)!]));
			const held = Math.max(-Infinity, ...done.map((d) => d.doneAt! + wait(d)));
			const own = parcelsOf.get(s.id);
			const setUp = setUpOf(s, record, workshop);
			const pinnedAt = pins.get(s.id);
			const previous = inOrder(record.steps, s.componentId).findLast((p) => p.position < s.position);
			const boundTo = s.withinMinutes !== null && previous ? previous : null;
			return {
				id: String(s.id),
				minutes: minutesLeft(minutes.get(s.id)!, logged.get(s.id) ?? 0),
				wait: wait(s),
				after: before
					.get(s.id)!
					.filter((id) => byId.get(id)!.doneAt === null)
					.map((id): After => ({ id: String(id), ...(boundTo?.id === id ? recoat(s) : {}) })),
				...(held > -Infinity ? { notBefore: held } : {}),
				...(boundTo?.doneAt != null
					? {
							barred: [
								[boundTo.doneAt + s.withinMinutes! + 1, boundTo.doneAt + (s.orAfterMinutes ?? 0)] as const
							]
						}
					: {}),
				makers: s.needsHelper ? 2 : 1,
				with: whoCan(s, workshop),
				place: s.placeId === null ? null : placeKey(s.placeId),
				oneSitting: s.oneSitting,
				redo: redoChance(s, record),
				...(own ? { parcels: own } : {}),
				...(setUp ? { setUp } : {}),
				...(pinnedAt === undefined ? {} : { pinnedAt })
			};
		});
	return {
		start: now,
		deadline,
		split: record.costume.split,
		leastPart: 30,
		makers: workshop.makers.map((m) => ({
			id: makerKey(m.id),
			windows: m.windows,
			off: m.off,
			away: m.away
		})),
		places: workshop.places.map((p) => ({
			id: placeKey(p.id),
			capacity: p.capacity,
			dryOnly: p.dryOnly,
			...hoursOf(p, workshop.settings)
		})),
		wetShare: workshop.places.some((p) => p.dryOnly) ? workshop.settings.wetDays / 30 : 0,
		parcels,
		steps,
		taken
	};
}

/** When a place is open, as calendars understand it. */
export const hoursOf = (place: Place, settings: Settings): Hours => ({
	windows: place.windows,
	off: place.off,
	...(place.daylightOnly ? { sun: sunOf(settings) } : {})
});

export const sunOf = ({ latitude, noonMinute, summerTime }: Settings): Sun => ({
	latitude,
	noon: noonMinute,
	summerTime
});

export const parcelKey = (materialId: number) => `parcel ${materialId}`;

/** A kept order in the planner's own names. */
export const orderOf = (found: readonly FoundStep[]): PlanOrder =>
	found.map(({ step, makers }) => ({
		id: String(step),
		...(makers ? { makers: makers.map(makerKey) } : {})
	}));

/** The same the other way, for keeping. */
export const foundOf = (order: PlanOrder): FoundStep[] =>
	order.map(({ id, makers }) => ({
		step: Number(id),
		...(makers ? { makers: makers.map((m) => Number(m.replace('maker ', ''))) } : {})
	}));

/** Makers who do such work by themselves; with a helper everybody counts. Null for all. */
function whoCan(step: Step, workshop: Workshop): string[] | null {
	const able = workshop.makers.filter((m) => !m.techniques || m.techniques.includes(step.technique));
	if (step.needsHelper) return null;
	return able.filter((m) => !m.helpsOnly).map((m) => makerKey(m.id));
}

/** What is set out once serves all that is sprayed in the same colour, one after the other. */
function setUpOf(step: Step, record: CostumeRecord, workshop: Workshop): PlanStep['setUp'] {
	const found = step.placeId === null ? null : coatOf(step, record, workshop.materials);
	if (!found) return undefined;
	const key = [found.coat.product, ...found.colours.map((m) => m.id).sort((a, b) => a - b)].join(' ');
	return { key, minutes: step.setUpMinutes };
}

/** Starts that are kept: by the maker, by a fitting that is booked, and by a timer that runs. */
function pinsOf(
	record: CostumeRecord,
	minutes: ReadonlyMap<number, ThreePoints>,
	now: LocalMinutes
): Map<number, LocalMinutes> {
	const pins = new Map<number, LocalMinutes>();
	const open = record.steps.filter((s) => s.doneAt === null);
	for (const fitting of record.fittings) {
		if (fitting.heldAt < now) continue;
		// One after the other, as they are tried on.
		let at = fitting.heldAt;
		for (const id of fitting.componentIds) {
			const step = inOrder(open, id).find((s) => s.technique === 'fit');
			if (!step || pins.has(step.id)) continue;
			pins.set(step.id, at);
			at += minutes.get(step.id)![1];
		}
	}
	for (const s of open) if (s.pinnedAt !== null && s.pinnedAt >= now) pins.set(s.id, s.pinnedAt);
	for (const l of record.logs) if (l.endedAt === null) pins.set(l.stepId, now);
	return pins;
}

/** How often work has to be done again before anything is known. Starting values, from memory. */
const REDO_COAT = 0.04;
const REDO_FIT = 0.15;
const REDO_GLUE = 0.02;
/** The starting value weighs as much as so many pieces of work. */
const REDO_WEIGHT = 20;
const COAT_FAULTS = ['sticky paint', 'paint cracks at a bend'];
const GLUE_FAULTS = ['seam opens', 'strap torn out', 'hook-and-loop lets go'];

/**
 * How likely a step has to be done again: the starting value and the costume's own fault log together, as the mean
 * of a beta distribution (Gelman et al., Bayesian Data Analysis, 2.4).
 */
export function redoChance(step: Step, record: CostumeRecord): number {
	const kind =
		step.coatId !== null
			? { before: REDO_COAT, faults: COAT_FAULTS, alike: (s: Step) => s.coatId !== null }
			: step.technique === 'fit'
				? { before: REDO_FIT, faults: [], alike: () => false }
				: step.technique === 'cement'
					? { before: REDO_GLUE, faults: GLUE_FAULTS, alike: (s: Step) => s.technique === 'cement' }
					: null;
	if (!kind) return 0;
	const done = record.steps.filter((s) => s.doneAt !== null && kind.alike(s)).length;
	const failed = record.faults.filter((f) => kind.faults.includes(f.symptom)).length;
	return (kind.before * REDO_WEIGHT + failed) / (REDO_WEIGHT + Math.max(done, failed));
}

const recoat = (s: Step): Partial<After> => ({
	within: s.withinMinutes!,
	...(s.orAfterMinutes === null ? {} : { orAfter: s.orAfterMinutes })
});

function outlookOf(record: CostumeRecord, plan: Plan, bad: Plan, deadline: LocalMinutes): Outlook {
	if (plan.impossible.length > 0) return 'stuck';
	if (record.steps.length === 0) return 'empty';
	if (plan.finish === null) return 'done';
	if (plan.finish > record.costume.eventAt) return 'late';
	if (plan.finish > deadline) return 'intoBuffer';
	return bad.finish !== null && bad.impossible.length === 0 && bad.finish <= deadline ? 'safe' : 'likely';
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
