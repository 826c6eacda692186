import { z } from 'zod';
import { lineOf, type KnownLength } from '$core/answers/knownLengths.ts';
import { evenSpacing, type EvenSpacing, type SpacingAsk } from '$core/engines/spacing/even.ts';
import { placesOn } from '$core/engines/spacing/along.ts';
import { MARKS, type Strip } from '$core/engines/spacing/stencil.ts';
import type { LengthUnit } from '$core/units/measure.ts';
import type { Point } from '$core/units/point.ts';
import { say } from '$core/units/problem.ts';
import * as f from './commands/fields.ts';

/** 50 m of trim. */
const MOST = 50_000;

const asked = (unit: LengthUnit) =>
	z.object({
		length: f.lengthBetween(unit, 1, MOST),
		round: f.ticked(),
		apart: f.lengthBetween(unit, 1, MOST),
		count: f.orNull(f.whole(1, 5000)),
		mark: f.choice(MARKS),
		wide: f.lengthBetween(unit, 0.5, 500),
		high: f.lengthBetween(unit, 0.5, 500),
		inset: f.lengthOrNull(unit, 0, MOST)
	});

/** What nobody has typed yet: a metre of edge, studs of 8 mm about 4 cm apart. */
const BEGIN: Readonly<Record<string, string>> = {
	length: '1000 mm',
	apart: '40 mm',
	count: '',
	mark: 'rivet',
	wide: '8 mm',
	high: '8 mm',
	inset: '',
	from: ''
};
/** Of the strip beyond its marks, across, mm. */
const RIM = 12;

/** A length that is taken from what is there, with what it is drawn on. */
export interface TakenFrom extends Omit<KnownLength, 'at'> {
	drawn: { outline: Point[]; line: Point[]; marks: Point[] } | null;
}

export interface Spaced {
	/** What it may be taken from. */
	known: readonly Omit<KnownLength, 'at'>[];
	from: TakenFrom | null;
	/** As it was typed. */
	typed: Readonly<Record<string, string>>;
	errors: Readonly<Record<string, string>>;
	found: { ask: SpacingAsk; spacing: EvenSpacing; strip: Strip } | null;
}

/** What is asked for stands in the address: nothing is written. */
export function spacedBy(query: URLSearchParams, unit: LengthUnit, lengths: readonly KnownLength[]): Spaced {
	const typed: Record<string, string> = { ...BEGIN, ...Object.fromEntries(query) };
	const known = lengths.map(({ at: _, ...length }) => length);
	const source = lengths.find((l) => l.key === typed['from']) ?? null;
	const from = source && { ...known[lengths.indexOf(source)]!, drawn: null };
	if (typed['from'] && !source)
		return { known, from, typed, errors: { from: 'It is not there any more: choose again.' }, found: null };
	const fields = asked(unit);
	const read = source
		? fields
				.omit({ length: true, round: true })
				.transform((v) => ({ ...v, length: source.mm, round: source.round }))
				.safeParse(typed)
		: fields.safeParse(typed);
	if (!read.success)
		return {
			known,
			from,
			typed,
			errors: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0]), i.message])),
			found: null
		};
	const { mark, high: markHigh, ...ask } = read.data;
	const even = evenSpacing(ask);
	if (!even.ok) {
		const field = even.problem.code === 'insetTooLong' ? 'inset' : ask.count === null ? 'apart' : 'count';
		return { known, from, typed, errors: { [field]: say(even.problem) }, found: null };
	}
	const strip = {
		length: ask.length,
		high: markHigh + 2 * RIM,
		mark,
		wide: ask.wide,
		markHigh,
		places: even.value.places
	};
	const on = source?.at && lineOf(source.at);
	const drawn = on ? { ...on, marks: placesOn(on.line, even.value.places, ask.length) } : null;
	return {
		known,
		from: from && { ...from, drawn },
		typed,
		errors: {},
		found: { ask, spacing: even.value, strip }
	};
}
