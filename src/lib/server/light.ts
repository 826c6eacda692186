import { z } from 'zod';
import { circuitOf, lightParts, STRAND_KEYS, type LightPart } from '$core/answers/lightParts.ts';
import { lightCircuit, type Circuit, type LightAnswer } from '$core/engines/light/circuit.ts';
import { CELL_KEYS, MOST_STRANDS, SERIES_KEYS, type KeptCircuit, type KeptStrand } from '$core/facts/wear.ts';
import * as f from './commands/fields.ts';
import { Refused } from './db/rows.ts';

const strandFields = {
	volts: f.decimal(0.5, 60),
	milliamps: f.above0(5000),
	leds: f.whole(1, 50),
	strings: f.whole(1, 200)
};
/** `volts2`: of the second strand; the first has plain names. */
const BESIDE = Array.from({ length: MOST_STRANDS - 1 }, (_, i) => i + 2);
const besideFields: Record<string, z.ZodType<number | null>> = Object.fromEntries(
	BESIDE.flatMap((i) => STRAND_KEYS.map((key) => [`${key}${i}`, f.orNull(strandFields[key])]))
);

/** The fields of a circuit. */
export const circuitFields = {
	cell: f.choice(CELL_KEYS),
	inSeries: f.whole(1, 40),
	rows: f.whole(1, 20),
	...strandFields,
	series: f.choice(SERIES_KEYS),
	hours: f.orNull(f.above0(1000)),
	fuse: f.orNull(f.above0(50_000)),
	switch: f.orNull(f.above0(50_000)),
	...besideFields
};
const asked = z.object(circuitFields);

/** The circuit that was typed. A strand is there as soon as anything of it is. @throws Refused at the field that it lacks */
export function circuitFrom({
	cell,
	inSeries,
	rows,
	volts,
	milliamps,
	leds,
	strings,
	series,
	hours,
	fuse,
	switch: bears,
	...others
}: z.infer<typeof asked>): KeptCircuit {
	const beside: Readonly<Record<string, number | null | undefined>> = others;
	const more = BESIDE.flatMap((i): KeptStrand[] => {
		const its = STRAND_KEYS.map((key) => beside[`${key}${i}`] ?? null);
		if (its.every((value) => value === null)) return [];
		const missing = its.indexOf(null);
		if (missing >= 0) throw new Refused('Needs a value.', `${STRAND_KEYS[missing]}${i}`);
		const [volts, milliamps, leds, strings] = its as [number, number, number, number];
		return [{ volts, milliamps, leds, strings }];
	});
	const kept = { cell, inSeries, rows, volts, milliamps, leds, strings, series, hours, fuse, switch: bears };
	return more.length ? { ...kept, more } : kept;
}

/** What nobody has typed yet: four white LEDs on four AA cells, for a day. */
const BEGIN: Readonly<Record<string, string>> = {
	cell: 'AA',
	inSeries: '4',
	rows: '1',
	volts: '3.1',
	milliamps: '20',
	leds: '1',
	strings: '4',
	series: 'E24',
	hours: '8',
	fuse: '500',
	switch: ''
};

export interface Lit {
	typed: Readonly<Record<string, string>>;
	/** Of which anything is typed: 1 for the first. */
	strands: number[];
	/** By field. */
	errors: Readonly<Record<string, string>>;
	found: { kept: KeptCircuit; circuit: Circuit; answer: LightAnswer; parts: LightPart[] } | null;
}

/** A circuit as it stands in the address: nothing is written. */
export function litBy(query: URLSearchParams, hours: number | null = null): Lit {
	const typed: Record<string, string> = { ...BEGIN, ...(hours === null ? {} : { hours: String(hours) }) };
	for (const key of Object.keys(circuitFields)) {
		const its = query.get(key);
		if (its !== null) typed[key] = its;
	}
	const strands = [1, ...BESIDE.filter((i) => STRAND_KEYS.some((key) => typed[`${key}${i}`]?.trim()))];
	const wrong = (errors: Lit['errors']): Lit => ({ typed, strands, errors, found: null });
	const read = asked.safeParse(typed);
	if (!read.success)
		return wrong(Object.fromEntries(read.error.issues.map((i) => [String(i.path[0]), i.message])));
	try {
		const kept = circuitFrom(read.data);
		const circuit = circuitOf(kept);
		return {
			typed,
			strands,
			errors: {},
			found: { kept, circuit, answer: lightCircuit(circuit), parts: lightParts(kept) }
		};
	} catch (refused) {
		if (refused instanceof Refused && refused.field) return wrong({ [refused.field]: refused.message });
		throw refused;
	}
}
