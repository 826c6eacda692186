import { planWorkshop, type MadePlan } from '$core/answers/plan.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import { one } from '../db/rows.ts';
import { standingOf, type Standing } from '$core/answers/standing.ts';
import { tryOut } from '../db/action.ts';
import type { Database, Executor } from '../db/open.ts';
import { recutAfter, recutTotals, cutAt, type RecutPiece, type RecutTotals } from '$core/answers/recut.ts';
import { costumeIds, loadRecord, loadRecords } from './costume.ts';
import { cutLayouts } from './layout.ts';
import { loadMeasure } from './measure.ts';
import { loadWorkshop } from './workshop.ts';

export interface Planned {
	workshop: Workshop;
	records: CostumeRecord[];
	plans: Map<number, MadePlan>;
}

interface Kept extends Planned {
	era: string;
	lastChange: number;
	now: LocalMinutes;
	/** What each plan was made from. */
	madeFrom: Map<number, string>;
}

let kept: Kept | null = null;

/** The costumes at work, planned together. Worked out again when anything changed or five minutes passed. */
export async function plannedWorkshop(db: Database, now: LocalMinutes): Promise<Planned> {
	// A plan that starts "now" would shift with every look at it: it starts on the next five minutes.
	const start = Math.ceil(now / 5) * 5;
	const lastChange = (await one<{ id: number }>(db, 'select coalesce(max(id), 0) as id from change'))!.id;
	if (kept && kept.era === db.era && kept.lastChange === lastChange && kept.now === start) return kept;
	kept = { era: db.era, lastChange, ...(await plan(db, start, kept?.era === db.era ? kept : null)) };
	return kept;
}

/** Plans all costumes at work, and makes use of what was planned before from the same. */
async function plan(
	db: Executor,
	start: LocalMinutes,
	before: Kept | null
): Promise<Omit<Kept, 'era' | 'lastChange'>> {
	const [workshop, records] = await Promise.all([
		loadWorkshop(db),
		costumeIds(db, false).then((ids) => loadRecords(db, ids))
	]);
	const madeFrom = new Map<number, string>();
	const shared = JSON.stringify([workshop, start]);
	const plans = planWorkshop(records, workshop, start, (record, taken) => {
		const from = `${shared}${JSON.stringify(record)}${JSON.stringify([...taken])}`;
		madeFrom.set(record.costume.id, from);
		return before?.madeFrom.get(record.costume.id) === from ? before.plans.get(record.costume.id) : undefined;
	});
	return { now: start, workshop, records, plans, madeFrom };
}

const standing = ({ records, plans, workshop }: Planned, costumeId: number): Standing | null => {
	const record = records.find((r) => r.costume.id === costumeId);
	const own = plans.get(costumeId);
	return record && own ? standingOf(record, own, workshop) : null;
};

/** What a change would move, before it is made. */
export interface AsIf {
	before: Standing;
	after: Standing;
	/** Pieces that are cut already and would no longer fit. */
	recut: RecutPiece[];
	totals: RecutTotals;
}

/** How hours, money and the plan of a costume would stand after a change, which is taken back. Null for a costume put away. */
export async function standingAsIf(
	db: Database,
	costumeId: number,
	now: LocalMinutes,
	change: (tx: Executor) => Promise<unknown>
): Promise<AsIf | null> {
	const today = await plannedWorkshop(db, now);
	const before = standing(today, costumeId);
	const fit = await loadMeasure(db, costumeId);
	const record = today.records.find((r) => r.costume.id === costumeId);
	return tryOut(db, async (tx) => {
		await change(tx);
		const changed = await plan(tx, kept!.now, kept);
		const after = standing(changed, costumeId);
		if (!before || !after || !record) return null;
		const cut = cutAt(record, await cutLayouts(tx, costumeId), today.workshop.materials);
		const recut = recutAfter(
			record,
			cut,
			{ ...fit, materials: today.workshop.materials },
			{ ...(await loadMeasure(tx, costumeId)), materials: changed.workshop.materials }
		);
		return { before, after, recut, totals: recutTotals(recut, today.workshop) };
	});
}

export interface PlannedCostume {
	/** Changes whenever the plan may. */
	key: string;
	workshop: Workshop;
	record: CostumeRecord;
	plan: MadePlan;
	/** Names of costumes with earlier events, whose hours are taken first. */
	first: string[];
	/** Those costumes, with their plans. */
	earlier: { record: CostumeRecord; plan: MadePlan }[];
}

const keyOf = () => `${kept?.era} ${kept?.lastChange} ${kept?.now}`;

/** One costume with its plan; an archived one is planned alone. */
export async function plannedCostume(
	db: Database,
	id: number,
	now: LocalMinutes
): Promise<PlannedCostume | null> {
	const planned = await plannedWorkshop(db, now);
	const at = planned.records.findIndex((r) => r.costume.id === id);
	if (at >= 0)
		return {
			key: keyOf(),
			workshop: planned.workshop,
			record: planned.records[at]!,
			plan: planned.plans.get(id)!,
			first: planned.records
				.slice(0, at)
				.filter((r) => planned.plans.get(r.costume.id)!.handsOnLeft[1] > 0)
				.map((r) => r.costume.name),
			earlier: planned.records
				.slice(0, at)
				.map((record) => ({ record, plan: planned.plans.get(record.costume.id)! }))
		};
	const record = await loadRecord(db, id);
	if (!record) return null;
	return {
		key: keyOf(),
		workshop: planned.workshop,
		record,
		plan: planWorkshop([record], planned.workshop, now).get(id)!,
		first: [],
		earlier: []
	};
}
