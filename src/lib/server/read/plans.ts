import { planWorkshop, type CostumePlan } from '$core/costume/costumePlan.ts';
import type { CostumeRecord, Workshop } from '$core/costume/record.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import { one } from '../db/rows.ts';
import type { Database } from '../db/open.ts';
import { costumeIds, loadRecord, loadRecords } from './costume.ts';
import { loadWorkshop } from './workshop.ts';

export interface Planned {
	workshop: Workshop;
	records: CostumeRecord[];
	plans: Map<number, CostumePlan>;
}

interface Kept extends Planned {
	db: Database;
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
	if (kept && kept.db === db && kept.lastChange === lastChange && kept.now === start) return kept;
	const [workshop, records] = await Promise.all([
		loadWorkshop(db),
		costumeIds(db, false).then((ids) => loadRecords(db, ids))
	]);
	const before = kept?.db === db ? kept : null;
	const madeFrom = new Map<number, string>();
	const shared = JSON.stringify([workshop, start]);
	const plans = planWorkshop(records, workshop, start, (record, taken) => {
		const from = `${shared}${JSON.stringify(record)}${JSON.stringify([...taken])}`;
		madeFrom.set(record.costume.id, from);
		return before?.madeFrom.get(record.costume.id) === from ? before.plans.get(record.costume.id) : undefined;
	});
	kept = { db, lastChange, now: start, workshop, records, plans, madeFrom };
	return kept;
}

export interface PlannedCostume {
	workshop: Workshop;
	record: CostumeRecord;
	plan: CostumePlan;
	/** Names of costumes with earlier events, whose hours are taken first. */
	first: string[];
	/** Those costumes, with their plans. */
	earlier: { record: CostumeRecord; plan: CostumePlan }[];
}

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
		workshop: planned.workshop,
		record,
		plan: planWorkshop([record], planned.workshop, now).get(id)!,
		first: [],
		earlier: []
	};
}
