import { bad, good, type Parsed } from './problem.ts';
import { formatNumber, parseNumber } from './number.ts';

/**
 * Exact metric values of the units makers type.
 * Yard and pound: international yard and pound agreement of 1959: 1 yd = 0.9144 m, 1 lb = 0.45359237 kg.
 * Inch = yd/36, foot = yd/3, ounce = lb/16.
 */
export const MM_PER = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8, yd: 914.4 } as const;
/** Millilitres of a unit that liquids are counted in. */
export const ML_PER = { ml: 1, cl: 10, l: 1000 } as const;
export const G_PER = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 } as const;

export type LengthUnit = keyof typeof MM_PER;
export type WeightUnit = keyof typeof G_PER;

const LENGTH_WORDS: Record<string, LengthUnit> = {
	mm: 'mm',
	cm: 'cm',
	m: 'm',
	in: 'in',
	inch: 'in',
	inches: 'in',
	'"': 'in',
	'”': 'in',
	'″': 'in',
	ft: 'ft',
	foot: 'ft',
	feet: 'ft',
	"'": 'ft',
	'’': 'ft',
	'′': 'ft',
	yd: 'yd',
	yard: 'yd',
	yards: 'yd'
};

/** One kilometre: nothing on a costume is longer, and a slipped unit is caught. */
const LONGEST_MM = 1_000_000;
const LARGEST_MM2 = 1e9;

/** One signed quantity and its unit word. */
function parts(text: string): [string, string] | null {
	const found = /^([+-]?[\d.,\s/½⅓⅔¼¾⅛⅜⅝⅞-]*?)\s*([a-z"'”″’′]*)$/i.exec(text.trim());
	return found && found[1]!.trim() !== '' ? [found[1]!.trim(), found[2]!.toLowerCase()] : null;
}

/**
 * A length in mm from what a maker types: `5 1/2"`, `14cm`, `1.2 m`, `3 yd`, `2' 3"`, `6mm`.
 * A bare number is in `unit`. Zero is allowed; less, or more than 1 km, is a problem.
 */
export function parseLength(text: string, unit: LengthUnit): Parsed<number> {
	const clean = text.trim();
	if (clean === '') return bad('empty');
	const feet = /^(\d+)\s*(?:'|’|′|ft)\s*(\d[^'’′]*?)\s*(?:"|”|″|in)?$/i.exec(clean);
	if (feet) {
		const inches = parseNumber(feet[2]!);
		if (!inches.ok) return bad('notALength', { text: clean });
		return inRange(Number(feet[1]) * MM_PER.ft + inches.value * MM_PER.in, LONGEST_MM, '1 km');
	}
	const found = parts(clean);
	if (!found) return bad('notALength', { text: clean });
	const known = found[1] === '' ? unit : LENGTH_WORDS[found[1]];
	if (!known) return bad('unknownUnit', { unit: found[1], known: 'mm, cm, m, in, ft or yd' });
	const value = parseNumber(found[0]);
	if (!value.ok) return value.problem.code === 'thousandsOrNot' ? value : bad('notALength', { text: clean });
	return inRange(value.value * MM_PER[known], LONGEST_MM, '1 km');
}

/** The same, but it may be less than nothing; nothing typed is 0. */
export function parseSignedLength(text: string, unit: LengthUnit): Parsed<number> {
	const bare = text.trim().replace(/^[-−–]/, '');
	const read = parseLength(bare === '' ? '0' : bare, unit);
	return read.ok && /^\s*[-−–]/.test(text) ? good(-read.value) : read;
}

/**
 * An area in mm²: `0.4 m2`, `350 cm²`, `30cm x 40cm`. A bare number is in square metres
 * when `unit` is metric, in square feet when not: so cans and sheets are labelled.
 */
export function parseArea(text: string, unit: LengthUnit): Parsed<number> {
	const clean = text.trim();
	if (clean === '') return bad('empty');
	const sides = clean.split(/\s*[x×*]\s*/i);
	if (sides.length === 2) {
		const across = parseLength(sides[0]!, unit);
		const along = parseLength(sides[1]!, unit);
		if (!across.ok || !along.ok) return bad('notAnArea', { text: clean });
		return inRange(across.value * along.value, LARGEST_MM2, '1000 m²');
	}
	const found = /^([+-]?[\d.,\s/]+)\s*(?:(mm|cm|m|in|ft|yd)\s*(?:2|²)?|sq\s*(in|ft|yd|m|cm|mm))?$/i.exec(
		clean
	);
	if (!found) return bad('notAnArea', { text: clean });
	const value = parseNumber(found[1]!);
	if (!value.ok) return bad('notAnArea', { text: clean });
	const word = (found[2] ?? found[3] ?? areaUnit(unit)).toLowerCase() as LengthUnit;
	return inRange(value.value * MM_PER[word] ** 2, LARGEST_MM2, '1000 m²');
}

/** A nanometre: far below any measure, above what floating multiplication adds (36 × 25.4 is 914.4000000000001). */
const GRAIN = 1e6;

function inRange(exact: number, most: number, words: string): Parsed<number> {
	const value = Math.round(exact * GRAIN) / GRAIN;
	if (value < 0) return bad('negative');
	if (value > most) return bad('tooLarge', { most: words });
	return good(value);
}

const isImperial = (unit: LengthUnit) => unit === 'in' || unit === 'ft' || unit === 'yd';
const areaUnit = (unit: LengthUnit): LengthUnit => (isImperial(unit) ? 'ft' : 'm');

/** Inches as makers read them: to the nearest 1/16, `5 1/2"`. */
function formatInches(mm: number): string {
	const sixteenths = Math.round((mm / MM_PER.in) * 16);
	const whole = Math.floor(sixteenths / 16);
	let top = sixteenths % 16;
	if (top === 0) return `${whole}"`;
	let under = 16;
	while (top % 2 === 0) {
		top /= 2;
		under /= 2;
	}
	return `${whole > 0 ? `${whole} ` : ''}${top}/${under}"`;
}

/** From here on a length is read in the unit of long lines, mm. */
const LONG = 10_000;

/** What a length is read in: its own unit, or the one of cloth and long lines. */
export const unitFor = (mm: number, unit: LengthUnit, long: LengthUnit): LengthUnit =>
	mm < LONG ? unit : long;

/** A length in the chosen unit, with the unit. Stored values stay exact; this is for reading. */
export function formatLength(mm: number, unit: LengthUnit): string {
	if (unit === 'in') return formatInches(mm);
	const digits = unit === 'mm' ? 1 : 2;
	return `${formatNumber(mm / MM_PER[unit], digits)} ${unit}`;
}

export function formatArea(mm2: number, unit: LengthUnit): string {
	const side = areaUnit(unit);
	return `${formatNumber(mm2 / MM_PER[side] ** 2, 3)} ${side}²`;
}

/** Pieces are read in square centimetres or inches; from a tenth of the large unit on in that. */
export function formatSmallArea(mm2: number, unit: LengthUnit): string {
	const small = isImperial(unit) ? 'in' : 'cm';
	return mm2 >= 0.1 * MM_PER[areaUnit(unit)] ** 2
		? formatArea(mm2, unit)
		: `${formatNumber(mm2 / MM_PER[small] ** 2, 1)} ${small}²`;
}
