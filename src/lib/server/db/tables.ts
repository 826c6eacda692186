import {
	columnsOfTable,
	storedName,
	TABLES,
	type Column,
	type ColumnOf,
	type TableName
} from '$core/facts/tables.ts';
import { formatDate, formatLocalTime } from '$core/units/localTime.ts';
import { readDay, readTime, type Executor } from './open.ts';
import { deepFrozen } from './remembered.ts';
import { Absent, all, one, Stale } from './rows.ts';

/**
 * SQL that follows from the description of a table. Its names come from there alone, never from what was sent; values
 * are parameters, as everywhere.
 */

/** A row by the names of its facts. Lengths are mm; times and dates may be local minutes and days, or text. */
export type Values<T extends TableName> = Partial<Record<ColumnOf<T>, unknown>>;

const inSql = (key: string, column: Column) => `"${storedName(key, column)}"`;

/** The columns of a row for a select, with its id and version, under the names of their facts. */
function columnsOf(table: TableName): string {
	const own = Object.entries(columnsOfTable(table)).map(
		([key, column]) => `${table}.${inSql(key, column)} as "${key}"`
	);
	return [`${table}.id`, ...own, `${table}.version`].join(', ');
}

/** What was read from an answer that is still remembered: facts stay the same objects, with all that was worked out from them. */
const factsOf = new WeakMap<object, readonly unknown[]>();

/**
 * Rows of a table as one text: to be sent every value by itself takes twice as long.
 * @param sql selects columns under the names of their facts
 */
async function rowsAsText<T>(
	db: Executor,
	table: TableName,
	sql: string,
	params: readonly unknown[]
): Promise<T[]> {
	const { rows: sent } = await db.query<{ rows: string }>(
		`select coalesce(json_agg(r), '[]')::text as rows from (${sql}) r`,
		[...params]
	);
	const known = factsOf.get(sent);
	if (known) return known as T[];
	const rows = JSON.parse(sent[0]!.rows) as Record<string, unknown>[];
	for (const [key, { kind }] of Object.entries(columnsOfTable(table))) {
		const read = kind === 'time' ? readTime : kind === 'date' ? readDay : null;
		if (read) for (const row of rows) if (row[key] !== null) row[key] = read(row[key] as string);
	}
	// Only what is remembered is frozen, and comes again.
	if (Object.isFrozen(sent)) factsOf.set(sent, deepFrozen(rows));
	return rows as T[];
}

/**
 * The rows of a table: all, or those with these ids.
 * @param order as in SQL
 */
export const select = <T>(
	db: Executor,
	table: TableName,
	order = 'id',
	ids: readonly number[] | null = null
): Promise<T[]> =>
	rowsAsText<T>(
		db,
		table,
		`select ${columnsOf(table)} from ${table} where $1::integer[] is null or id = any($1) order by ${order}`,
		[ids]
	);

/** The tables by whose links a row hangs on its costume, the next one first. */
function upToCostume(table: TableName): { table: TableName; by: string }[] {
	const links = Object.entries(columnsOfTable(table));
	if (links.some(([, column]) => column.to === 'costume')) return [];
	const [key, column] = links.find(([, column]) => column.to)!;
	const next = column.to as TableName;
	return [{ table: next, by: `${table}.${inSql(key, column)}` }, ...upToCostume(next)];
}

/**
 * The rows of these costumes, each with the costume that it hangs on.
 * @param order as in SQL; the tables between a row and its costume may be named
 */
export function selectOfCostumes<T>(
	db: Executor,
	table: TableName,
	costumeIds: readonly number[],
	order = `${table}.id`
): Promise<(T & { costumeId: number })[]> {
	const between = upToCostume(table);
	const last = between.at(-1)?.table ?? table;
	return rowsAsText(
		db,
		table,
		`select ${columnsOf(table)}, ${last}.costume_id as "costumeId" from ${table}
		${between.map(({ table, by }) => `join ${table} on ${table}.id = ${by}`).join(' ')}
		where ${last}.costume_id = any($1) order by ${order}`,
		[costumeIds]
	);
}

/** A value as the database takes it. */
function storedValue({ kind }: Column, value: unknown): unknown {
	if (kind === 'time' && typeof value === 'number') return formatLocalTime(value);
	if (kind === 'date' && typeof value === 'number') return formatDate(value);
	if (kind === 'points' && Array.isArray(value)) return value.flat();
	return value;
}

/** @throws TypeError at a name that the table does not have, and at a value that was forgotten */
function storedRow(table: TableName, values: Readonly<Record<string, unknown>>): Record<string, unknown> {
	const columns = columnsOfTable(table);
	return Object.fromEntries(
		Object.entries(values).flatMap(([key, value]): [string, unknown][] => {
			// A row's own, in what was read or sent.
			if (key === 'id' || key === 'version') return [];
			const column = columns[key];
			// Read with every row; most hang on their costume by another one.
			if (!column && key === 'costumeId') return [];
			if (!column) throw new TypeError(`${table} has no column “${key}”`);
			if (value === undefined) throw new TypeError(`${table}.${key} is undefined`);
			return [[storedName(key, column), storedValue(column, value)]];
		})
	);
}

const listOf = (row: Record<string, unknown>) =>
	Object.keys(row)
		.map((name) => `"${name}"`)
		.join(', ');

/**
 * Puts rows in, all with the same columns. One that is there already is passed over if `unlessThere`.
 * @returns their ids, in the order of the rows
 */
export async function insertAll<T extends TableName>(
	tx: Executor,
	table: T,
	rows: readonly Values<T>[],
	{ unlessThere = false } = {}
): Promise<number[]> {
	if (rows.length === 0) return [];
	const stored = rows.map((row) => storedRow(table, row));
	const names = listOf(stored[0]!);
	const made = await all<{ id: number }>(
		tx,
		`insert into ${table} (${names}) select ${names} from jsonb_populate_recordset(null::${table}, $1)
		${unlessThere ? 'on conflict do nothing' : ''} returning id`,
		[JSON.stringify(stored)]
	);
	return made.map((row) => row.id);
}

/** Puts one row in; returns its id. */
export const insert = async <T extends TableName>(tx: Executor, table: T, row: Values<T>): Promise<number> =>
	(await insertAll(tx, table, [row]))[0]!;

/**
 * Writes columns of a row that was shown in this version.
 * @throws Stale when it was written since; Absent when it is gone
 */
export async function update<T extends TableName>(
	tx: Executor,
	table: T,
	{ id, version }: { id: number; version: number },
	values: Values<T>
): Promise<void> {
	const row = storedRow(table, values);
	const rows = await all<{ id: number }>(
		tx,
		`update ${table} set (${listOf(row)}) = (select ${listOf(row)} from jsonb_populate_record(null::${table}, $3))
		where id = $1 and version = $2 returning id`,
		[id, version, JSON.stringify(row)]
	);
	if (rows.length > 0) return;
	const now = await one<{ row: Record<string, unknown> | null }>(tx, 'select current_row($1, $2) as row', [
		table,
		id
	]);
	if (!now?.row) throw new Absent(TABLES[table].word);
	throw new Stale(TABLES[table].word, now.row);
}

/** Writes the same columns of many rows, each with its own values, whatever their versions. */
export async function setAll<T extends TableName>(
	tx: Executor,
	table: T,
	rows: readonly { id: number; values: Values<T> }[]
): Promise<void> {
	if (rows.length === 0) return;
	const stored = rows.map(({ id, values }) => ({ id, ...storedRow(table, values) }));
	const { id: _, ...row } = stored[0]!;
	const names = Object.keys(row).map((name) => `"${name}"`);
	await tx.query(
		`update ${table} t set ${names.map((n) => `${n} = r.${n}`).join(', ')}
		from jsonb_populate_recordset(null::${table}, $1) r where t.id = r.id`,
		[JSON.stringify(stored)]
	);
}

/** Writes columns of a row, whatever its version. */
export async function set<T extends TableName>(
	tx: Executor,
	table: T,
	id: number,
	values: Values<T>
): Promise<void> {
	const row = storedRow(table, values);
	await tx.query(
		`update ${table} set (${listOf(row)}) = (select ${listOf(row)} from jsonb_populate_record(null::${table}, $2))
		where id = $1`,
		[id, JSON.stringify(row)]
	);
}

/** Reads what changes of a table hold as its rows: it fails where one of them is none. Of all changes, or of these. */
export async function readChanges(
	tx: Executor,
	table: TableName,
	ids: readonly number[] | null
): Promise<void> {
	await tx.query(
		`select count(jsonb_populate_record(null::${table}, before)), count(jsonb_populate_record(null::${table}, after))
		from change where table_name = $1 and ($2::integer[] is null or id = any($2))`,
		[table, ids]
	);
}
