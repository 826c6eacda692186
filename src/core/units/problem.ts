import { MESSAGES, type Code, type ValuesOf } from './messages.ts';

interface ProblemOf<C extends Code> {
	code: C;
	/** Where: the field or the place in the input, outermost first. */
	path: (string | number)[];
	values: ValuesOf<C>;
}

/**
 * What went wrong, as data: a code, which is the key of its words, and the values that fill them. So the core can be
 * used without an interface, and every place says the same thing the same way.
 */
export type Problem = { [C in Code]: ProblemOf<C> }[Code];

export type Parsed<T> = { ok: true; value: T } | { ok: false; problem: Problem };

export const good = <T>(value: T): Parsed<T> => ({ ok: true, value });

/** Values may be left out where the words have none to fill. */
type Rest<C extends Code> = [keyof ValuesOf<C>] extends [never]
	? [values?: Record<string, never>, path?: Problem['path']]
	: [values: ValuesOf<C>, path?: Problem['path']];

export const problem = <C extends Code>(code: C, ...[values, path = []]: Rest<C>): Problem =>
	({ code, path, values: values ?? {} }) as Problem;

export const bad = <C extends Code>(code: C, ...rest: Rest<C>): Parsed<never> => ({
	ok: false,
	problem: problem(code, ...rest)
});

/** A problem that ends what was under way, for whoever began it. */
export class Failed extends Error {
	constructor(readonly problem: Problem) {
		super(problem.code);
	}
}

/** A problem in words. */
export const say = (of: Pick<Problem, 'code' | 'values'>): string =>
	MESSAGES[of.code].replace(/\{(\w+)\}/g, (_, name: string) =>
		String((of.values as Record<string, string | number>)[name])
	);

/** The words of a code, for whoever finds the problem and says it at once. */
export const sayOf = <C extends Code>(code: C, ...rest: Rest<C>): string => say(problem(code, ...rest));
