import Papa from 'papaparse';
import { minorDigits } from '../units/money.ts';

/**
 * Tables as CSV (RFC 4180), plain numbers with a point. A cell that a spreadsheet would run as a
 * formula is written as text.
 */
export const csv = (rows: Record<string, unknown>[]): string =>
	Papa.unparse(rows, { escapeFormulae: true, newline: '\r\n' });

/** An empty cell is not known. */
export const plainMoney = (minor: number | null, currency: string) =>
	minor === null ? '' : (minor / 10 ** minorDigits(currency)).toFixed(minorDigits(currency));
