import { describeChange, type Change, type Version } from '$core/answers/describeChange.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';

const MOST = 50;

/** How a row came to be as it is, newest first. */
export async function versionsOf(db: Executor, table: string, rowId: number): Promise<Version[]> {
	const rows = await all<Change & { actionId: number; at: LocalMinutes; words: string; currency: string }>(
		db,
		`select c.action_id, a.at, a.words, c.table_name, c.row_id, c.before, c.after,
			coalesce(k.currency, s.currency) as currency
		from change c join action a on a.id = c.action_id join setting s on s.id = 1
			left join costume k on k.id = a.costume_id
		where c.table_name = $1 and c.row_id = $2 order by c.id desc limit $3`,
		[table, rowId, MOST]
	);
	return rows.map((r) => ({
		actionId: r.actionId,
		at: r.at,
		words: r.words,
		fields: describeChange(r, r.currency).fields,
		note: String(r.after?.note ?? '')
	}));
}
