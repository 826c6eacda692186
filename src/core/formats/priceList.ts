import Papa from 'papaparse';
import { headIs, OFFER_COLUMNS } from './pastedRows.ts';

/** More rows than this are not read at once. */
export const MOST_LIST_ROWS = 20_000;
/** Letters of a list, about 200 a row. */
export const MOST_LIST_LETTERS = 4_000_000;

export const LIST_COLUMNS = OFFER_COLUMNS.map((c) => c.key);

/** Which column of the list each thing stands in; what is missing stands in none. */
export type ListColumns = Partial<Record<string, number>>;

/** A price list as a table: what stands above the columns, and the rows, a cell each. */
export interface ListTable {
	heads: string[];
	rows: string[][];
}

/** Reads comma, semicolon or tab, quoted cells too (RFC 4180); the first row names the columns, empty rows are passed over. */
export function readList(text: string): ListTable {
	const plain = text.startsWith('\uFEFF') ? text.slice(1) : text;
	const { data } = Papa.parse<string[]>(plain, { skipEmptyLines: 'greedy' });
	const [heads = [], ...rows] = data.map((cells) => cells.map((cell) => cell.trim()));
	return { heads, rows };
}

/** The columns as their heads say, each taken once; for changing. */
export function guessColumns(heads: readonly string[]): ListColumns {
	const taken = new Set<number>();
	const found: ListColumns = {};
	for (const column of OFFER_COLUMNS) {
		const at = heads.findIndex((head, k) => !taken.has(k) && headIs(column, head));
		if (at < 0) continue;
		taken.add(at);
		found[column.key] = at;
	}
	return found;
}

/** The same with another thing in a column, which stands in no other one then; nothing leaves the column unused. */
export function columnsWith(columns: ListColumns, at: number, key: string): ListColumns {
	const others = Object.fromEntries(
		Object.entries(columns).filter(([its, column]) => column !== at && its !== key)
	);
	return key === '' ? others : { ...others, [key]: at };
}

/** A row that cannot be read, and why. Rows are counted as a spreadsheet shows them: the heads are row 1. */
export interface WrongRow {
	row: number;
	column: string;
	why: string;
}

/** What a list would do. */
export interface ListReport {
	rows: number;
	added: number;
	changed: number;
	/** Same pack, same price: nothing to do. */
	same: number;
	/** Materials that nobody has here. */
	notOurs: number;
	wrong: WrongRow[];
	/** Of those added or changed the first few. */
	first: {
		material: string;
		supplier: string;
		packSize: number;
		unit: string;
		before: string | null;
		now: string;
	}[];
}

/** Rows that are wrong, with why, as CSV; what a spreadsheet would run as a formula is not one any more. */
export const wrongRowsCsv = ({ heads, rows }: ListTable, wrong: readonly WrongRow[]): string =>
	Papa.unparse(
		[
			['row', ...heads, 'column', 'why'],
			...wrong.map((w) => [w.row, ...(rows[w.row - 2] ?? []), w.column, w.why])
		],
		{ escapeFormulae: true, newline: '\r\n' }
	);
