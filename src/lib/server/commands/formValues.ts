import { error } from '@sveltejs/kit';

export type Value = string | string[] | File;
export type Values = Record<string, Value>;

/** What a form sent. One that came broken is told so: nothing of it is believed. */
export const readForm = (request: Request): Promise<FormData> =>
	request.formData().catch(() => error(400, 'The form did not arrive whole. Send it again.'));

/** More than any form of ours sends: a layout and a costume are one field each. */
const MOST_FIELDS = 5000;

/** A form as an object. Names that end in `[]` are lists, also with one entry; no name reaches what objects are made of. */
export function formValues(form: FormData): Values {
	const values = new Map<string, Value>();
	let count = 0;
	for (const [name, sent] of form) {
		if (++count > MOST_FIELDS) error(413, `The form has more than ${MOST_FIELDS} fields.`);
		// PostgreSQL keeps no NUL in a text.
		const value = typeof sent === 'string' ? sent.replaceAll('\0', '') : sent;
		if (name.endsWith('[]')) {
			const key = name.slice(0, -2);
			const list = values.get(key);
			if (Array.isArray(list)) list.push(String(value));
			else values.set(key, [String(value)]);
		} else values.set(name, value);
	}
	values.delete('__proto__');
	return Object.fromEntries(values);
}
