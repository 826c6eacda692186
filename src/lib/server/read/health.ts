import { holdings } from '$core/answers/holding.ts';
import { learnHolds, type LearnedHold, type WornCostume } from '$core/answers/holdRates.ts';
import { toInspect, type LookAt } from '$core/answers/inspection.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Inspected, WearLog } from '$core/facts/health.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import { catalogueOf, type Catalogue } from '$core/trade/catalogue.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { selectOfCostumes } from '../db/tables.ts';
import { loadEntered } from './costume.ts';
import { loadWear, loadWeights } from './wear.ts';

export const loadWears = (db: Executor, costumeIds: readonly number[]) =>
	selectOfCostumes<WearLog>(db, 'wear_log', costumeIds, 'wear_log.worn_on desc, wear_log.id desc');

/** What all costumes that were worn tell of what they are held by; this one’s kinds among them. */
export async function loadLearnedHolds(
	db: Executor,
	record: CostumeRecord,
	trade: Catalogue
): Promise<LearnedHold[]> {
	const { id } = record.costume;
	const worn = await all<{ costumeId: number }>(
		db,
		'select distinct costume_id from wear_log where costume_id <> $1 order by costume_id',
		[id]
	);
	const ids = [id, ...worn.map((w) => w.costumeId)];
	const [others, wears, wear] = await Promise.all([
		loadEntered(db, ids.slice(1)),
		loadWears(db, ids),
		Promise.all(ids.map((its) => loadWear(db, its)))
	]);
	const records = new Map([record, ...others].map((r) => [r.costume.id, r]));
	return learnHolds(
		ids.map((its, i): WornCostume => ({
			record: records.get(its)!,
			wear: wear[i]!,
			wears: wears.filter((w) => w.costumeId === its)
		})),
		trade
	);
}

/** What to look at before it is worn again. */
export async function loadInspection(
	db: Executor,
	record: CostumeRecord,
	workshop: Workshop
): Promise<LookAt[]> {
	const trade = catalogueOf(workshop.handbook);
	const { id } = record.costume;
	const [{ wear, weights }, learned, wears, inspected] = await Promise.all([
		loadWeights(db, record, workshop),
		loadLearnedHolds(db, record, trade),
		loadWears(db, [id]),
		selectOfCostumes<Inspected>(db, 'inspected', [id])
	]);
	const held = holdings(record.components, wear, weights, workshop.settings.loadFactors, trade);
	return toInspect(record, wear, { held, learned, wears, inspected }, trade);
}
