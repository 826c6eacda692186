import { bad, good, type Parsed } from './problem.ts';

const FRACTIONS: Record<string, number> = {
	'½': 1 / 2,
	'⅓': 1 / 3,
	'⅔': 2 / 3,
	'¼': 1 / 4,
	'¾': 3 / 4,
	'⅛': 1 / 8,
	'⅜': 3 / 8,
	'⅝': 5 / 8,
	'⅞': 7 / 8
};

/**
 * A plain number as makers write it: `12`, `12.5`, `12,5`, `5 1/2`, `5½`, `3/8`.
 * Never NaN, never infinite. A comma is a decimal point: nobody writes thousands in a workshop.
 */
export function parseNumber(text: string): Parsed<number> {
	const clean = text.trim();
	if (clean === '') return bad('empty');
	const plain = /^([+-]?)(\d+(?:[.,]\d+)?|[.,]\d+)$/.exec(clean);
	if (plain) {
		const value = Number(plain[2]!.replace(',', '.'));
		return good(plain[1] === '-' ? -value : value);
	}
	const mixed = /^([+-]?)(?:(\d+)[\s-]+)?(\d+)\s*\/\s*(\d+)$/.exec(clean);
	if (mixed && Number(mixed[4]) !== 0) {
		const value = Number(mixed[2] ?? 0) + Number(mixed[3]) / Number(mixed[4]);
		return good(mixed[1] === '-' ? -value : value);
	}
	const glyph = /^([+-]?)(\d*)\s*([½⅓⅔¼¾⅛⅜⅝⅞])$/.exec(clean);
	if (glyph) {
		const value = Number(glyph[2] || 0) + FRACTIONS[glyph[3]!]!;
		return good(glyph[1] === '-' ? -value : value);
	}
	return bad('notANumber', { text: clean });
}

/** A number without needless zeros, at most `digits` after the point. */
export function formatNumber(value: number, digits = 2): string {
	return String(Number(value.toFixed(digits)));
}
