import type { Database } from './db/open.ts';

/** A fresh data folder gets one maker with usual evenings and weekends, a helper, and a spray place. */
export async function prepareWorkshop(db: Database): Promise<void> {
	const { rows } = await db.query('select 1 from setting');
	if (rows.length > 0) return;
	await db.transaction(async (tx) => {
		// Not in History: undoing it would leave a workshop without settings.
		await tx.query(`select set_config('dapper.action', 'restore', true)`);
		await tx.query('insert into setting (id) values (1)');
		await tx.query(
			`insert into maker (id, position, name, helps_only) values (1, 0, 'Me', false), (2, 1, 'Helper', true)`
		);
		await tx.query(`insert into place (id, name, capacity, for_spray) values (1, 'Spray place', 1, true)`);
		await tx.query(`insert into working_window (maker_id, place_id, days, from_minute, to_minute) values
			(1, null, '{1,2,3,4,5}', 1140, 1320),
			(1, null, '{6,7}', 600, 1080),
			(2, null, '{6,7}', 840, 1080),
			(null, 1, '{1,2,3,4,5,6,7}', 540, 1200)`);
		// Fixed ids were given: the counters have to follow.
		await tx.query(`select setval(pg_get_serial_sequence('maker', 'id'), 2)`);
		await tx.query(`select setval(pg_get_serial_sequence('place', 'id'), 1)`);
	});
}
