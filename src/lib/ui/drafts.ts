/**
 * What is typed into a form and not saved yet, kept on this device until it is saved or discarded: leaving a page, or
 * a phone that runs out, loses nothing.
 */
export interface Draft {
	/** Of the row that was being edited: saved over a newer one, the maker is told. */
	version: number | null;
	/** By field; a tick is `true` or `false`. */
	fields: Record<string, string | boolean>;
	/** Counts up with each draft, so that the oldest make room. */
	turn: number;
}

type Input = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;

const PREFIX = 'dapper draft ';
const MOST = 100;

/** The fields of a form that somebody types into or chooses. Fields of one name count up; ticks go by their value. */
export function fieldsOf(form: HTMLFormElement): Map<string, Input> {
	const fields = new Map<string, Input>();
	for (const element of form.elements) {
		const input = element as Input;
		if (!input.name || /^(hidden|file|password|submit|button|reset|fieldset|output)$/.test(input.type))
			continue;
		const base = isTick(input) ? `${input.name}=${input.value}` : input.name;
		let key = base;
		for (let n = 2; fields.has(key); n++) key = `${base} ${n}`;
		fields.set(key, input);
	}
	return fields;
}

const isTick = (input: Input): input is HTMLInputElement =>
	input.type === 'checkbox' || input.type === 'radio';

export const readField = (input: Input): string | boolean => (isTick(input) ? input.checked : input.value);

/** Puts a value into a field as if it had been typed, so that whatever listens hears of it. */
export function fillField(input: Input, value: string | boolean): void {
	if (isTick(input)) input.checked = value === true;
	else input.value = String(value);
	for (const type of ['input', 'change']) input.dispatchEvent(new Event(type, { bubbles: true }));
}

/** A device that keeps nothing (private windows, full storage) is no reason to stop. */
export function quietly<T>(work: () => T, otherwise: T): T {
	try {
		return work();
	} catch {
		return otherwise;
	}
}

export const readDraft = (key: string): Draft | null =>
	quietly(() => JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null') as Draft | null, null);

export const dropDraft = (key: string): void =>
	quietly(() => localStorage.removeItem(PREFIX + key), undefined);

export function keepDraft(key: string, fields: Draft['fields'], version: number | null): void {
	if (Object.keys(fields).length === 0) return dropDraft(key);
	quietly(() => {
		const drafts = Object.keys(localStorage)
			.filter((k) => k.startsWith(PREFIX))
			.map((k) => ({ key: k.slice(PREFIX.length), turn: readDraft(k.slice(PREFIX.length))?.turn ?? 0 }))
			.sort((a, b) => a.turn - b.turn);
		for (const { key: oldest } of drafts.slice(0, Math.max(0, drafts.length - MOST))) dropDraft(oldest);
		const draft: Draft = { version, fields, turn: (drafts.at(-1)?.turn ?? 0) + 1 };
		localStorage.setItem(PREFIX + key, JSON.stringify(draft));
	}, undefined);
}
