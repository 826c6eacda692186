import { formatMoney } from '../units/money.ts';
import { timeWords, dayWords, parseDate, parseLocalTime, type LocalMinutes } from '../units/localTime.ts';

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

const TABLE_WORDS: Record<string, string> = {
	setting: 'settings',
	working_window: 'hours',
	day_off: 'day off',
	away: 'time away',
	step_after: 'link between steps',
	work_log: 'log',
	reference_picture: 'reference picture',
	picture_measure: 'measure on a picture',
	body_measure: 'measure',
	costume_wearer: 'wearer of a costume',
	fitting_component: 'component tried on',
	fitting_point: 'point of a fitting',
	shape: 'shape',
	offcut: 'offcut',
	layout: 'layout',
	found_plan: 'plan',
	handbook_row: 'row of the handbook',
	exchange_rate: 'exchange rate'
};

/** Columns that say nothing to a maker. */
const HIDDEN = new Set([
	'id',
	'version',
	'position',
	'costume_id',
	'hash',
	'bytes',
	'points',
	'plan',
	'known',
	'table_name'
]);

/**
 * A change of a row in plain words, with what was before and after.
 * @param currency of what the change is of, where the row does not name its own
 */
export function describeChange(change: Change, currency: string): ChangeWords {
	const row = change.after ?? change.before ?? {};
	const table = TABLE_WORDS[change.tableName] ?? change.tableName;
	const name =
		row.name ??
		row.symptom ??
		row.technique ??
		row.product ??
		row.caption ??
		row.what ??
		row.label ??
		row.title ??
		row.measure ??
		(isObject(row.content) ? (row.content.name ?? row.content.symptom) : undefined);
	const kind = change.before === null ? 'added' : change.after === null ? 'removed' : 'changed';
	const keys = Object.keys(row).filter((k) => !HIDDEN.has(k) && !k.endsWith('_id'));
	const fields =
		kind === 'changed'
			? keys
					.filter((k) => JSON.stringify(change.before![k]) !== JSON.stringify(change.after![k]))
					.flatMap((k) => fieldWords(k, change.before!, change.after!, currency))
			: [];
	return { what: typeof name === 'string' && name ? `${table} “${name}”` : table, kind, fields };
}

const isObject = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** One line for a column; one for each changed entry of a column that holds several. */
type Fields = Record<string, unknown>;
function fieldWords(key: string, was: Fields, is: Fields, currency: string): ChangeWords['fields'] {
	const [before, after] = [was[key], is[key]];
	const money = (row: Fields) => (typeof row.currency === 'string' ? row.currency : currency);
	if (!isObject(before) || !isObject(after) || key === 'scale')
		return [
			{
				name: key.replace(/_(mm2?|minor)$/, '').replaceAll('_', ' '),
				before: valueWords(key, before, money(was)),
				after: valueWords(key, after, money(is))
			}
		];
	return [...new Set([...Object.keys(before), ...Object.keys(after)])]
		.filter((k) => JSON.stringify(before[k]) !== JSON.stringify(after[k]))
		.map((k) => ({
			name: k,
			before: valueWords(k, before[k], money(was)),
			after: valueWords(k, after[k], money(is))
		}));
}

function valueWords(key: string, value: unknown, currency: string): string {
	if (value === null || value === undefined || value === '') return 'nothing';
	if (value === true) return 'yes';
	if (value === false) return 'no';
	if (key === 'scale') return 'a scale';
	if (key === 'drawn') return 'drawn by hand';
	if (key === 'outline') return 'an outline';
	if (key === 'flaws') return `${(value as unknown[]).length} spoiled`;
	if (Array.isArray(value) && value.some(isObject)) return `${value.length} done to the pieces`;
	if (isObject(value) && typeof value.follows === 'string')
		return `follows ${value.follows.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)}, ease ${String(value.plus)}`;
	if (Array.isArray(value)) return value.length ? value.join(', ') : 'nothing';
	if (key.endsWith('_minor')) return formatMoney(Number(value), currency);
	if (typeof value === 'string') {
		const time = parseLocalTime(value.slice(0, 16));
		if (/^\d{4}-\d\d-\d\dT/.test(value) && time.ok) return timeWords(time.value);
		const day = parseDate(value);
		if (day.ok) return dayWords(day.value);
	}
	return String(value);
}
