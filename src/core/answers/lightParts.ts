import type { KeptCircuit, KeptStrand } from '../facts/wear.ts';
import { CELLS, lightCircuit, type Circuit } from '../engines/light/circuit.ts';
import { formatNumber } from '../units/number.ts';

/** The first and what is beside it. */
export const strandsOf = (kept: KeptCircuit): KeptStrand[] => [kept, ...(kept.more ?? [])];
/** `strand 2`. */
export const strandWords = (i: number): string => `strand ${i + 1}`;

export const STRAND_KEYS = ['volts', 'milliamps', 'leds', 'strings'] as const;

/** A circuit as it is typed: `volts2` is of its second strand, the first has plain names. */
export const typedCircuit = ({ more = [], ...kept }: KeptCircuit): Record<string, string> =>
	Object.fromEntries(
		[
			...Object.entries(kept),
			...more.flatMap((strand, k) => STRAND_KEYS.map((key) => [`${key}${k + 2}`, strand[key]] as const))
		].map(([key, value]) => [key, value === null ? '' : String(value)])
	);

/** What is worked out of a circuit as it was typed. */
export const circuitOf = (kept: KeptCircuit): Circuit => ({
	cell: CELLS[kept.cell],
	inSeries: kept.inSeries,
	rows: kept.rows,
	strands: strandsOf(kept).map((strand, i) => ({
		id: strandWords(i),
		forwardVolts: strand.volts,
		milliamps: strand.milliamps,
		inSeries: strand.leds,
		strings: strand.strings
	})),
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

/** What is bought as the same, counted once: it has to be what each of them asks for. */
function together(parts: readonly LightPart[]): LightPart[] {
	const by = new Map<string, LightPart>();
	for (const part of parts) {
		const same = by.get(part.material);
		by.set(
			part.material,
			same ? { ...same, is: bothWords(same.is, part.is), count: same.count + part.count } : part
		);
	}
	return [...by.values()];
}
const bothWords = (a: string, b: string): string => (a.includes(b) ? a : `${a}; ${b}`);

/** What a circuit is made of, the same of several strands together; nothing where any of them does not light. */
export function lightParts(kept: KeptCircuit): LightPart[] {
	const { strands, milliamps } = lightCircuit(circuitOf(kept));
	if (strands.some((s) => s.ohm === null)) return [];
	const lights = strandsOf(kept).flatMap(({ volts, milliamps: its, leds, strings }, i): LightPart[] => {
		const { ohm, ratedWatts } = strands[i]!;
		return [
			{
				name: 'LED',
				count: strings * leds,
				is: `${n(volts)} V at ${n(its)} mA`,
				material: `LED, ${n(volts)} V`,
				grams: 0.3
			},
			{
				name: 'resistor',
				count: strings,
				is: `${n(ohm!, 0)} Ω, ${ratedWatts === null ? 'more than is sold' : `${n(ratedWatts, 3)} W or more`}`,
				material: `resistor, ${n(ohm!, 0)} Ω`,
				grams: 0.2
			}
		];
	});
	return [
		...together(lights),
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
