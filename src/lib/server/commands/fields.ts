import pluralize from 'pluralize';
import { z } from 'zod';
import { say } from '$core/units/problem.ts';
import type { Parsed } from '$core/units/problem.ts';
import { parseDuration } from '$core/units/duration.ts';
import { parseClock, parseDate, parseLocalTime } from '$core/units/localTime.ts';
import {
	formatLength,
	parseArea,
	parseLength,
	parseSignedLength,
	type LengthUnit
} from '$core/units/measure.ts';
import { CURRENCIES, parseMoney } from '$core/units/money.ts';
import { parseNumber } from '$core/units/number.ts';
import { Refused } from '../db/rows.ts';
import { parseJson } from '../json.ts';

/** Form fields: text in, values of the core out, with the core's words when they cannot be read. */

export function read<T>(parse: (text: string) => Parsed<T>) {
	return z
		.string({ error: 'Needs a value.' })
		.max(500, 'Too long.')
		.transform((text, ctx): T => {
			const parsed = parse(text);
			if (parsed.ok) return parsed.value;
			ctx.addIssue({ code: 'custom', message: say(parsed.problem) });
			return z.NEVER;
		});
}

/**
 * One field of a form that has a field a line: `units12` of line 12. Null where nothing was typed.
 * @throws Refused at the field
 */
export function typedBeside<T>(
	fields: Readonly<Record<string, unknown>>,
	name: string,
	parse: (text: string) => Parsed<T>
): T | null {
	const text = fields[name];
	if (typeof text !== 'string' || text.trim() === '') return null;
	if (text.length > 500) throw new Refused('Too long.', name);
	const read = parse(text);
	if (!read.ok) throw new Refused(say(read.problem), name);
	return read.value;
}

/** Nothing typed is null. */
export const orNull = <T extends z.ZodType>(field: T) =>
	z.preprocess(
		(text) => (text === undefined || (typeof text === 'string' && text.trim() === '') ? null : text),
		field.nullable()
	);

// Control characters have no business in a name and break labels and exports.
// eslint-disable-next-line no-control-regex -- they are what is to be found
const clean = (text: string) => text.replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, '').trim();

export const text = (most = 200) =>
	z
		.string()
		.transform(clean)
		.pipe(z.string().max(most, `At most ${most} letters.`))
		.default('');
export const name = (most = 120) =>
	z
		.string({ error: 'Needs a name.' })
		.transform(clean)
		.pipe(z.string().min(1, 'Needs a name.').max(most, `At most ${most} letters.`));
export const note = () => text(4000);

export const whole = (least: number, most: number) =>
	read(parseNumber).pipe(
		z.number().int('Whole numbers only.').min(least, `At least ${least}.`).max(most, `At most ${most}.`)
	);
export const decimal = (least: number, most: number) =>
	read(parseNumber).pipe(z.number().min(least, `At least ${least}.`).max(most, `At most ${most}.`));
export const ratioOrNull = (least: number, most: number) => orNull(decimal(least, most));
export const above0 = (most: number) =>
	read(parseNumber).pipe(z.number().gt(0, 'Must be more than zero.').max(most, `At most ${most}.`));

/** How many times the area of the pieces a need is; nothing: the quantity is as entered. */
export const wasteOrNull = () => orNull(decimal(1, 5));

export const length = (unit: LengthUnit) => read((t) => parseLength(t, unit));
/** A length within limits, mm. */
export const lengthBetween = (unit: LengthUnit, least: number, most: number) =>
	length(unit).pipe(
		z
			.number()
			.min(least, `At least ${formatLength(least, unit)}.`)
			.max(most, `At most ${formatLength(most, unit)}.`)
	);
/** A length that may lie on the other side, mm. */
export const lengthEitherWay = (unit: LengthUnit, most: number) =>
	read((t) => parseSignedLength(t, unit)).pipe(
		z
			.number()
			.min(-most, `At most ${formatLength(most, unit)} either way.`)
			.max(most, `At most ${formatLength(most, unit)} either way.`)
	);
export const lengthOrNull = (unit: LengthUnit, least: number, most: number) =>
	orNull(lengthBetween(unit, least, most));
export const area = (unit: LengthUnit) => read((t) => parseArea(t, unit));
export const money = (currency: string) => read((t) => parseMoney(t, currency));
export const moneyOrNull = (currency: string) => orNull(money(currency));
export const duration = () => read(parseDuration);
export const durationOrNull = () => orNull(read(parseDuration));
export const date = () => read(parseDate);
export const dateOrNull = () => orNull(read(parseDate));
export const time = () => read(parseLocalTime);
export const clock = () => read(parseClock);

export const id = () => whole(1, 2_000_000_000);
export const idOrNull = () => orNull(id());
export const version = () => whole(1, 2_000_000_000);

export const choice = <const T extends readonly [string, ...string[]]>(options: T) =>
	z.enum(options, { error: 'Choose one of these.' });
/** One of the currencies; where none is sent, the usual one. */
export const currency = (usual: string) => choice(CURRENCIES).default(usual as (typeof CURRENCIES)[number]);
export const choiceOrNull = <const T extends readonly [string, ...string[]]>(options: T) =>
	orNull(choice(options));

/** A key of a table of the handbook. */
export const keyOf = (rows: Readonly<Record<string, unknown>>) =>
	z
		.string({ error: 'Choose one of these.' })
		.refine((key) => Object.hasOwn(rows, key), 'Choose one of these.');
export const keyOrNull = (rows: Readonly<Record<string, unknown>>) => orNull(keyOf(rows));

/** A checkbox: sent only when ticked. */
export const ticked = () =>
	z
		.string()
		.optional()
		.transform((v) => v !== undefined && v !== 'false');

/** JSON text of a form's field, checked by its own schema. */
export const json = <T extends z.ZodType>(schema: T, message: string, most = 50_000) =>
	z
		.string({ error: message })
		.max(most, 'Too much at once.')
		.transform((text, ctx) => {
			try {
				// A text that PostgreSQL keeps has no NUL, however it is written.
				return parseJson(Buffer.from(text.replaceAll('\\u0000', '')));
			} catch {
				ctx.addIssue({ code: 'custom', message });
				return z.NEVER;
			}
		})
		.pipe(schema);

/** Points of a picture, as JSON text: pairs of pixels. */
export const points = (least: number, most = 500) =>
	json(
		z
			.array(z.tuple([z.number(), z.number()]), { error: 'Needs points on the picture.' })
			.min(least, `Needs at least ${pluralize('point', least, true)}.`)
			.max(most, `At most ${most} points.`),
		'Needs points on the picture.'
	);

/** Ids of several rows: ticked boxes. */
export const ids = () => z.array(id()).default([]);
/** `3 7`: in the order in which they stand. */
export const idsInTurn = () => text(5000).transform((ids) => ids.split(' ').filter(Boolean).map(Number));

export const severalKeys = (rows: Readonly<Record<string, unknown>>) => z.array(keyOf(rows)).default([]);
export const several = <const T extends readonly [string, ...string[]]>(options: T) =>
	z.array(choice(options)).default([]);

/**
 * What two schemas read of one form, with the refusals of both. An intersection of the library fails where one of them has read a
 * field and the other has refused it unread.
 */
export function both<A extends z.ZodType, B extends z.ZodType>(a: A, b: B) {
	const schema = z.unknown().transform((form, context): z.output<A> & z.output<B> => {
		const [one, other] = [a.safeParse(form), b.safeParse(form)];
		for (const { path, message } of [...(one.error?.issues ?? []), ...(other.error?.issues ?? [])])
			context.addIssue({ code: 'custom', path: [...path], message });
		return Object.assign({}, one.data, other.data) as never;
	});
	return Object.assign(schema, { parts: [a, b] });
}
