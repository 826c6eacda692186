import Papa from 'papaparse';
import { minorDigits } from '../units/money.ts';

/**
 * Tables as CSV (RFC 4180), plain numbers with a point. A cell that a spreadsheet would run as a
 * formula is written as text. Six digits behind the point, so that a sum does not end in what binary fractions leave.
 */
export const csv = (rows: Record<string, unknown>[]): string =>
	Papa.unparse(
		rows.map((row) => Object.fromEntries(Object.entries(row).map(([key, v]) => [key, plainNumber(v)]))),
		{ escapeFormulae: true, newline: '\r\n' }
	);

const plainNumber = (value: unknown) => (typeof value === 'number' ? Number(value.toFixed(6)) : value);

/** An empty cell is not known. */
export const plainMoney = (minor: number | null, currency: string) =>
	minor === null ? '' : (minor / 10 ** minorDigits(currency)).toFixed(minorDigits(currency));
