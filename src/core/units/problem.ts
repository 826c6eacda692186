/**
 * What went wrong, as data. The words live in messages.ts, so that the core can be used
 * without an interface and every place says the same thing the same way.
 */
export interface Problem {
	code: string;
	/** Where: the field or the place in the input, outermost first. */
	path: (string | number)[];
	values?: Record<string, string | number>;
}

export type Parsed<T> = { ok: true; value: T } | { ok: false; problem: Problem };

export const good = <T>(value: T): Parsed<T> => ({ ok: true, value });

export const bad = (code: string, values?: Problem['values'], path: Problem['path'] = []): Parsed<never> => ({
	ok: false,
	problem: { code, path, ...(values ? { values } : {}) }
});
