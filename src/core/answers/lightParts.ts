import type { KeptCircuit } from '../facts/wear.ts';
import { CELLS, lightCircuit, type Circuit } from '../engines/light/circuit.ts';
import { formatNumber } from '../units/number.ts';

/** What is worked out of a circuit as it was typed. */
export const circuitOf = (kept: KeptCircuit): Circuit => ({
	cell: CELLS[kept.cell],
	inSeries: kept.inSeries,
	rows: kept.rows,
	strands: [
		{
			id: 'lights',
			forwardVolts: kept.volts,
			milliamps: kept.milliamps,
			inSeries: kept.leds,
			strings: kept.strings
		}
	],
	series: kept.series,
	fuseMilliamps: kept.fuse,
	switchMilliamps: kept.switch,
	hours: kept.hours
});

export interface LightPart {
	name: string;
	count: number;
	/** What it has to be. */
	is: string;
	/** As it is bought. */
	material: string;
	/** Of one, from memory. */
	grams: number;
}

const CELL_GRAMS: Readonly<Record<KeptCircuit['cell'], number>> = { AA: 23, AAA: 11.5, '9V': 45, CR2032: 3 };
const n = (value: number, digits = 1) => formatNumber(value, digits);

/** What a circuit is made of; nothing where it does not light. */
export function lightParts(kept: KeptCircuit): LightPart[] {
	const { strands, milliamps } = lightCircuit(circuitOf(kept));
	const [strand] = strands;
	if (!strand || strand.ohm === null) return [];
	const ohm = `${n(strand.ohm, 0)} Ω`;
	const volts = `${n(kept.volts)} V`;
	return [
		{
			name: 'LED',
			count: kept.strings * kept.leds,
			is: `${volts} at ${n(kept.milliamps)} mA`,
			material: `LED, ${volts}`,
			grams: 0.3
		},
		{
			name: 'resistor',
			count: kept.strings,
			is: `${ohm}, ${strand.ratedWatts === null ? 'more than is sold' : `${n(strand.ratedWatts, 3)} W or more`}`,
			material: `resistor, ${ohm}`,
			grams: 0.2
		},
		{
			name: `cell, ${kept.cell}`,
			count: kept.inSeries * kept.rows,
			is: `${kept.inSeries} in a row${kept.rows > 1 ? `, ${kept.rows} rows` : ''}, in a holder that closes`,
			material: `cell, ${kept.cell}`,
			grams: CELL_GRAMS[kept.cell]
		},
		{
			name: 'switch',
			count: 1,
			is: `${n(milliamps, 0)} mA or more, within reach when it is worn`,
			material: 'switch',
			grams: 3
		},
		...(kept.fuse === null
			? []
			: [
					{
						name: 'fuse',
						count: 1,
						is: `${n(kept.fuse, 0)} mA, next to the cells`,
						material: `fuse, ${n(kept.fuse, 0)} mA`,
						grams: 1
					}
				])
	];
}
