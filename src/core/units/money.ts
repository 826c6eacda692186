import { AUD, CAD, CHF, DKK, EUR, GBP, JPY, KWD, NOK, PLN, SEK, USD } from 'dinero.js/currencies';
import { mayBeThousands, ungrouped } from './number.ts';
import { bad, good, type Parsed } from './problem.ts';

/** Money is integer minor units everywhere; how many digits stand after the point is ISO 4217's. */
export const CURRENCIES = [
	'EUR',
	'USD',
	'GBP',
	'CHF',
	'SEK',
	'NOK',
	'DKK',
	'PLN',
	'CAD',
	'AUD',
	'JPY',
	'KWD'
] as const;
export type Currency = (typeof CURRENCIES)[number];
const KNOWN: Record<Currency, { exponent: number }> = {
	EUR,
	USD,
	GBP,
	CHF,
	SEK,
	NOK,
	DKK,
	PLN,
	CAD,
	AUD,
	JPY,
	KWD
};

const isKnown = (currency: string): currency is Currency => Object.hasOwn(KNOWN, currency);
export const minorDigits = (currency: string): number => (isKnown(currency) ? KNOWN[currency].exponent : 2);

/** Money as a field holds it, without spaces between thousands; nothing where it is not known. */
export const typedMoney = (minor: number | null | undefined, currency: string): string =>
	minor == null ? '' : moneyDigits(minor, currency).replace(/\u2009/g, '');

/**
 * Whole money shared out by weight, so that the shares come to all of it: what is left by rounding down goes to the largest remainders
 * (Hamilton's method), the first among equals. Equal shares where nothing weighs anything.
 */
export function shared(minor: number, weights: readonly number[]): number[] {
	const sum = weights.reduce((total, w) => total + w, 0);
	const exact = weights.map((w) => (sum > 0 ? (minor * w) / sum : minor / weights.length));
	const shares = exact.map(Math.floor);
	const left = minor - shares.reduce((total, s) => total + s, 0);
	[...exact.keys()]
		.sort((a, b) => exact[b]! - shares[b]! - (exact[a]! - shares[a]!) || a - b)
		.slice(0, left)
		.forEach((k) => shares[k]!++);
	return shares;
}

/** Ten million of the main unit: more than a costume, less than what an integer column loses. */
const MOST_MAIN = 10_000_000;

/** `12,50` or `12.50` → 1250. Digits are read as text, so that nothing is rounded on the way. */
export function parseMoney(text: string, currency: string): Parsed<number> {
	const clean = ungrouped(text.trim().replace(/^[€$£]\s*|\s*[€$£]$|\s*[A-Z]{3}$/g, ''));
	if (clean === '') return bad('empty');
	if (minorDigits(currency) < 3 && mayBeThousands(clean))
		return bad('thousandsOrNot', {
			text: clean,
			small: clean.replace(',', '.'),
			large: clean.replace(',', '')
		});
	const found = /^(-?)(\d{1,12})(?:[.,](\d*))?$/.exec(clean);
	if (!found) return bad('notMoney', { text: text.trim() });
	if (found[1]) return bad('negative');
	const digits = minorDigits(currency);
	const after = (found[3] ?? '').replace(/0+$/, '');
	if (after.length > digits) return bad('tooFine', { digits });
	if (Number(found[2]) > MOST_MAIN) return bad('tooLarge', { most: '10 000 000' });
	return good(Number(found[2]) * 10 ** digits + Number(after.padEnd(digits, '0') || 0));
}

/** 1250 → `12.50 EUR`; grouping by a thin space, so that comma and point stay free to type. */
export function formatMoney(minor: number, currency: string): string {
	return `${moneyDigits(minor, currency)} ${currency}`;
}

/** The same of what may not be known. */
export const formatPrice = (minor: number | null, currency: string): string =>
	minor === null ? 'not known' : formatMoney(minor, currency);

/** Only the digits, as a field would show them. */
export function moneyDigits(minor: number, currency: string): string {
	const digits = minorDigits(currency);
	const whole = Math.floor(Math.abs(minor) / 10 ** digits);
	const rest = Math.abs(minor) % 10 ** digits;
	const grouped = String(whole).replace(/\B(?=(\d{3})+$)/g, '\u2009');
	return `${minor < 0 ? '−' : ''}${grouped}${digits ? `.${String(rest).padStart(digits, '0')}` : ''}`;
}

/**
 * Minor units times a number as it is typed, times a power of ten, to whole ones, half a one up. In whole numbers throughout: 366.65 × 0.3
 * is 109.995, and no computer's fractions say so.
 */
function timesExactly(minor: number, factor: number, power: number): number {
	const [typed, its] = factor.toExponential().split('e') as [string, string];
	const [whole, rest = ''] = typed.split('.');
	const shift = Number(its) - rest.length + power;
	const product = BigInt(minor) * BigInt(whole + rest);
	if (shift >= 0) return Number(product * 10n ** BigInt(shift));
	const parts = 10n ** BigInt(-shift);
	return Number((2n * product + parts) / (2n * parts));
}

/**
 * Minor units of one currency in another's, rounded to its smallest coin, half a coin up.
 * @param minor not less than nothing
 * @param rate how much of `to` one unit of `from` is worth
 */
export const exchanged = (minor: number, from: string, to: string, rate: number): number =>
	timesExactly(minor, rate, minorDigits(to) - minorDigits(from));

/**
 * So many percent of an amount, rounded to its smallest coin, half a coin up.
 * @param minor not less than nothing
 */
export const percentOf = (minor: number, percent: number): number => timesExactly(minor, percent, -2);
