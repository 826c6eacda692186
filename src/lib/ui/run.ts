import { deserialize } from '$app/forms';
import { page } from '$app/state';
import { say, problem } from '$core/units/problem.ts';
import type { FormDone, FormFailure } from '$lib/answer.ts';
import { isDone, isFailure, type Answer } from './formState.ts';
import { announce } from './announce.ts';
import { readAnew } from './readAnew.ts';

export type Values = Readonly<Record<string, string | number | boolean | null>>;

interface How {
	/** The page that has the command, when it is not this one. */
	at?: string;
	signal?: AbortSignal;
	/** Goes out though the page is being left. */
	keepalive?: boolean;
}

/**
 * Sends a command, and says as a form would what became of it. When nobody answers, that is a failure in words too.
 * Null when it was stopped on the way.
 */
export async function send(
	command: string,
	fields: FormData | Values,
	{ at = '', signal, keepalive = false }: How = {}
): Promise<FormDone | FormFailure | null> {
	const body = fields instanceof FormData ? fields : new FormData();
	if (!(fields instanceof FormData))
		for (const [name, value] of Object.entries(fields)) body.set(name, String(value ?? ''));
	if (typeof page.data.life === 'string') body.set('life', page.data.life);
	const failed = (message: string): FormFailure => ({
		command,
		id: '',
		message,
		errors: {},
		values: {}
	});
	try {
		const response = await fetch(`${at}?/${command}`, {
			method: 'POST',
			body,
			headers: { 'x-sveltekit-action': 'true' },
			signal: signal ?? null,
			keepalive
		});
		const result = deserialize(await response.text());
		const answer = (result.type === 'success' || result.type === 'failure' ? result.data : null) as Answer;
		if (result.type === 'error') return failed(String((result.error as App.Error).message));
		return answer ?? failed(say(problem('goneHere')));
	} catch {
		return signal?.aborted ? null : failed(say(problem('noAnswer')));
	}
}

/**
 * Runs a command by its name and values: what it did, or why not, is announced, and the page shows what is so now.
 * @returns what the command told; null when it was not done
 */
export async function run<R = unknown>(
	command: string,
	values: Values,
	{ undoable = true, ...how }: How & { undoable?: boolean } = {}
): Promise<{ result: R } | null> {
	const answer = await send(command, values, how);
	await readAnew();
	if (isFailure(answer)) announce(answer.message, { bad: true, undoable: false });
	if (!isDone(answer)) return null;
	announce(answer.done, { undoable });
	return { result: answer.result as R };
}
