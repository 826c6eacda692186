import { RATINGS, USABLE, WARM_AT_FULL, type Circuit, type StrandAnswer } from '../engines/light/circuit.ts';
import { number, type Input } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** What is left for the resistor: supply, LEDs in a row, volts of one. Of its first strand, as all here. */
function over({ cell, inSeries, strands: [strand] }: Circuit): Input[] {
	return [
		number('supply', cell.volts * inSeries, `${inSeries} cells of ${cell.volts} V`, 'V'),
		number('LEDs in a row', strand?.inSeries ?? 0),
		number('volts of one', strand?.forwardVolts ?? 0, 'entered; its data sheet says it', 'V')
	];
}

/** The resistor by Ohm’s law, before the next that is sold. */
export const resistorFigure = (circuit: Circuit): Figure => ({
	title: 'Resistor of each string',
	formula: 'ledResistor',
	as: { kind: 'number', unit: 'Ω' },
	inputs: [...over(circuit), number('current', circuit.strands[0]?.milliamps ?? 0, 'entered', 'mA')]
});

/** What flows through all strings. */
export const ledCurrentFigure = (
	circuit: Circuit,
	ohm: number,
	strings = circuit.strands[0]?.strings ?? 0
): Figure => ({
	title: strings === 1 ? 'Current through one string' : 'Current of all',
	formula: 'ledCurrent',
	as: { kind: 'number', unit: 'mA' },
	inputs: [
		...over(circuit),
		number('resistor', ohm, `next of ${circuit.series} up, IEC 60063`, 'Ω'),
		number('strings', strings)
	]
});

/** How long the cells last. */
export const hoursFigure = ({ cell, rows }: Circuit, milliamps: number): Figure => ({
	title: 'Lasts',
	formula: 'cellHours',
	as: { kind: 'number', unit: 'h' },
	inputs: [
		number('a cell holds', cell.milliampHours, 'from memory; its label says it', 'mAh'),
		number('rows of cells', rows),
		number('of that is had', USABLE, 'from memory'),
		number('current of all', milliamps, 'as it flows', 'mA')
	]
});

/** What each resistor turns to heat. */
export const heatFigure = (circuit: Circuit, ohm: number): Figure => ({
	title: 'Heat of each resistor',
	formula: 'resistorHeat',
	as: { kind: 'number', unit: 'W' },
	inputs: [...over(circuit), number('resistor', ohm, `next of ${circuit.series} up, IEC 60063`, 'Ω')]
});

/** How much warmer than what is round it each resistor gets. */
export const warmerFigure = ({ resistorWatts, ratedWatts }: StrandAnswer): Figure => ({
	title: 'Each resistor gets warmer by',
	formula: 'resistorWarm',
	as: { kind: 'number', unit: 'K' },
	inputs: [
		number('warmer at full power', WARM_AT_FULL, 'made for 70 °C, bears 155; from memory', 'K'),
		number('heat', resistorWatts, 'as it flows', 'W'),
		number('sold for', ratedWatts ?? RATINGS.at(-1)!, 'the smallest for twice of it', 'W')
	]
});
