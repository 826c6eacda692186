import type { PGlite } from '@electric-sql/pglite';
import { isOfCostume, linksWithin, TABLE_NAMES, type TableName } from '$core/facts/tables.ts';
import start from './migrations/001_start.sql?raw';
import lookAndMeasure from './migrations/002_look_and_measure.sql?raw';
import pattern from './migrations/003_pattern.sql?raw';
import pieces from './migrations/004_pieces.sql?raw';
import printer from './migrations/005_printer.sql?raw';
import layout from './migrations/006_layout.sql?raw';
import plan from './migrations/007_plan.sql?raw';
import weather from './migrations/008_weather.sql?raw';
import nothingLost from './migrations/009_nothing_lost.sql?raw';
import house from './migrations/010_house.sql?raw';
import shop from './migrations/011_shop.sql?raw';
import trueJoints from './migrations/012_true_joints.sql?raw';
import trueShapes from './migrations/013_true_shapes.sql?raw';
import heldTogether from './migrations/014_held_together.sql?raw';
import buy from './migrations/015_buy.sql?raw';
import needs from './migrations/016_needs.sql?raw';
import quote from './migrations/017_quote.sql?raw';
import orders from './migrations/018_orders.sql?raw';
import lots from './migrations/019_lots.sql?raw';
import open from './migrations/020_open.sql?raw';
import joint from './migrations/021_joint.sql?raw';
import colour from './migrations/022_colour.sql?raw';
import finish from './migrations/023_finish.sql?raw';
import swatch from './migrations/024_swatch.sql?raw';
import air from './migrations/025_air.sql?raw';
import wear from './migrations/026_wear.sql?raw';
import travel from './migrations/027_travel.sql?raw';
import variant from './migrations/028_variant.sql?raw';
import health from './migrations/029_health.sql?raw';
import care from './migrations/030_care.sql?raw';
import firstHour from './migrations/031_first_hour.sql?raw';
import panels from './migrations/032_panels.sql?raw';
import assembled from './migrations/033_assembled.sql?raw';

/** In order; never edited once landed. */
const MIGRATIONS: readonly { id: number; name: string; sql: string }[] = [
	{ id: 1, name: 'start', sql: start },
	{ id: 2, name: 'look and measure', sql: lookAndMeasure },
	{ id: 3, name: 'pattern', sql: pattern },
	{ id: 4, name: 'pieces', sql: pieces },
	{ id: 5, name: 'printer', sql: printer },
	{ id: 6, name: 'layout', sql: layout },
	{ id: 7, name: 'plan', sql: plan },
	{ id: 8, name: 'weather', sql: weather },
	{ id: 9, name: 'nothing lost', sql: nothingLost },
	{ id: 10, name: 'house', sql: house },
	{ id: 11, name: 'shop', sql: shop },
	{ id: 12, name: 'true joints', sql: trueJoints },
	{ id: 13, name: 'true shapes', sql: trueShapes },
	{ id: 14, name: 'held together', sql: heldTogether },
	{ id: 15, name: 'buy', sql: buy },
	{ id: 16, name: 'needs', sql: needs },
	{ id: 17, name: 'quote', sql: quote },
	{ id: 18, name: 'orders', sql: orders },
	{ id: 19, name: 'lots', sql: lots },
	{ id: 20, name: 'open', sql: open },
	{ id: 21, name: 'joint', sql: joint },
	{ id: 22, name: 'colour', sql: colour },
	{ id: 23, name: 'finish', sql: finish },
	{ id: 24, name: 'swatch', sql: swatch },
	{ id: 25, name: 'air', sql: air },
	{ id: 26, name: 'wear', sql: wear },
	{ id: 27, name: 'travel', sql: travel },
	{ id: 28, name: 'variant', sql: variant },
	{ id: 29, name: 'health', sql: health },
	{ id: 30, name: 'care', sql: care },
	{ id: 31, name: 'first hour', sql: firstHour },
	{ id: 32, name: 'panels', sql: panels },
	{ id: 33, name: 'assembled', sql: assembled }
];

export const NEWEST_SCHEMA = MIGRATIONS[MIGRATIONS.length - 1]!.id;

/** A data folder written by a newer version cannot be read by this one. */
export class NewerData extends Error {
	constructor(found: number) {
		super(
			`This data was written by a newer Dapper Ledger (tables of version ${found}, this one knows ${NEWEST_SCHEMA}). Start the newer one.`
		);
	}
}

/**
 * Brings the tables up to date, each migration in one transaction.
 * @param upTo an earlier version, for tests of data of then
 */
export async function migrate(pg: PGlite, upTo = NEWEST_SCHEMA): Promise<void> {
	await pg.exec(`create table if not exists migration (
		id integer primary key, name text not null, at timestamp not null default localtimestamp)`);
	const { rows } = await pg.query<{ newest: number | null }>('select max(id) as newest from migration');
	const newest = rows[0]?.newest ?? 0;
	if (newest > NEWEST_SCHEMA) throw new NewerData(newest);
	const missing = MIGRATIONS.filter((m) => m.id > newest && m.id <= upTo);
	for (const migration of missing)
		await pg.transaction(async (tx) => {
			// What a migration puts right in rows that are there is no maker's doing: it is not in History.
			await tx.query(`select set_config('dapper.action', 'restore', true)`);
			await tx.exec(migration.sql);
			await tx.query('insert into migration (id, name) values ($1, $2)', [migration.id, migration.name]);
		});
	if (missing.length) await watch(pg);
}

/** Every table that is described has its changes recorded and its versions counted. */
async function watch(pg: PGlite): Promise<void> {
	const { rows } = await pg.query<{ name: TableName; columns: string[] }>(
		`select relname as name, array_agg(attname::text) as columns from pg_class join pg_attribute on attrelid = pg_class.oid
		where relkind = $1 and relname = any($2) group by relname`,
		['r', TABLE_NAMES]
	);
	for (const { name } of rows)
		await pg.exec(`create or replace trigger record_change after insert or update or delete on ${name}
			for each row execute function record_change();
			create or replace trigger count_version before update on ${name} for each row execute function count_version();`);
	const { rows: guard } = await pg.query(`select 1 from pg_proc where proname = 'hold_to_costume'`);
	if (guard.length === 0) return;
	for (const { name, columns } of rows) {
		// An earlier version has not all of them.
		const links = isOfCostume(name) ? linksWithin(name).filter((l) => columns.includes(l.column)) : [];
		if (links.length === 0) continue;
		const told = links.flatMap(({ column, table }) => [column, table]).map((word) => `'${word}'`);
		await pg.exec(`drop trigger if exists hold_to_costume on ${name};
			create constraint trigger hold_to_costume after insert or update of ${links.map((l) => l.column).join(', ')} on ${name}
			deferrable initially immediate for each row execute function hold_to_costume(${told.join(', ')});`);
	}
}
