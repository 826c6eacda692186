import { createHash, randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { z } from 'zod';
import { ShopPlan, type ToPlan } from '$core/answers/shopPlan.ts';
import { offcutOutline } from '$core/engines/layout/offcut.ts';
import { columnsOfTable, TABLE_NAMES, TABLES as DESCRIBED, type TableName } from '$core/facts/tables.ts';
import { readCostumeFile } from '$core/formats/costumeFile/read.ts';
import { HANDBOOK_ROWS } from '$core/trade/handbookRow.ts';
import { FORMAT, forgetMarker, keepBeforeRestore, MOST_UNPACKED, TABLES } from './backup.ts';
import { clock } from './clock.ts';
import { costumeFileOf } from './costumeFile.ts';
import { NEWEST_SCHEMA } from './db/migrate.ts';
import type { Database, Executor } from './db/open.ts';
import { all, one, Refused } from './db/rows.ts';
import { readChanges, select } from './db/tables.ts';
import { jsonOfFile } from './json.ts';
import { filePath, storeFile } from './pictures.ts';
import { loadRecords } from './read/costume.ts';
import { loadOffcuts } from './read/layout.ts';
import { loadWorkshop } from './read/workshop.ts';
import { unzip } from './zip.ts';

const backupFile = z.strictObject({
	format: z.literal(FORMAT),
	schema: z.number().int().positive(),
	at: z.string(),
	tables: z.partialRecord(z.enum(TABLES), z.array(z.record(z.string(), z.unknown())))
});
type Backup = z.infer<typeof backupFile>;

/** What of a backup does not hold, and where. */
class DoesNotHold extends Refused {
	constructor(where: string, why: string) {
		super(`The backup does not hold: ${where}: ${why.replace(/\.$/, '')}. Nothing was changed.`, 'file');
	}
}

/**
 * Puts a backup in place of all data, in one transaction, in which it is tried out first: schema and links of every row, then what
 * every page reads. What was there is backed up.
 * @param its pictures: whether they have to be in it, where they are not here already. Those kept in the data folder are rows alone.
 * @throws Refused with the table and the row; then all is as before
 */
export async function restoreBackup(
	db: Database,
	data: Uint8Array,
	its: { pictures: boolean } = { pictures: true }
): Promise<void> {
	db.room();
	const entries = unzip(data, MOST_UNPACKED, MOST_UNPACKED);
	const backup = readBackupJson(entries['backup.json']);
	const life = randomUUID();
	// All of it in the transaction: nothing is written between the copy and what takes its place, and of two restores at once
	// neither takes away a file that the other counts on.
	await db.transaction(async (tx) => {
		/** Files that are of no use when nothing comes of it. */
		const made: string[] = [];
		try {
			await bringPictures(db.folder, entries, made);
			made.push(await keepBeforeRestore(tx, db.folder));
			await tx.query(`select set_config('dapper.action', 'restore', true)`);
			await putIn(tx, backup);
			await tryRows(tx);
			await tryReading(tx);
			if (its.pictures) await tryPictures(tx, db.folder);
			await tx.query('delete from revision');
			await tx.query('update life set id = $1', [life]);
		} catch (error) {
			for (const path of made) await rm(path, { force: true });
			throw error;
		}
	});
	db.beginEra(life);
	await forgetMarker(db.folder);
}

function readBackupJson(text: Uint8Array | undefined): Backup {
	if (!text) throw new Refused('This is not a backup of Dapper Ledger.', 'file');
	const json = jsonOfFile(text, 'The backup is cut off or not JSON.');
	if (Number((json as { schema?: unknown } | null)?.schema) > NEWEST_SCHEMA)
		throw new Refused('The backup was written by a newer Dapper Ledger. Start the newer one.', 'file');
	const read = backupFile.safeParse(json);
	if (!read.success)
		throw new Refused('The backup has a wrong field: ' + read.error.issues[0]!.path.join('.'), 'file');
	return read.data;
}

/** @param made grows by the files that were not there before */
async function bringPictures(
	folder: string,
	entries: Record<string, Uint8Array>,
	made: string[]
): Promise<void> {
	for (const [name, bytes] of Object.entries(entries)) {
		const hash = /^files\/([0-9a-f]{64})$/.exec(name)?.[1];
		if (!hash) continue;
		if (createHash('sha256').update(bytes).digest('hex') !== hash)
			throw new Refused('A picture in the backup is damaged.', 'file');
		if (!existsSync(filePath(folder, hash))) made.push(filePath(folder, hash));
		await storeFile(folder, bytes);
	}
}

const wordOf = (table: string) => DESCRIBED[table as TableName]?.word ?? table;

/** What the database says of rows that it does not take: a value that is none, a link to nothing. */
const isOfData = (error: unknown): error is Error & { detail?: string; table?: string } =>
	/^(2[23]|P0001)/.test(String((error as { code?: unknown } | null)?.code ?? ''));
const told = (error: Error & { detail?: string }) =>
	[error.message, error.detail].filter(Boolean).join(' — ');

/** Does it, and takes it back alone where it does not succeed. */
async function within<T>(tx: Executor, work: () => Promise<T>): Promise<T> {
	await tx.query('savepoint tried');
	try {
		const done = await work();
		await tx.query('release savepoint tried');
		return done;
	} catch (error) {
		await tx.query('rollback to savepoint tried');
		throw error;
	}
}

async function putIn(tx: Executor, { schema, tables }: Backup): Promise<void> {
	await tx.query('set constraints all deferred');
	for (const table of [...TABLES].reverse()) await tx.query('select empty_table($1)', [table]);
	for (const table of TABLES) await fill(tx, table, tables[table] ?? []);
	try {
		if (schema < 10) await tx.query('select bring_up_to_10()');
		if (schema < 11) await tx.query('select bring_up_to_11()');
		if (schema < 12) await tx.query('select bring_up_to_12()');
		if (schema < 14) await tx.query('select bring_up_to_14()');
		if (schema < 19) await tx.query('select bring_up_to_19($1)', [JSON.stringify(tables.material ?? [])]);
		// An action that was taken back while the backup was written stands in it: what took it back is not there.
		await tx.query('select reckon_stands()');
		await tx.query('set constraints all immediate');
	} catch (error) {
		if (isOfData(error)) throw new DoesNotHold(wordOf(error.table ?? 'links'), told(error));
		throw error;
	}
}

async function fill(tx: Executor, table: string, rows: readonly Record<string, unknown>[]): Promise<void> {
	const put = (some: readonly Record<string, unknown>[]) =>
		within(tx, () => tx.query('select fill_table($1, $2)', [table, JSON.stringify(some)]));
	try {
		await put(rows);
	} catch (error) {
		if (!isOfData(error)) throw error;
		// Which of them it was: one by one.
		for (const row of rows)
			await put([row]).catch((why: unknown) => {
				throw isOfData(why) ? new DoesNotHold(`${wordOf(table)} ${String(row.id)}`, told(why)) : why;
			});
		throw new DoesNotHold(wordOf(table), told(error));
	}
}

/** History as it would be taken back: each row of the table that it names, each undoing of an action that is there. */
async function tryRows(tx: Executor): Promise<void> {
	const lost = await one<{ id: number }>(
		tx,
		`select a.id from action a, unnest(a.undoes) u where not exists (select 1 from action b where b.id = u) limit 1`
	);
	if (lost) throw new DoesNotHold(`action ${lost.id}`, 'it takes back one that is not there');
	const foreign = await one<{ id: number; tableName: string }>(
		tx,
		'select id, table_name from change where table_name <> all($1) limit 1',
		[TABLE_NAMES]
	);
	if (foreign) throw new DoesNotHold(`change ${foreign.id}`, `there is no table “${foreign.tableName}”`);
	for (const table of TABLE_NAMES) await tryChanges(tx, table);
}

/** Every change of a table is a row of it, before and after. */
async function tryChanges(tx: Executor, table: TableName): Promise<void> {
	const read = (ids: readonly number[] | null) => within(tx, () => readChanges(tx, table, ids));
	try {
		await read(null);
	} catch (error) {
		if (!isOfData(error)) throw error;
		// Which of them it was: one by one.
		const ids = await all<{ id: number }>(tx, 'select id from change where table_name = $1 order by id', [
			table
		]);
		for (const { id } of ids)
			await read([id]).catch((why: unknown) => {
				throw isOfData(why) ? new DoesNotHold(`change ${id}, ${wordOf(table)}`, told(why)) : why;
			});
		throw error;
	}
}

/** What every page reads, and what is worked out from it. A costume holds when its file would be read again. */
async function tryReading(tx: Executor): Promise<void> {
	const workshop = await tried('workshop', () => loadWorkshop(tx));
	if ((await select(tx, 'setting')).length !== 1) throw new DoesNotHold('settings', 'they are missing');
	for (const row of workshop.handbook) {
		const checked = HANDBOOK_ROWS[row.tableName]?.safeParse(row.content);
		if (!checked?.success) {
			const issue = checked?.error.issues[0];
			throw new DoesNotHold(
				`row of the handbook ${row.id} (${row.tableName} ${row.key})`,
				issue ? `${issue.path.join('.')}: ${issue.message}` : 'there is no such table'
			);
		}
	}
	for (const { id, outline } of await tried('offcuts', () => loadOffcuts(tx)))
		if (!offcutOutline.safeParse(outline).success)
			throw new DoesNotHold(`offcut ${id}`, 'its outline cannot be read');
	const costumes = await all<{ id: number; name: string; archivedAt: number | null }>(
		tx,
		'select id, name, archived_at from costume order by id'
	);
	const atWork: ToPlan[] = [];
	for (const { id, name, archivedAt } of costumes) {
		const where = `costume ${id} (${name})`;
		const file = await tried(where, () => costumeFileOf(tx, id, workshop));
		const read = readCostumeFile(JSON.parse(JSON.stringify(file)));
		if (!read.ok) throw new DoesNotHold(where, read.reason);
		const [record] = await tried(where, () => loadRecords(tx, [id]));
		if (archivedAt === null) atWork.push({ record: record!, stamp: '', promised: new Map() });
	}
	const start = clock();
	await tried('plan', async () => {
		for (const _ of new ShopPlan().plan(workshop, atWork, start)) await new Promise(setImmediate);
	});
}

/** Whatever goes wrong while it is read is of the backup: nothing of it is there yet. */
async function tried<T>(where: string, read: () => Promise<T>): Promise<T> {
	try {
		return await read();
	} catch (error) {
		throw new DoesNotHold(where, error instanceof Error ? error.message : String(error));
	}
}

async function tryPictures(tx: Executor, folder: string): Promise<void> {
	for (const table of TABLE_NAMES) {
		if (!columnsOfTable(table).hash) continue;
		for (const { id, hash } of await select<{ id: number; hash: string | null }>(tx, table))
			if (hash !== null && (!/^[0-9a-f]{64}$/.test(hash) || !existsSync(filePath(folder, hash))))
				throw new DoesNotHold(`${wordOf(table)} ${id}`, 'its picture is not in the file');
	}
}
