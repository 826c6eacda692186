import { error, fail, type Action } from '@sveltejs/kit';
import type { z } from 'zod';
import { database } from '../database.ts';
import { Absent, Refused, Renewed, Stale } from '../db/rows.ts';
import type { Database } from '../db/open.ts';
import { standingAsIf } from '../read/plans.ts';
import { loadShop } from '../read/shop.ts';
import { contextOf, runCommand, type Command, type Context } from './command.ts';
import { capital } from '$core/units/names.ts';
import type { FormDone, FormFailure } from '$lib/answer.ts';
import { formValues, readForm, type Value, type Values } from './formValues.ts';

/** What a form asks for: its input, checked by Zod, and what is done with it. */
interface Asked<S extends z.ZodType> {
	input: (context: Context) => S;
	run: (db: Database, input: z.infer<S>, context: Context) => Promise<{ words: string; result?: unknown }>;
}

/** A form's action. Every outcome of every action is sorted here and nowhere else. */
export const actionOf =
	<S extends z.ZodType>(name: string, { input, run }: Asked<S>): Action =>
	async (event) => {
		const { formKey, life, ...values } = formValues(await readForm(event.request));
		const db = await database();
		const context = {
			...(await contextOf(db, db.folder, event.params)),
			formKey: keyOf(formKey),
			life: typeof life === 'string' && life ? life : null
		};
		const failure = (status: number, message: string, more: Partial<FormFailure> = {}) =>
			fail(status, {
				command: name,
				id: String(values.id ?? ''),
				errors: {},
				message,
				values: withoutFiles(values),
				...more
			} satisfies FormFailure);
		const parsed = input(context).safeParse(values);
		if (!parsed.success) {
			const errors: Record<string, string> = {};
			for (const issue of parsed.error.issues) errors[String(issue.path[0] ?? '')] ??= issue.message;
			return failure(400, 'Something here needs a second look.', { errors });
		}
		try {
			if (context.life !== null && context.life !== db.life) throw new Renewed();
			const { words, result = null } = await run(db, parsed.data, context);
			return { command: name, done: words, result } satisfies FormDone;
		} catch (problem) {
			if (problem instanceof Refused)
				return failure(
					422,
					problem.message,
					problem.field ? { errors: { [problem.field]: problem.message } } : {}
				);
			if (problem instanceof Stale) return failure(409, problem.message, { current: problem.current });
			if (problem instanceof Renewed) return failure(409, problem.message, { renewed: true });
			if (problem instanceof Absent) error(404, problem.message);
			const missing = missingLink(problem);
			if (missing) return failure(422, missing.words, missing.errors);
			if (isOutside(problem)) {
				console.error(`${name}: the tables took no such value`, problem);
				return failure(422, 'Something here is more than can be kept. Make it shorter, smaller or plainer.');
			}
			throw problem;
		}
	};

const each = <T>(commands: Record<string, Command>, of: (name: string, cmd: Command) => [string, T]) =>
	Object.fromEntries(Object.entries(commands).map(([name, cmd]) => of(name, cmd)));

/** The form actions of a page, one for each command. */
export const actionsOf = (commands: Record<string, Command>): Record<string, Action> =>
	each(commands, (name, cmd) => [
		name,
		actionOf(name, { input: cmd.input, run: (db, input, context) => runCommand(db, cmd, input, context) })
	]);

/**
 * The same commands, only tried out: `tryEditShape` answers how hours, money and the plan of the costume would
 * stand, and keeps nothing.
 * @param builds with what the plan would be made from, so that the page can simulate builds of it
 */
export const trialsOf = (
	commands: Record<string, Command>,
	{ builds = false } = {}
): Record<string, Action> =>
	each(commands, (name, cmd) => [
		`try${capital(name)}`,
		actionOf(name, {
			input: cmd.input,
			run: async (db, input, asked) => {
				const context = cmd.shop ? { ...asked, shop: await loadShop(db) } : asked;
				const found = await standingAsIf(db, context.costumeId, context.now, (tx) =>
					cmd.run(tx, input, context)
				);
				return { words: '', result: found && { ...found, builds: builds ? found.builds : null } };
			}
		})
	]);

/** A value that the tables do not hold (class 22), or that a check of theirs refused: the edge let it through. */
const isOutside = (problem: unknown): boolean =>
	/^(22|23514)/.test(String((problem as { code?: unknown }).code ?? ''));

/** What the database found to be missing: a row that a field names, removed meanwhile or never there. */
function missingLink(problem: unknown): { words: string; errors: Pick<FormFailure, 'errors'> } | null {
	const { code, detail = '' } = problem as { code?: string; detail?: string };
	if (code !== '23503') return null;
	const column = /^Key \((\w+)\)=/.exec(detail)?.[1] ?? '';
	const field = column.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());
	const words = 'What is chosen here is not there any more. Choose again.';
	return { words, errors: { errors: field ? { [field]: words } : {} } };
}

/** A key is made by the form itself; anything else is none. */
const keyOf = (value: Value | undefined): string | null =>
	typeof value === 'string' && /^[\w-]{16,64}$/.test(value) ? value : null;

const withoutFiles = (values: Values): Values =>
	Object.fromEntries(Object.entries(values).filter(([, v]) => !(v instanceof File)));
