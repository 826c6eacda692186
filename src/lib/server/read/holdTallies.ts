import { tallyHolds } from '$core/answers/holdRates.ts';
import type { HoldTally, WearLog } from '$core/facts/health.ts';
import type { Catalogue } from '$core/trade/catalogue.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { selectOfCostumes } from '../db/tables.ts';
import { loadEntered } from './costume.ts';
import { loadWear } from './wear.ts';

export const loadWears = (db: Executor, costumeIds: readonly number[]) =>
	selectOfCostumes<WearLog>(db, 'wear_log', costumeIds, 'wear_log.worn_on desc, wear_log.id desc');

/** Costumes that were worn, those put away too. */
export const loadWorn = async (db: Executor): Promise<number[]> =>
	(await all<{ costumeId: number }>(db, 'select distinct costume_id from wear_log order by costume_id')).map(
		(w) => w.costumeId
	);

/** What wears of these costumes tell of how long things hold, by costume. */
export async function loadHoldTallies(
	db: Executor,
	trade: Catalogue,
	costumeIds: readonly number[]
): Promise<Map<number, HoldTally[]>> {
	if (!costumeIds.length) return new Map();
	const [records, wears, worn] = await Promise.all([
		loadEntered(db, costumeIds),
		loadWears(db, costumeIds),
		Promise.all(costumeIds.map((id) => loadWear(db, id)))
	]);
	const wearOf = new Map(costumeIds.map((id, i) => [id, worn[i]!]));
	return new Map(
		records.map((record) => {
			const { id } = record.costume;
			const its = { record, wear: wearOf.get(id)!, wears: wears.filter((w) => w.costumeId === id) };
			return [id, tallyHolds(its, trade)];
		})
	);
}
