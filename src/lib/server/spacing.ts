import { z } from 'zod';
import { evenSpacing, type EvenSpacing, type SpacingAsk } from '$core/engines/spacing/even.ts';
import { MARKS, type Strip } from '$core/engines/spacing/stencil.ts';
import type { LengthUnit } from '$core/units/measure.ts';
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
	inset: ''
};
/** Of the strip beyond its marks, across, mm. */
const RIM = 12;

export interface Spaced {
	/** As it was typed. */
	typed: Readonly<Record<string, string>>;
	errors: Readonly<Record<string, string>>;
	found: { ask: SpacingAsk; spacing: EvenSpacing; strip: Strip } | null;
}

/** What is asked for stands in the address: nothing is written. */
export function spacedBy(query: URLSearchParams, unit: LengthUnit): Spaced {
	const typed = { ...BEGIN, ...Object.fromEntries(query) };
	const read = asked(unit).safeParse(typed);
	if (!read.success)
		return {
			typed,
			errors: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0]), i.message])),
			found: null
		};
	const { mark, high: markHigh, ...ask } = read.data;
	const even = evenSpacing(ask);
	if (!even.ok) {
		const field = even.problem.code === 'insetTooLong' ? 'inset' : ask.count === null ? 'apart' : 'count';
		return { typed, errors: { [field]: say(even.problem) }, found: null };
	}
	const strip = {
		length: ask.length,
		high: markHigh + 2 * RIM,
		mark,
		wide: ask.wide,
		markHigh,
		places: even.value.places
	};
	return { typed, errors: {}, found: { ask, spacing: even.value, strip } };
}
