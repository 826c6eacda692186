import { deserialize } from '$app/forms';
import type { Answer } from './formState.ts';

/** Runs a command of a page without a form on show. Null when there was no answer. */
export async function send(
	action: string,
	fields: FormData | Record<string, string>,
	{ signal, keepalive = false }: { signal?: AbortSignal; keepalive?: boolean } = {}
): Promise<Answer> {
	const body = fields instanceof FormData ? fields : new FormData();
	if (!(fields instanceof FormData))
		for (const [name, value] of Object.entries(fields)) body.set(name, value);
	const response = await fetch(action, {
		method: 'POST',
		body,
		headers: { 'x-sveltekit-action': 'true' },
		signal: signal ?? null,
		keepalive
	}).catch(() => null);
	if (!response) return null;
	const result = deserialize(await response.text());
	return (result.type === 'success' || result.type === 'failure' ? result.data : null) as Answer;
}
