import type { Forecast } from '$core/answers/forecast.ts';
import { planAsIf, withRecord } from '$core/answers/asIf.ts';
import { addTaken, byEvent, planCostume, planStill, type MadePlan } from '$core/answers/plan.ts';
import { recutAfter, recutTotals, cutAt, type RecutPiece, type RecutTotals } from '$core/answers/recut.ts';
import { withReserved } from '$core/answers/shopPlan.ts';
import { standingOf, type Standing } from '$core/answers/standing.ts';
import { workshopFor } from '$core/answers/stash.ts';
import type { Span } from '$core/engines/schedule/calendar.ts';
import type { PlanOrder, PlanProblem } from '$core/engines/schedule/problem.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import { tryOut } from '../db/action.ts';
import type { State } from '../sharedAnswers.ts';
import { clock } from '../clock.ts';
import type { Database, Executor } from '../db/open.ts';
import { startPlanner, type Planner, type Round } from '../planner/planner.ts';
import { loadRecord } from './costume.ts';
import { cutLayouts } from './layout.ts';
import { loadMeasure } from './measure.ts';
import { loadShop, type Shop } from './shop.ts';
import { loadMaterials } from './workshop.ts';

const planners = new WeakMap<Database, Planner>();
const plannerOf = (db: Database): Planner => {
	let planner = planners.get(db);
	if (!planner) planners.set(db, (planner = startPlanner()));
	return planner;
};

/** Another one whenever a page may show something else, if it is made of nothing but the database, the plans and the time. */
export const stateOf = (db: Database): State => ({
	era: db.era,
	writes: db.writes,
	key: `${db.era} ${db.writes} ${plannerOf(db).told} ${clock()}`
});

export async function closePlanner(db: Database): Promise<void> {
	await planners.get(db)?.close();
	planners.delete(db);
}

/** A plan that starts "now" would shift with every look at it: it starts on the next five minutes. */
const startOf = (now: LocalMinutes): LocalMinutes => Math.ceil(now / 5) * 5;

interface Rounded {
	shop: Shop;
	start: LocalMinutes;
	round: Round;
}

async function roundNow(db: Database, now: LocalMinutes): Promise<Rounded> {
	const shop = await loadShop(db);
	const start = startOf(now);
	return { shop, start, round: plannerOf(db).round(shop, start) };
}

/** So long after the change pages wait for plans, ms; then they show the last, and say so. */
const SOON = 400;

/** @returns whether it came in time */
const inTime = (wanted: Promise<unknown>, since: number): Promise<boolean> =>
	Promise.race([
		wanted.then(() => true),
		new Promise<boolean>((late) =>
			setTimeout(() => late(false), Math.max(0, since + SOON - performance.now())).unref()
		)
	]);

export interface PlannedShop {
	key: string;
	shop: Shop;
	plans: ReadonlyMap<number, MadePlan>;
	/** Some of the plans are of before the last change: the new ones are being made. */
	old: boolean;
	round: Round;
}

/**
 * The costumes at work, planned together.
 * @param patience with `soon` the last plans come where the new ones take long
 */
export async function plannedShop(
	db: Database,
	now: LocalMinutes,
	patience: 'soon' | 'exact' = 'exact'
): Promise<PlannedShop> {
	const { shop, start, round } = await roundNow(db, now);
	const key = `${shop.key} ${start}`;
	const ids = shop.atWork.map((c) => c.record.costume.id);
	const late =
		patience === 'soon' && ids.every((id) => round.before(id)) && !(await inTime(round.all(), round.since));
	if (!late) return { key, shop, plans: await round.all(), old: false, round };
	round.shownEarly();
	const plans = new Map(
		shop.atWork.map((c) => [c.record.costume.id, shownMeanwhile(shop, round, c.record.costume.id)])
	);
	return { key, shop, plans, old: true, round };
}

/** The plan that is known by now, or what an earlier one still says. */
function shownMeanwhile(shop: Shop, round: Round, id: number): MadePlan {
	const { record, promised } = shop.atWork.find((c) => c.record.costume.id === id)!;
	return (
		round.known(id) ??
		planStill(round.before(id)!, record, workshopFor(shop.workshop, record.costume, promised))
	);
}

export interface PlannedCostume {
	/** Changes whenever the plan may. */
	key: string;
	/** The workshop as the costume may count on it: of the stash what is promised to it. */
	workshop: Workshop;
	record: CostumeRecord;
	plan: MadePlan;
	/** The plan is of before the last change: the new one is being made. */
	old: boolean;
	/** What simulated builds of it say: null where there is nothing to simulate, undefined while they are under way. */
	forecast: Forecast | null | undefined;
	forecastWhen: () => Promise<Forecast | null | undefined>;
	/** Names of costumes with earlier events, whose hours are taken first. */
	first: string[];
	/** Names of later costumes that keep hours for a fitting or a fixed time. */
	kept: string[];
	/** Costumes with earlier events, with their plans. */
	earlier: { record: CostumeRecord; plan: MadePlan }[];
	/** The whole shop; this costume may be put away. */
	shop: Shop;
}

/**
 * One costume with its plan; one that is put away is planned alone.
 * @param patience with `soon` the last plan comes where the new one takes long
 */
export async function plannedCostume(
	db: Database,
	id: number,
	now: LocalMinutes,
	patience: 'soon' | 'exact' = 'exact'
): Promise<PlannedCostume | null> {
	const { shop, start, round } = await roundNow(db, now);
	const key = `${shop.key} ${start}`;
	const at = shop.atWork.findIndex((c) => c.record.costume.id === id);
	if (at < 0) {
		const record = await loadRecord(db, id);
		if (!record) return null;
		const workshop = workshopFor(shop.workshop, record.costume, new Map());
		return {
			key,
			workshop,
			record,
			plan: planCostume(record, workshop, start, new Map()),
			old: false,
			forecast: null,
			forecastWhen: async () => null,
			first: [],
			kept: [],
			earlier: [],
			shop
		};
	}
	const { record, promised } = shop.atWork[at]!;
	const before = shop.atWork
		.filter((c) => byEvent(c.record, record) < 0)
		.sort((a, b) => byEvent(a.record, b.record));
	const old =
		patience === 'soon' &&
		[record, ...before.map((c) => c.record)].every((r) => round.before(r.costume.id)) &&
		!(await inTime(round.planOf(id), round.since));
	if (old) round.shownEarly();
	const planOf = async (id: number) => (old ? shownMeanwhile(shop, round, id) : round.planOf(id));
	const plan = await planOf(id);
	// Those come before it: once it is known, they are.
	const earlier = await Promise.all(
		before.map(async ({ record }) => ({ record, plan: await planOf(record.costume.id) }))
	);
	const first = earlier.filter((e) => e.plan.handsOnLeft[1] > 0).map((e) => e.record.costume.name);
	return {
		key,
		workshop: workshopFor(shop.workshop, record.costume, promised),
		record,
		plan,
		old,
		forecast: round.forecastOf(id),
		forecastWhen: () => round.forecastWhen(id),
		first,
		kept: shop.atWork
			.filter(
				(c) => byEvent(c.record, record) > 0 && withReserved(new Map(), [c], shop.workshop, start).size > 0
			)
			.map((c) => c.record.costume.name),
		earlier,
		shop
	};
}

/** What a change would move, before it is made. */
export interface AsIf {
	before: Standing;
	after: Standing;
	/** Pieces that are cut already and would no longer fit. */
	recut: RecutPiece[];
	totals: RecutTotals;
	/** What its plan would be made from, for simulating builds of it. */
	builds: { problem: PlanProblem; order: PlanOrder };
}

/**
 * How hours, money and the plan of a costume would stand after a change. The change is made, what it leads to is read,
 * and it is taken back; only then is anything planned. Null for a costume put away.
 */
export async function standingAsIf(
	db: Database,
	costumeId: number,
	now: LocalMinutes,
	change: (tx: Executor) => Promise<unknown>
): Promise<AsIf | null> {
	const today = await plannedCostume(db, costumeId, now);
	const fit = await loadMeasure(db, costumeId);
	const changed = await tryOut(db, async (tx) => {
		await change(tx);
		const record = await loadRecord(tx, costumeId);
		const fit = await loadMeasure(tx, costumeId);
		return (
			record && { record, fit, materials: await loadMaterials(tx), cut: await cutLayouts(tx, costumeId) }
		);
	});
	if (!today || !changed || !today.shop.atWork.some((c) => c.record.costume.id === costumeId)) return null;
	const { record, workshop, plan, shop } = today;
	const taken = new Map<string, Span[]>();
	for (const { record, plan } of today.earlier) addTaken(taken, record, plan);
	const asChanged = withRecord(changed.record, {
		...shop,
		workshop: { ...shop.workshop, materials: changed.materials }
	});
	const start = startOf(now);
	const later = shop.atWork.filter((c) => byEvent(c.record, record) > 0);
	const given = withReserved(taken, later, shop.workshop, start);
	const asIf = planAsIf({ record, workshop }, asChanged, start, given);
	const cut = cutAt(record, changed.cut, workshop.materials);
	const recut = recutAfter(
		record,
		cut,
		{ ...fit, materials: workshop.materials },
		{ ...changed.fit, materials: changed.materials }
	);
	return {
		before: standingOf(record, plan, workshop),
		after: standingOf(changed.record, asIf.plan, asIf.workshop),
		recut,
		totals: recutTotals(recut, workshop),
		builds: { problem: asIf.plan.problem, order: asIf.plan.schedule.order }
	};
}
