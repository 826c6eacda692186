import { existsSync } from 'node:fs';
import { mkdir, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { TABLE_NAMES } from '$core/facts/tables.ts';
import { formatLocalTime } from '$core/units/localTime.ts';
import { clock } from './clock.ts';
import { NEWEST_SCHEMA } from './db/migrate.ts';
import { writeDurably } from './db/onDisk.ts';
import type { Database, Executor } from './db/open.ts';
import { one, Refused } from './db/rows.ts';
import { readStored } from './pictures.ts';
import { zipped } from './zip.ts';

/**
 * A backup is the rows of every table as JSON, in one zip, with the pictures. It does not depend on
 * the database's own file format, so it outlives it.
 */
export const FORMAT = 'dapper-ledger-backup';
export const MOST_UNPACKED = 4 * 1024 * 1024 * 1024;
const KEPT = 7;

/** In an order in which rows can be inserted; `action` and `change` are History. */
export const TABLES = ['action', ...TABLE_NAMES, 'change'] as const;

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

/** What stands now is kept as a backup, inside the transaction of what takes its place. Returns its path. */
export const keepBeforeRestore = async (tx: Executor, folder: string): Promise<string> =>
	keepBackup(folder, await backupJson(tx, await readTables(tx)), 'before-restore');

/** After a restore the next automatic backup is made, whatever the numbers of changes say. */
export const forgetMarker = (folder: string): Promise<void> => rm(markerOf(folder), { force: true });

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
	try {
		await writeDurably(path, await zipped({ 'backup.json': json }));
	} catch (error) {
		await rm(path, { force: true });
		throw error;
	}
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
	const made = await keepBackup(db.folder, await backupNow(db), 'at-start');
	await writeFile(marker, last);
	await keepNewest(db, basename(made));
}

/** Automatic backups in the order in which they were made: a clock that ran ahead once names them all too late. */
const orderOf = (folder: string) => join(backupFolder(folder), 'made.txt');

async function keepNewest(db: Database, made: string): Promise<void> {
	const there = (await listBackups(db)).filter((name) => name.includes('-at-start'));
	const order = orderOf(db.folder);
	const told = existsSync(order) ? (await readFile(order, 'utf8')).split('\n') : [];
	const known = told.filter((name) => there.includes(name) && name !== made);
	// Older than the list are those that nobody wrote down, by their names.
	const others = there.filter((name) => name !== made && !known.includes(name)).reverse();
	const all = [...others, ...known, made];
	await writeDurably(order, all.slice(-KEPT).join('\n'));
	for (const name of all.slice(0, -KEPT)) await rm(join(backupFolder(db.folder), name), { force: true });
}
