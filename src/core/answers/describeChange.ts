import { columnsOfTable, isTable, storedName, TABLES, wordOf, type Column } from '../facts/tables.ts';
import { formatWait } from '../units/duration.ts';
import { formatLength, formatSmallArea } from '../units/measure.ts';
import { formatMoney } from '../units/money.ts';
import {
	formatClock,
	timeWords,
	dayWords,
	parseDate,
	parseLocalTime,
	type LocalMinutes
} from '../units/localTime.ts';
import type { Parsed } from '../units/problem.ts';

export interface Change {
	tableName: string;
	rowId: number;
	before: Record<string, unknown> | null;
	after: Record<string, unknown> | null;
}

export interface ChangeWords {
	/** `Step “cut”`. */
	what: string;
	kind: 'added' | 'changed' | 'removed';
	fields: { name: string; before: string; after: string }[];
}

/** One change of a row: what was done, and what it changed. */
export interface Version {
	actionId: number;
	at: LocalMinutes;
	words: string;
	fields: ChangeWords['fields'];
	/** The note as it stood then. */
	note: string;
}

type Row = Record<string, unknown>;

/**
 * A change of a row in plain words, with what was before and after: by the description of its table.
 * @param currency of what the change is of, where the row does not name its own
 */
export function describeChange({ tableName, before, after }: Change, currency: string): ChangeWords {
	const row = after ?? before ?? {};
	const kind = before === null ? 'added' : after === null ? 'removed' : 'changed';
	if (!isTable(tableName)) return { what: tableName, kind, fields: [] };
	const { word, called } = TABLES[tableName];
	const columns = Object.entries(columnsOfTable(tableName));
	const name = nameIn(
		row,
		columns.find(([key]) => key === called)
	);
	const fields =
		before && after
			? columns.flatMap(([key, column]) => fieldWords(key, column, before, after, currency))
			: [];
	return { what: name ? `${word} “${name}”` : word, kind, fields };
}

function nameIn(row: Row, called: [string, Column] | undefined): string | null {
	const value = called && row[storedName(...called)];
	// A row of the handbook is named inside.
	const name = isObject(value) ? (value.name ?? value.symptom) : value;
	return typeof name === 'string' && name ? name : null;
}

const isObject = (value: unknown): value is Row =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
const isSame = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** One line for a column; one for each changed entry of a column that holds several. */
function fieldWords(key: string, column: Column, was: Row, is: Row, currency: string): ChangeWords['fields'] {
	const at = storedName(key, column);
	const [before, after] = [was[at], is[at]];
	const name = wordOf(key, column);
	if (name === null || isSame(before, after)) return [];
	const money = (row: Row) => (typeof row.currency === 'string' ? row.currency : currency);
	if (!isObject(before) || !isObject(after) || column.says)
		return [
			{ name, before: valueWords(column, before, money(was)), after: valueWords(column, after, money(is)) }
		];
	return [...new Set([...Object.keys(before), ...Object.keys(after)])]
		.filter((k) => !isSame(before[k], after[k]))
		.map((k) => ({ name: k, before: entryWords(before[k]), after: entryWords(after[k]) }));
}

const read = (parsed: Parsed<number>, words: (value: number) => string, text: unknown) =>
	parsed.ok ? words(parsed.value) : String(text);

/** A value as people read it: by what its column holds. */
function valueWords({ kind, says }: Column, value: unknown, currency: string): string {
	if (isNothing(value)) return 'nothing';
	if (says) return says(value);
	switch (kind) {
		case 'money':
			return formatMoney(Number(value), currency);
		case 'length':
			return `${Number(value) < 0 ? '−' : ''}${formatLength(Math.abs(Number(value)), 'mm')}`;
		case 'area':
			return formatSmallArea(Number(value), 'mm');
		case 'minutes':
			return formatWait(Number(value));
		case 'clock':
			return formatClock(Number(value));
		case 'time':
			return read(parseLocalTime(String(value).slice(0, 16)), timeWords, value);
		case 'date':
			return read(parseDate(String(value)), dayWords, value);
		default:
			return entryWords(value);
	}
}

const isNothing = (value: unknown) =>
	value === null || value === undefined || value === '' || (Array.isArray(value) && value.length === 0);

/** What a value says for itself. */
function entryWords(value: unknown): string {
	if (isNothing(value)) return 'nothing';
	if (typeof value === 'boolean') return value ? 'yes' : 'no';
	if (isObject(value) && typeof value.follows === 'string')
		return `follows ${value.follows.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)}, ease ${String(value.plus)}`;
	if (Array.isArray(value)) return value.map(String).join(', ');
	return isObject(value) ? JSON.stringify(value) : String(value);
}
