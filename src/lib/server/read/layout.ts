import type { Offcut } from '$core/facts/offcut.ts';
import { useOfPlan } from '$core/engines/layout/cutSheets.ts';
import type { KeptLayout } from '$core/facts/layout.ts';
import type { StockUse } from '$core/facts/layout.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import type { MeasureRecord } from '$core/facts/measureRecord.ts';
import { cutAt, recutNow, recutTotals, type RecutPiece, type RecutTotals } from '$core/answers/recut.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';
import { select, selectOfCostumes } from '../db/tables.ts';

export const loadOffcuts = (db: Executor): Promise<Offcut[]> => select(db, 'offcut');

/** The layouts of a costume that are kept, the newest first. */
export const loadLayouts = (db: Executor, costumeId: number): Promise<KeptLayout[]> =>
	selectOfCostumes(db, 'layout', [costumeId], 'kept_at desc, id desc');

/** A layout as a line of a list. */
export type LayoutLine = Omit<KeptLayout, 'plan'> & { use: StockUse; offcuts: number };
export const lineOf = ({ plan, ...its }: KeptLayout): LayoutLine => ({
	...its,
	use: useOfPlan(plan),
	offcuts: plan.stock.sheets.length
});

/** When layouts of a costume were cut, and what of. */
export const cutLayouts = (
	db: Executor,
	costumeId: number
): Promise<{ cutAt: LocalMinutes; materialId: number; componentIds: number[] }[]> =>
	all(
		db,
		`select cut_at, material_id, array(select distinct (p ->> 'componentId')::integer from jsonb_array_elements(plan -> 'pieces') p)
			as component_ids
		from layout where costume_id = $1 and cut_at is not null`,
		[costumeId]
	);

/** Pieces of a costume that were cut by measures that hold no longer, and what cutting them anew takes. */
export async function loadRecut(
	db: Executor,
	record: CostumeRecord,
	workshop: Workshop,
	fit: MeasureRecord
): Promise<{ pieces: RecutPiece[]; totals: RecutTotals }> {
	const pieces = recutNow(
		record,
		cutAt(record, await cutLayouts(db, record.costume.id), workshop.materials),
		{
			...fit,
			materials: workshop.materials
		}
	);
	return { pieces, totals: recutTotals(pieces, workshop) };
}
