import { nextValue, type ESeries } from './series.ts';

export interface Cell {
	volts: number;
	milliampHours: number;
	/** Where it is empty, V. */
	emptyVolts: number;
	/** What it gives without harm, mA; null where nobody knows. */
	mostMilliamps: number | null;
}
/** Usual cells by their trade names; the label says its own. From memory. */
export const CELLS = {
	AA: { volts: 1.5, milliampHours: 2500, emptyVolts: 0.9, mostMilliamps: 1000 },
	AAA: { volts: 1.5, milliampHours: 1000, emptyVolts: 0.9, mostMilliamps: 400 },
	'9V': { volts: 9, milliampHours: 500, emptyVolts: 6, mostMilliamps: 150 },
	CR2032: { volts: 3, milliampHours: 220, emptyVolts: 2, mostMilliamps: 15 }
} as const satisfies Record<string, Cell>;
/** What of a cell’s label is had at such a current. From memory. */
export const USABLE = 0.8;
/** Powers that resistors are sold for, W. */
export const RATINGS = [0.125, 0.25, 0.5, 1, 2, 5] as const;
/** Loaded to no more than half, so that nothing near it gets hot. Common practice. */
const LOADED = 0.5;
/** At its full power a resistor is so much warmer than what is round it, K: made for that at 70 °C, and to bear 155. From memory. */
export const WARM_AT_FULL = 85;

/** So many strings alike, each of LEDs one after the other behind a resistor of its own. */
export interface Strand {
	id: string;
	/** Of one LED, V: white and blue about 3.1, red 2.0 (from memory). */
	forwardVolts: number;
	/** Wanted through it. */
	milliamps: number;
	inSeries: number;
	strings: number;
}
export interface Circuit {
	cell: Cell;
	/** Cells one after the other, and such rows side by side. */
	inSeries: number;
	rows: number;
	strands: readonly Strand[];
	series: ESeries;
	/** What fuse and switch bear, mA; null where there is none. */
	fuseMilliamps: number | null;
	switchMilliamps: number | null;
	/** How long it has to last, h; null where nobody says. */
	hours: number | null;
}

export interface StrandAnswer {
	id: string;
	/** By Ohm’s law, and the one that is taken, Ω; null where the supply does not reach. */
	exactOhm: number | null;
	ohm: number | null;
	/** Through each string with that one. */
	milliamps: number;
	/** In each resistor, and the smallest that is sold for twice of it, W; null where none is. */
	resistorWatts: number;
	ratedWatts: number | null;
	/** How much warmer that gets than what is round it, K. */
	warmer: number;
	/** Of the cells together, V: below it goes out. */
	outAtVolts: number;
}
export type LightProblem =
	| { what: 'supply'; strand: string; shortVolts: number }
	| { what: 'goesOut'; strand: string; volts: number }
	| { what: 'resistor'; strand: string; watts: number }
	| { what: 'fuse' | 'switch' | 'cells'; milliamps: number; most: number }
	| { what: 'hours'; hours: number; wanted: number };
export interface LightAnswer {
	supplyVolts: number;
	strands: StrandAnswer[];
	milliamps: number;
	watts: number;
	/** Until the cells are empty; null where nothing lights. */
	hours: number | null;
	problems: LightProblem[];
}

/**
 * LEDs on cells: R = (Vs − n·Vf) ÷ I, the next of its series up, then what flows, gets warm, and how long it lasts.
 * Source: Ohm’s law; IEC 60063 for the values.
 *
 * @param circuit volts and currents more than nothing
 */
export function lightCircuit({ cell, inSeries, rows, strands, series, ...asked }: Circuit): LightAnswer {
	const supplyVolts = cell.volts * inSeries;
	const problems: LightProblem[] = [];
	const answers = strands.map((strand): StrandAnswer => {
		const { id, forwardVolts, inSeries: leds } = strand;
		const outAtVolts = forwardVolts * leds;
		const left = supplyVolts - outAtVolts;
		if (left <= 0) {
			problems.push({ what: 'supply', strand: id, shortVolts: -left });
			return {
				id,
				exactOhm: null,
				ohm: null,
				milliamps: 0,
				resistorWatts: 0,
				ratedWatts: null,
				warmer: 0,
				outAtVolts
			};
		}
		const exactOhm = left / (strand.milliamps / 1000);
		const ohm = nextValue(exactOhm, series);
		const amps = left / ohm;
		const resistorWatts = amps * left;
		const ratedWatts = RATINGS.find((rating) => resistorWatts <= rating * LOADED) ?? null;
		if (ratedWatts === null) problems.push({ what: 'resistor', strand: id, watts: resistorWatts });
		const emptyVolts = cell.emptyVolts * inSeries;
		if (outAtVolts > emptyVolts) problems.push({ what: 'goesOut', strand: id, volts: outAtVolts });
		return {
			id,
			exactOhm,
			ohm,
			milliamps: amps * 1000,
			resistorWatts,
			ratedWatts,
			warmer: (WARM_AT_FULL * resistorWatts) / (ratedWatts ?? RATINGS.at(-1)!),
			outAtVolts
		};
	});
	const milliamps = answers.reduce((sum, { milliamps }, i) => sum + milliamps * strands[i]!.strings, 0);
	const hours = milliamps > 0 ? (cell.milliampHours * rows * USABLE) / milliamps : null;
	const limits = [
		['fuse', asked.fuseMilliamps],
		['switch', asked.switchMilliamps],
		['cells', cell.mostMilliamps === null ? null : cell.mostMilliamps * rows]
	] as const;
	for (const [what, most] of limits)
		if (most !== null && milliamps > most) problems.push({ what, milliamps, most });
	if (asked.hours !== null && hours !== null && hours < asked.hours)
		problems.push({ what: 'hours', hours, wanted: asked.hours });
	return {
		supplyVolts,
		strands: answers,
		milliamps,
		watts: (supplyVolts * milliamps) / 1000,
		hours,
		problems
	};
}
