import { PGlite, types } from '@electric-sql/pglite';
import { randomUUID } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { parseDate, parseLocalTime } from '$core/units/localTime.ts';
import type { Parsed } from '$core/units/problem.ts';
import { lockFolder, type FolderLock } from './lock.ts';
import { migrate } from './migrate.ts';

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
	beginEra(): void;
	close(): Promise<void>;
}

/**
 * Times come as local minutes and dates as day numbers: a JavaScript Date would put a zone on them.
 * They go in as text. Money columns are bigint; no single amount loses digits as a number.
 */
const parsers = {
	[types.TIMESTAMP]: (text: string) => stored(parseLocalTime(text.slice(0, 16)), text),
	[types.DATE]: (text: string) => stored(parseDate(text), text),
	[types.INT8]: (text: string) => Number(text)
};

function stored<T>(parsed: Parsed<T>, text: string): T {
	if (!parsed.ok) throw new Error(`The database holds a date that does not exist: ${text}`);
	return parsed.value;
}

/** Opens the data folder, holds it against other processes, and brings its tables up to date. */
export async function openDatabase(
	folder: string,
	beforeOpening: (folder: string) => void = () => {}
): Promise<Database> {
	const lock = await lockFolder(folder);
	try {
		beforeOpening(folder);
		mkdirSync(join(folder, 'files'), { recursive: true });
		return await openLocked(join(folder, 'db'), folder, lock);
	} catch (error) {
		lock.release();
		throw error;
	}
}

/**
 * A database in memory, for tests.
 * @param from what one like it was dumped as: opening it takes a fifth of the time of making one
 */
export const openInMemory = (folder: string, from?: Blob): Promise<Database> =>
	openLocked('memory://', folder, { release() {} }, from);

async function openLocked(path: string, folder: string, lock: FolderLock, from?: Blob): Promise<Database> {
	const pg = await PGlite.create(path, {
		parsers,
		relaxedDurability: false,
		...(from && { loadDataDir: from })
	});
	await migrate(pg);
	let era = randomUUID();
	return {
		folder,
		get era() {
			return era;
		},
		beginEra: () => {
			era = randomUUID();
		},
		query: (sql, params) => pg.query(sql, checked(params)),
		transaction: (run) =>
			pg.transaction((tx) =>
				run({ query: (sql, params) => tx.query(sql, checked(params)) })
			) as Promise<never>,
		close: async () => {
			await pg.close();
			lock.release();
		}
	};
}

/** `undefined` as a parameter is a programmer's mistake that would silently store null. */
function checked(params: unknown[] = []): unknown[] {
	const at = params.indexOf(undefined);
	if (at >= 0) throw new TypeError(`Parameter $${at + 1} is undefined`);
	return params;
}
