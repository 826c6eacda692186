import type { Rows } from './open.ts';

/** What there is in the database that reads can depend on. */
export interface Schema {
	/** Every table, and whether what is written to it is recorded in `change`. */
	tables: readonly { name: string; recorded: boolean }[];
	/** Functions of ours: what they read and write is not seen in the text that calls them. */
	functions: readonly string[];
}

export const SCHEMA = `select
	(select json_agg(json_build_object('name', relname, 'recorded', exists (
		select 1 from pg_trigger where tgrelid = pg_class.oid and tgname = 'record_change')))
		from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace) as tables,
	(select json_agg(proname) from pg_proc where pronamespace = 'public'::regnamespace) as functions`;

interface Kept {
	rows: Promise<Rows<unknown>>;
	tables: readonly string[];
	/** After so many writes it was asked. */
	at: number;
	/** How long it is, once it is there. */
	letters: number;
}

/** What a statement is seen to be. */
interface Read {
	/** What it reads. */
	tables: readonly string[];
	/** It says the same again as long as nothing is written to them. */
	steady: boolean;
}

/** So many letters are kept, of the answers asked for last; what is read from them takes some times as much. */
const MOST = 16_000_000;
/** A longer answer is not kept: it would take the place of many others. */
const LONGEST = 400_000;
/** They say something else each time, or keep others from writing. */
const UNSTEADY =
	/\b(now|random|gen_random_uuid|clock_timestamp|statement_timestamp|localtimestamp|localtime|current_\w+|nextval|set_config|pg_\w+|for (no key )?(update|share))\b/i;

/**
 * Answers to what was asked of the database, for as long as none of the tables that the text names is written to: after a
 * log only what reads logs is read anew. Rows are frozen, since more than one may hold them.
 */
export class Remembered {
	readonly #recorded = new Map<string, boolean>();
	readonly #functions: ReadonlySet<string>;
	readonly #reads = new Map<string, Read>();
	readonly #kept = new Map<string, Kept>();
	/** After how many writes each table was written to last. */
	readonly #written = new Map<string, number>();
	#writes = 0;
	#letters = 0;

	constructor(schema: Schema) {
		for (const { name, recorded } of schema.tables) this.#recorded.set(name, recorded);
		this.#functions = new Set(schema.functions);
	}

	#seen(sql: string): Read {
		const known = this.#reads.get(sql);
		if (known) return known;
		const words = new Set(sql.toLowerCase().match(/[a-z_][a-z_0-9]*/g));
		const read: Read = {
			tables: [...words].filter((word) => this.#recorded.has(word)),
			steady:
				/^\s*(select|with)\b/i.test(sql) &&
				!/\b(insert|update|delete)\b/i.test(sql) &&
				!UNSTEADY.test(sql) &&
				![...words].some((word) => this.#functions.has(word))
		};
		// Texts are written in the program: there are not many of them.
		this.#reads.set(sql, read);
		return read;
	}

	/**
	 * @param ask the database itself
	 * @throws what `ask` throws
	 */
	async read<T>(sql: string, params: readonly unknown[], ask: () => Promise<Rows<T>>): Promise<Rows<T>> {
		const { tables, steady } = this.#seen(sql);
		if (!steady) {
			const answer = await ask();
			if (!/^\s*(select|with)\b/i.test(sql)) this.forget();
			return answer;
		}
		const key = JSON.stringify([sql, params]);
		const before = this.#drop(key);
		if (before && before.tables.every((table) => (this.#written.get(table) ?? 0) <= before.at)) {
			this.#keep(key, before);
			return before.rows as Promise<Rows<T>>;
		}
		const rows = ask().then(frozen);
		const kept: Kept = { rows, tables, at: this.#writes, letters: 0 };
		this.#keep(key, kept);
		const its = () => this.#kept.get(key) === kept && this.#drop(key);
		rows.then((answer) => {
			const letters = lettersOf(answer);
			if (its() && letters <= LONGEST) this.#keep(key, { ...kept, letters });
		}, its);
		return rows;
	}

	#drop(key: string): Kept | undefined {
		const kept = this.#kept.get(key);
		this.#kept.delete(key);
		this.#letters -= kept?.letters ?? 0;
		return kept;
	}

	/** As what was asked for last; what was asked for longest ago makes room. */
	#keep(key: string, kept: Kept): void {
		this.#kept.set(key, kept);
		this.#letters += kept.letters;
		for (const oldest of this.#kept.keys()) {
			if (this.#letters <= MOST) return;
			this.#drop(oldest);
		}
	}

	/** @param tables those of which changes were recorded; what is not recorded may have been written too */
	wrote(tables: readonly string[]): void {
		this.#writes++;
		for (const table of tables) this.#written.set(table, this.#writes);
		for (const [table, recorded] of this.#recorded) if (!recorded) this.#written.set(table, this.#writes);
	}

	/** Anything may have been written. */
	forget(): void {
		this.wrote([...this.#recorded.keys()]);
		this.#kept.clear();
		this.#letters = 0;
	}
}

/** Rows come as one text, or as some. */
const lettersOf = ({ rows }: Rows<unknown>): number => {
	const text = (rows[0] as { rows?: unknown } | undefined)?.rows;
	return typeof text === 'string' ? text.length : 200 * (1 + rows.length);
};

function frozen<T>(answer: Rows<T>): Rows<T> {
	deepFrozen(answer.rows);
	return answer;
}

/** More than one may hold it. */
export function deepFrozen<T>(value: T): T {
	if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return value;
	Object.freeze(value);
	for (const within of Object.values(value)) deepFrozen(within);
	return value;
}
