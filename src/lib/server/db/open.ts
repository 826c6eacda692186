import { PGlite, types } from '@electric-sql/pglite';
import { randomUUID } from 'node:crypto';
import { accessSync, constants, existsSync, mkdirSync, statfsSync } from 'node:fs';
import { join } from 'node:path';
import { parseDate, parseLocalTime, type LocalMinutes } from '$core/units/localTime.ts';
import type { Parsed } from '$core/units/problem.ts';
import { lockFolder, type FolderLock } from './lock.ts';
import { migrate } from './migrate.ts';
import { openOnDisk, type Synced } from './onDisk.ts';
import { Remembered, SCHEMA, type Schema } from './remembered.ts';

export interface Rows<T> {
	rows: T[];
	affectedRows?: number;
}

/** What runs SQL: the database or an open transaction, so that functions compose. */
export interface Executor {
	query<T>(sql: string, params?: unknown[]): Promise<Rows<T>>;
}

export interface Database extends Executor {
	transaction<T>(run: (tx: Executor) => Promise<T>): Promise<T>;
	folder: string;
	/** Of what the tables hold; another one after a restore. What is kept in memory about them ends with it. */
	readonly era: string;
	/** The same, and kept over a start: what windows were shown is of this one. */
	readonly life: string;
	beginEra(life: string): void;
	/** How often something may have been written since it was opened. */
	readonly writes: number;
	/** The last recorded change. Whoever reads after asking for it sees at least as much. */
	readonly newest: number;
	/**
	 * Asked before anything is written: what begins to be written has to have room to its end.
	 * @throws with the code ENOSPC when the disk is all but full
	 */
	room(): void;
	close(): Promise<void>;
}

/** So much stays free on the disk: two files of the database's log. When these cannot be written it can only stop. */
const RESERVE = 32 * 1024 * 1024;
/** So much a new database takes, with room to begin. */
const FIRST = 128 * 1024 * 1024;
const full = () => Object.assign(new Error('The disk is all but full.'), { code: 'ENOSPC' });
const freeOn = (folder: string): number => {
	const { bavail, bsize } = statfsSync(folder);
	return bavail * bsize;
};

/**
 * Times come as local minutes and dates as day numbers: a JavaScript Date would put a zone on them.
 * They go in as text. Money columns are bigint; no single amount loses digits as a number.
 */
const parsers = {
	[types.TIMESTAMP]: readTime,
	[types.DATE]: readDay,
	[types.INT8]: (text: string) => Number(text)
};

export function readTime(text: string): LocalMinutes {
	return stored(parseLocalTime(text.slice(0, 16)), text);
}

export function readDay(text: string): number {
	return stored(parseDate(text), text);
}

function stored<T>(parsed: Parsed<T>, text: string): T {
	if (!parsed.ok) throw new Error(`The database holds a date that does not exist: ${text}`);
	return parsed.value;
}

/**
 * Opens the data folder, holds it against other processes, and brings its tables up to date.
 * @param how for tests: what one like it was dumped as, what is told of every file that is on the disk, and how much of it is free
 */
export async function openDatabase(
	folder: string,
	beforeOpening: (folder: string) => void = () => {},
	how: { from?: Blob; synced?: Synced; free?: () => number } = {}
): Promise<Database> {
	const lock = await lockFolder(folder);
	try {
		beforeOpening(folder);
		mkdirSync(join(folder, 'files'), { recursive: true });
		// The database would not say why.
		for (const name of ['', 'files', 'db'])
			if (existsSync(join(folder, name))) accessSync(join(folder, name), constants.W_OK);
		const free = how.free ?? (() => freeOn(folder));
		// Half a new database could not be opened.
		if (!existsSync(join(folder, 'db', 'PG_VERSION')) && free() < FIRST) throw full();
		const pg = await openOnDisk(join(folder, 'db'), options(how.from), how.synced);
		return await openLocked(pg, folder, lock, free);
	} catch (error) {
		lock.release();
		throw error;
	}
}

/**
 * A database in memory, for tests.
 * @param from what one like it was dumped as: opening it takes a fifth of the time of making one
 */
export const openInMemory = async (folder: string, from?: Blob): Promise<Database> =>
	openLocked(await PGlite.create('memory://', options(from)), folder, { release() {} }, () => Infinity);

const options = (from?: Blob) => ({ parsers, ...(from && { loadDataDir: from }) });

async function openLocked(
	pg: PGlite,
	folder: string,
	lock: FolderLock,
	free: () => number
): Promise<Database> {
	await migrate(pg);
	let era = randomUUID();
	let writes = 0;
	const remembered = new Remembered((await pg.query<Schema>(SCHEMA)).rows[0]!);
	let { newest } = (await pg.query<Changed>(CHANGED, [0])).rows[0]!;
	/** One after another: what is read meanwhile waits for one of them, and not for all. */
	let writing: Promise<unknown> = Promise.resolve();
	let life = (await pg.query<{ id: string }>('select id from life')).rows[0]!.id;
	async function transact<T>(run: (tx: Executor) => Promise<T>): Promise<T> {
		await breath();
		const turn = performance.now() + TURN;
		try {
			const { result, changed } = await pg.transaction(async (tx) => {
				const result = await run({
					query: async (sql, params) => {
						// All others wait for it: what is short is done in one go.
						if (performance.now() > turn) await breath();
						return tx.query(sql, checked(params));
					}
				});
				return { result, changed: (await tx.query<Changed>(CHANGED, [newest])).rows[0]! };
			});
			// Before anybody is told that something was written.
			remembered.wrote(changed.tables);
			newest = changed.newest;
			return result;
		} finally {
			writes++;
		}
	}
	return {
		folder,
		get era() {
			return era;
		},
		get life() {
			return life;
		},
		beginEra: (its) => {
			era = randomUUID();
			life = its;
			remembered.forget();
		},
		get writes() {
			return writes;
		},
		get newest() {
			return newest;
		},
		query: async (sql, params) => {
			await breath();
			return remembered.read(sql, checked(params), () => pg.query(sql, params));
		},
		transaction: (run) => {
			const its = writing.then(() => transact(run));
			writing = its.catch(() => {});
			return its;
		},
		room: () => {
			if (free() < RESERVE) throw full();
		},
		close: async () => {
			await pg.close();
			lock.release();
		}
	};
}

/** For so long, ms, is one thing after another done before what came in meanwhile is heard. */
const TURN = 30;
let turnEnds = 0;
const waiting: (() => void)[] = [];

/**
 * The database answers within the same turn: without a pause one request after another would be done before anything else is
 * heard. Once a turn is over, whoever wants to go on waits for what came in, and one at a time goes on.
 */
async function breath(): Promise<void> {
	if (performance.now() < turnEnds) return;
	await new Promise<void>((goOn) => {
		waiting.push(goOn);
		if (waiting.length === 1) setImmediate(next);
	});
}

function next(): void {
	turnEnds = performance.now() + TURN;
	waiting.shift()!();
	if (waiting.length) setImmediate(next);
}

/** The last change, and the tables of those after another one. */
interface Changed {
	newest: number;
	tables: string[];
}
const CHANGED = `select coalesce(max(id), 0) as newest,
	array(select distinct table_name from change where id > $1) as tables from change`;

/** `undefined` as a parameter is a programmer's mistake that would silently store null. */
function checked(params: unknown[] = []): unknown[] {
	const at = params.indexOf(undefined);
	if (at >= 0) throw new TypeError(`Parameter $${at + 1} is undefined`);
	return params;
}
