import { z } from 'zod';
import { circuitOf, lightParts, type LightPart } from '$core/answers/lightParts.ts';
import { lightCircuit, type Circuit, type LightAnswer } from '$core/engines/light/circuit.ts';
import { CELL_KEYS, SERIES_KEYS, type KeptCircuit } from '$core/facts/wear.ts';
import * as f from './commands/fields.ts';

/** The fields of a circuit. */
export const circuitFields = {
	cell: f.choice(CELL_KEYS),
	inSeries: f.whole(1, 40),
	rows: f.whole(1, 20),
	volts: f.decimal(0.5, 60),
	milliamps: f.above0(5000),
	leds: f.whole(1, 50),
	strings: f.whole(1, 200),
	series: f.choice(SERIES_KEYS),
	hours: f.orNull(f.above0(1000)),
	fuse: f.orNull(f.above0(50_000)),
	switch: f.orNull(f.above0(50_000))
};
const asked = z.object(circuitFields);

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
	/** By field. */
	errors: Readonly<Record<string, string>>;
	found: { kept: KeptCircuit; circuit: Circuit; answer: LightAnswer; parts: LightPart[] } | null;
}

/** A circuit as it stands in the address: nothing is written. */
export function litBy(query: URLSearchParams): Lit {
	const typed = Object.fromEntries(
		Object.entries(BEGIN).map(([key, value]) => [key, query.get(key) ?? value])
	);
	const read = asked.safeParse(typed);
	if (!read.success)
		return {
			typed,
			errors: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0]), i.message])),
			found: null
		};
	const kept = read.data;
	const circuit = circuitOf(kept);
	return {
		typed,
		errors: {},
		found: { kept, circuit, answer: lightCircuit(circuit), parts: lightParts(kept) }
	};
}
