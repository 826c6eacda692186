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

/** Spaces between groups of three digits go, thin ones too, as they stand in what is written here; commas and points by turns as well. */
export const ungrouped = (text: string): string => {
	const spaced = text.replace(/(?<=\d)[\s\u2009\u202f\u00a0](?=\d{3}(?![\d/]))/g, '');
	// `1,234.50` and `1.234,50`: of two marks the last is the decimal one, and what stands before it are thousands.
	if (/^[^\d]*\d{1,3}(?:,\d{3})+\.\d+\D*$/.test(spaced)) return spaced.replace(/,/g, '');
	if (/^[^\d]*\d{1,3}(?:\.\d{3})+,\d+\D*$/.test(spaced)) return spaced.replace(/\./g, '');
	return spaced;
};

/** `1,234`: a thousand and some, or one and a bit: nobody can tell. A point is always a decimal one. */
export const mayBeThousands = (text: string): boolean => /^[+-]?[1-9]\d{0,2},\d{3}$/.test(text.trim());

/**
 * A plain number as makers write it: `12`, `12.5`, `12,5`, `5 1/2`, `5½`, `3/8`, `1 234`, `1,234.50`.
 * Never NaN, never infinite. A comma is a decimal point, but `1,234` is asked about: as it is, it may be a thousand.
 */
export function parseNumber(text: string): Parsed<number> {
	const clean = ungrouped(text.trim());
	if (clean === '') return bad('empty');
	if (mayBeThousands(clean))
		return bad('thousandsOrNot', {
			text: clean,
			small: clean.replace(',', '.'),
			large: clean.replace(',', '')
		});
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

/** A share of simulated builds: `54 of 100`. */
export const of100 = (share: number): string => `${Math.round(share * 100)} of 100`;

/** A share as percent: 0.047 → `4.7 %`. */
export const formatPercent = (share: number, decimals = 0): string =>
	`${formatNumber(100 * share, decimals)} %`;
