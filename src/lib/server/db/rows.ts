import type { Executor } from './open.ts';

type Plain = Record<string, unknown>;

const camel = (name: string) => name.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());

/** Rows with snake_case columns as objects with camelCase keys. */
export async function all<T>(db: Executor, sql: string, params: unknown[] = []): Promise<T[]> {
	const { rows } = await db.query<Plain>(sql, params);
	const names = Object.keys(rows[0] ?? {}).map((name) => [name, camel(name)] as const);
	return rows.map((row) => {
		const fact: Plain = {};
		for (const [name, key] of names) fact[key] = row[name];
		return fact as T;
	});
}

/** The one row, or null. */
export async function one<T>(db: Executor, sql: string, params: unknown[] = []): Promise<T | null> {
	return (await all<T>(db, sql, params))[0] ?? null;
}

/** The row is gone, or never was. */
export class Absent extends Error {
	constructor(what: string) {
		super(`There is no such ${what} any more.`);
	}
}

/** Somebody else, most likely another tab, wrote this row after it was shown. */
export class Stale extends Error {
	constructor(
		readonly what: string,
		readonly current: Plain
	) {
		super(
			`This ${what} was changed in another window meanwhile. What you typed is still here: compare, then save again.`
		);
	}
}

/** All data was put back since this was shown: its row may be another one now. */
export class Renewed extends Error {
	constructor() {
		super(
			'A backup was put in place of all data since this was shown. What you typed is still here: look at what there is now, then save again.'
		);
	}
}

/** What cannot be done, said to the person who tried, at a field where there is one. */
export class Refused extends Error {
	constructor(
		words: string,
		readonly field: string | null = null
	) {
		super(words);
	}
}
