import { error, fail, type Action, type RequestEvent } from '@sveltejs/kit';
import { database } from '../database.ts';
import { Absent, Refused, Stale } from '../db/rows.ts';
import { contextOf, runCommand, type Command } from './command.ts';
import type { FormDone, FormFailure } from '$lib/answer.ts';
import { formValues, type Values } from './formValues.ts';

/** The form actions of a page, one for each command. Outcomes are sorted here and nowhere else. */
export function actionsOf(commands: Record<string, Command>): Record<string, Action> {
	return Object.fromEntries(
		Object.entries(commands).map(([name, cmd]) => [name, (event: RequestEvent) => answer(name, cmd, event)])
	);
}

async function answer(name: string, cmd: Command, event: RequestEvent) {
	const values = formValues(await event.request.formData());
	const db = await database();
	const context = await contextOf(db, db.folder, event.params);
	const failure = (status: number, message: string, more: Partial<FormFailure> = {}) =>
		fail(status, {
			command: name,
			id: String(values.id ?? ''),
			errors: {},
			message,
			values: withoutFiles(values),
			...more
		} satisfies FormFailure);
	const parsed = cmd.input(context).safeParse(values);
	if (!parsed.success) {
		const errors: Record<string, string> = {};
		for (const issue of parsed.error.issues) errors[String(issue.path[0] ?? '')] ??= issue.message;
		return failure(400, 'Something here needs a second look.', { errors });
	}
	try {
		const { words, result } = await runCommand(db, cmd, parsed.data, context);
		return { command: name, done: words, result } satisfies FormDone;
	} catch (problem) {
		if (problem instanceof Refused)
			return failure(
				422,
				problem.message,
				problem.field ? { errors: { [problem.field]: problem.message } } : {}
			);
		if (problem instanceof Stale) return failure(409, problem.message, { current: problem.current });
		if (problem instanceof Absent) error(404, problem.message);
		throw problem;
	}
}

const withoutFiles = (values: Values): Values =>
	Object.fromEntries(Object.entries(values).filter(([, v]) => !(v instanceof File)));
