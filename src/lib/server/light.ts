import { z } from 'zod';
import { CELLS, lightCircuit, type Circuit, type LightAnswer } from '$core/engines/light/circuit.ts';
import * as f from './commands/fields.ts';

export const CELL_KEYS = ['AA', 'AAA', '9V', 'CR2032'] as const satisfies (keyof typeof CELLS)[];

const asked = z.object({
	cell: f.choice(CELL_KEYS),
	inSeries: f.whole(1, 40),
	rows: f.whole(1, 20),
	volts: f.decimal(0.5, 60),
	milliamps: f.above0(5000),
	leds: f.whole(1, 50),
	strings: f.whole(1, 200),
	series: f.choice(['E12', 'E24']),
	hours: f.orNull(f.above0(1000)),
	fuse: f.orNull(f.above0(50_000)),
	switch: f.orNull(f.above0(50_000))
});

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
	found: { cell: (typeof CELL_KEYS)[number]; circuit: Circuit; answer: LightAnswer } | null;
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
	const v = read.data;
	const circuit: Circuit = {
		cell: CELLS[v.cell],
		inSeries: v.inSeries,
		rows: v.rows,
		strands: [
			{ id: 'lights', forwardVolts: v.volts, milliamps: v.milliamps, inSeries: v.leds, strings: v.strings }
		],
		series: v.series,
		fuseMilliamps: v.fuse,
		switchMilliamps: v.switch,
		hours: v.hours
	};
	return { typed, errors: {}, found: { cell: v.cell, circuit, answer: lightCircuit(circuit) } };
}
