import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { TABLE_NAMES } from '$core/facts/tables.ts';
import { formatLocalTime } from '$core/units/localTime.ts';
import { clock } from './clock.ts';
import { NEWEST_SCHEMA } from './db/migrate.ts';
import type { Database, Executor } from './db/open.ts';
import { one, Refused } from './db/rows.ts';
import { readStored, storeFile } from './pictures.ts';
import { unzip, zipped } from './zip.ts';

/**
 * A backup is the rows of every table as JSON, in one zip, with the pictures. It does not depend on
 * the database's own file format, so it outlives it.
 */
const FORMAT = 'dapper-ledger-backup';
const MOST_UNPACKED = 4 * 1024 * 1024 * 1024;
const KEPT = 7;

/** In an order in which rows can be inserted; `action` and `change` are History. */
const TABLES = ['action', ...TABLE_NAMES, 'change'] as const;

const backupFile = z.strictObject({
	format: z.literal(FORMAT),
	schema: z.number().int().positive(),
	at: z.string(),
	tables: z.partialRecord(z.enum(TABLES), z.array(z.record(z.string(), z.unknown())))
});

/** So many rows of History are read at once, and so long is waited then: pages are answered in between. */
const SLICE = 1000;
const PAUSE_MS = 30;
/** Tables that only grow: what they held at one moment can be read after it, piece by piece. */
const HISTORY = ['action', 'change'] as const;

/** A table's rows as the database writes them: they are read by nobody on the way. */
const rowsOf = async (db: Executor, table: string): Promise<string> =>
	(await one<{ rows: string }>(db, 'select rows_of($1)::text as rows', [table]))!.rows;

/** All tables but History, at one moment, and how far History went then. */
async function readTables(tx: Executor): Promise<{ parts: string[]; newest: Record<string, number> }> {
	const parts: string[] = [];
	for (const table of TABLES)
		if (!HISTORY.some((h) => h === table)) parts.push(`${JSON.stringify(table)}:${await rowsOf(tx, table)}`);
	const newest = await one<Record<string, number>>(
		tx,
		`select (select coalesce(max(id), 0) from action) as action, (select coalesce(max(id), 0) from change) as change`
	);
	return { parts, newest: newest! };
}

const SLICES: Record<(typeof HISTORY)[number], string> = {
	action: `select max(id) as last, string_agg(to_jsonb(r)::text, ',' order by id) as rows
		from (select * from action where id > $1 and id <= $2 order by id limit $3) r`,
	change: `select max(id) as last, string_agg(to_jsonb(r)::text, ',' order by id) as rows
		from (select * from change where id > $1 and id <= $2 order by id limit $3) r`
};

async function* historyUpTo(
	db: Executor,
	table: (typeof HISTORY)[number],
	newest: number
): AsyncGenerator<string> {
	for (let after = 0, first = true; after < newest; first = false) {
		const slice = (await one<{ last: number | null; rows: string | null }>(db, SLICES[table], [
			after,
			newest,
			SLICE
		]))!;
		if (slice.last === null) return;
		yield `${first ? '' : ','}${slice.rows}`;
		after = slice.last;
		await new Promise((done) => setTimeout(done, PAUSE_MS));
	}
}

async function backupJson(
	db: Executor,
	{ parts, newest }: Awaited<ReturnType<typeof readTables>>
): Promise<Uint8Array> {
	const head = JSON.stringify({ format: FORMAT, schema: NEWEST_SCHEMA, at: formatLocalTime(clock()) });
	const chunks = [Buffer.from(`${head.slice(0, -1)},"tables":{${parts.join(',')}`)];
	for (const table of HISTORY) {
		chunks.push(Buffer.from(`,${JSON.stringify(table)}:[`));
		for await (const rows of historyUpTo(db, table, newest[table]!)) chunks.push(Buffer.from(rows));
		chunks.push(Buffer.from(']'));
	}
	chunks.push(Buffer.from('}}'));
	return Buffer.concat(chunks);
}

/** As everything stands, while pages go on being answered. A restore meanwhile would mix two pasts: then it is begun anew. */
async function backupNow(db: Database): Promise<Uint8Array> {
	const { era } = db;
	const json = await backupJson(db, await db.transaction(readTables));
	return db.era === era ? json : backupNow(db);
}

/** Everything in one file: rows, History and pictures. */
export async function writeBackup(db: Database): Promise<Uint8Array> {
	const json = await backupNow(db);
	const entries: Record<string, Uint8Array> = { 'backup.json': json };
	for (const name of await readdir(join(db.folder, 'files')))
		if (/^[0-9a-f]{64}$/.test(name)) entries[`files/${name}`] = await readStored(db.folder, name);
	return zipped(entries);
}

/** Puts a backup in place of all data, in one transaction. What was there is backed up first. */
export async function restoreBackup(db: Database, data: Uint8Array): Promise<void> {
	const entries = unzip(data, MOST_UNPACKED, MOST_UNPACKED);
	const text = entries['backup.json'];
	if (!text) throw new Refused('This is not a backup of Dapper Ledger.', 'file');
	let json: unknown;
	try {
		json = JSON.parse(Buffer.from(text).toString('utf8'));
	} catch {
		throw new Refused('The backup is cut off or not JSON.', 'file');
	}
	if ((json as { schema?: number }).schema! > NEWEST_SCHEMA)
		throw new Refused('The backup was written by a newer Dapper Ledger. Start the newer one.', 'file');
	const read = backupFile.safeParse(json);
	if (!read.success)
		throw new Refused('The backup has a wrong field: ' + read.error.issues[0]!.path.join('.'), 'file');
	for (const [name, bytes] of Object.entries(entries)) {
		const hash = /^files\/([0-9a-f]{64})$/.exec(name)?.[1];
		if (!hash) continue;
		if (createHash('sha256').update(bytes).digest('hex') !== hash)
			throw new Refused('A picture in the backup is damaged.', 'file');
		await storeFile(db.folder, bytes);
	}
	try {
		await db.transaction(async (tx) => {
			// In the same transaction: nothing is written between the copy and what takes its place.
			await keepBackup(db.folder, await backupJson(tx, await readTables(tx)), 'before-restore');
			await tx.query(`select set_config('dapper.action', 'restore', true)`);
			await tx.query('set constraints all deferred');
			for (const table of [...TABLES].reverse()) await tx.query('select empty_table($1)', [table]);
			for (const table of TABLES)
				await tx.query('select fill_table($1, $2)', [table, JSON.stringify(read.data.tables[table] ?? [])]);
			if (read.data.schema < 10) await tx.query('select bring_up_to_10()');
			if (read.data.schema < 11) await tx.query('select bring_up_to_11()');
			if (read.data.schema < 12) await tx.query('select bring_up_to_12()');
			// An action that was taken back while the backup was written stands in it: what took it back is not there.
			await tx.query('select reckon_stands()');
			await tx.query('delete from revision');
		});
		db.beginEra();
		await rm(markerOf(db.folder), { force: true });
	} catch (error) {
		if (/^2[23]/.test(String((error as { code?: unknown }).code ?? '')))
			throw new Refused('The backup holds rows that do not fit together. Nothing was changed.', 'file');
		throw error;
	}
}

/** Holds the newest change that a backup at start has. */
const markerOf = (folder: string) => join(backupFolder(folder), 'last-change.txt');
const backupFolder = (folder: string) => join(folder, 'backups');
const ENDING = '.dapper-backup.zip';
const isBackup = (name: string) => name.endsWith(ENDING);

/**
 * Into the data folder, rows only: pictures there are never overwritten or deleted. Nor is a backup: the second of a
 * minute has a number.
 */
async function keepBackup(dataFolder: string, json: Uint8Array, tag: string): Promise<string> {
	const folder = backupFolder(dataFolder);
	await mkdir(folder, { recursive: true });
	const stamp = formatLocalTime(clock()).replace(':', '-');
	let path: string;
	for (let n = 1; ; n++) {
		path = join(folder, `${stamp}-${tag}${n > 1 ? `-${n}` : ''}${ENDING}`);
		if (await nameIsFree(path)) break;
	}
	await writeFile(`${path}.half`, await zipped({ 'backup.json': json }));
	await rename(`${path}.half`, path);
	return path;
}

/** Takes a name for a file that is to come, unless it is taken. */
const nameIsFree = (path: string): Promise<boolean> =>
	writeFile(path, '', { flag: 'wx' }).then(
		() => true,
		(error: NodeJS.ErrnoException) => {
			if (error.code === 'EEXIST') return false;
			throw error;
		}
	);

/** The newest first. */
export async function listBackups(db: Database): Promise<string[]> {
	if (!existsSync(backupFolder(db.folder))) return [];
	const names = (await readdir(backupFolder(db.folder))).filter(isBackup);
	const newest = (a: string, b: string) => (a.slice(0, -ENDING.length) < b.slice(0, -ENDING.length) ? 1 : -1);
	return names.sort(newest);
}

export const readBackup = (db: Database, name: string): Promise<Buffer> => {
	if (!isBackup(name) || /[/\\]/.test(name)) throw new Refused('There is no such backup.');
	return readFile(join(backupFolder(db.folder), name));
};

/** At start, when anything changed since the last: the newest seven of these are kept, and every one before a restore. */
export async function automaticBackup(db: Database): Promise<void> {
	const marker = markerOf(db.folder);
	const last = String((await one<{ id: number }>(db, 'select coalesce(max(id), 0) as id from change'))!.id);
	const before = existsSync(marker) ? await readFile(marker, 'utf8') : '';
	if (before === last) return;
	await keepBackup(db.folder, await backupNow(db), 'at-start');
	await writeFile(marker, last);
	const ours = (await listBackups(db)).filter((name) => name.includes('-at-start'));
	for (const name of ours.slice(KEPT)) await rm(join(backupFolder(db.folder), name), { force: true });
}
