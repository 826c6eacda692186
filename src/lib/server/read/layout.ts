import type { Offcut } from '$core/layout/offcut.ts';
import { useOfPlan, type KeptLayout } from '$core/layout/plan.ts';
import type { StockUse } from '$core/layout/stock.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';

export const loadOffcuts = (db: Executor): Promise<Offcut[]> =>
	all<Offcut>(db, 'select id, material_id, name, outline, flaws, note, version from offcut order by id');

/** The layouts of a costume that are kept, the newest first. */
export const loadLayouts = (db: Executor, costumeId: number): Promise<KeptLayout[]> =>
	all<KeptLayout>(
		db,
		`select id, costume_id, material_id, name, plan, kept_at, cut_at, from_stash, version
		from layout where costume_id = $1 order by kept_at desc, id desc`,
		[costumeId]
	);

/** A layout as a line of a list. */
export type LayoutLine = Omit<KeptLayout, 'plan'> & { use: StockUse; offcuts: number };
export const lineOf = ({ plan, ...own }: KeptLayout): LayoutLine => ({
	...own,
	use: useOfPlan(plan),
	offcuts: plan.stock.sheets.length
});
