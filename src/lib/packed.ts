/** What is sent to a page as one text: value by value takes three times as long, and is longer. */
export class Packed<T> {
	constructor(readonly value: T) {}
}

/** Marks what JSON has no form for. */
const MARK = '§';
/** So many rows are worth a head. */
const ROWS = 3;

const isPlain = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** The keys that all rows have, in their order; null when they are no rows, or one lacks a value. */
function headOf(list: readonly unknown[]): string[] | null {
	if (list.length < ROWS || !isPlain(list[0])) return null;
	const head = Object.keys(list[0]);
	const alike = list.every((row) => {
		if (!isPlain(row)) return false;
		const keys = Object.keys(row);
		return keys.length === head.length && keys.every((key, i) => key === head[i] && row[key] !== undefined);
	});
	return alike ? head : null;
}

function toText(_: string, value: unknown): unknown {
	if (typeof value === 'number' && !Number.isFinite(value)) return { [MARK]: 'number', of: String(value) };
	if (isPlain(value) && MARK in value) return { [MARK]: 'object', of: Object.entries(value) };
	if (value instanceof Map) return { [MARK]: 'map', of: [...value] };
	if (value instanceof Set) return { [MARK]: 'set', of: [...value] };
	if (Array.isArray(value)) {
		const head = headOf(value);
		if (!head) return value;
		return {
			[MARK]: 'rows',
			head,
			of: value.map((row: Record<string, unknown>) => head.map((key) => row[key]))
		};
	}
	return value;
}

function fromText(_: string, value: unknown): unknown {
	if (!isPlain(value) || !(MARK in value)) return value;
	const of = value['of'];
	if (value[MARK] === 'number') return Number(of);
	if (value[MARK] === 'object') return Object.fromEntries(of as [string, unknown][]);
	if (value[MARK] === 'map') return new Map(of as [unknown, unknown][]);
	if (value[MARK] === 'set') return new Set(of as unknown[]);
	const head = value['head'] as string[];
	return (of as unknown[][]).map((row) => Object.fromEntries(head.map((key, i) => [key, row[i]])));
}

/** @param value plain objects, lists, maps, sets, texts, numbers, truths and null; what is undefined is left out */
export const packed = (value: unknown): string => JSON.stringify(value, toText);

export const unpacked = (text: string): unknown => JSON.parse(text, fromText);
