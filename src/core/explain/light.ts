import { circuitOf } from '../answers/lightParts.ts';
import {
	lightCircuit,
	RATINGS,
	USABLE,
	WARM_AT_FULL,
	type Circuit,
	type StrandAnswer
} from '../engines/light/circuit.ts';
import type { KeptCircuit } from '../facts/wear.ts';
import { number, type Input } from '../units/figure.ts';
import { formatNumber } from '../units/number.ts';
import type { Figure } from './figure.ts';

/** What is left for the resistor: supply, LEDs in a row, volts of one. */
function over({ cell, inSeries, strands }: Circuit, of: number): Input[] {
	const strand = strands[of];
	return [
		number('supply', cell.volts * inSeries, `${inSeries} cells of ${cell.volts} V`, 'V'),
		number('LEDs in a row', strand?.inSeries ?? 0),
		number('volts of one', strand?.forwardVolts ?? 0, 'entered; its data sheet says it', 'V')
	];
}

/** `, strand 2`, where there are several. */
const strandOf = ({ strands }: Circuit, of: number): string =>
	strands.length > 1 ? `, ${strands[of]?.id ?? ''}` : '';

/** The resistor by Ohm’s law, before the next that is sold. */
export const resistorFigure = (circuit: Circuit, of = 0): Figure => ({
	title: `Resistor of each string${strandOf(circuit, of)}`,
	formula: 'ledResistor',
	as: { kind: 'number', unit: 'Ω' },
	inputs: [...over(circuit, of), number('current', circuit.strands[of]?.milliamps ?? 0, 'entered', 'mA')]
});

/** What flows through one string. */
export const stringCurrentFigure = (circuit: Circuit, ohm: number, of = 0): Figure => ({
	title: `Current through one string${strandOf(circuit, of)}`,
	formula: 'ledCurrent',
	as: { kind: 'number', unit: 'mA' },
	inputs: [
		...over(circuit, of),
		number('resistor', ohm, `next of ${circuit.series} up, IEC 60063`, 'Ω'),
		number('strings', 1)
	]
});

/** What flows through all strings of all strands. */
export const ledCurrentFigure = (circuit: Circuit, strands: readonly StrandAnswer[]): Figure => ({
	title: 'Current of all',
	formula: 'sum',
	as: { kind: 'number', unit: 'mA' },
	inputs: strands.map(({ id, milliamps }, i) => {
		const { strings } = circuit.strands[i]!;
		return number(id, strings * milliamps, `${strings} strings of ${formatNumber(milliamps, 2)} mA`, 'mA');
	})
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

/** The same of a circuit that is kept. */
export function keptHoursFigure(kept: KeptCircuit): Figure {
	const circuit = circuitOf(kept);
	return hoursFigure(circuit, lightCircuit(circuit).milliamps);
}

/** What each resistor turns to heat. */
export const heatFigure = (circuit: Circuit, ohm: number, of = 0): Figure => ({
	title: `Heat of each resistor${strandOf(circuit, of)}`,
	formula: 'resistorHeat',
	as: { kind: 'number', unit: 'W' },
	inputs: [...over(circuit, of), number('resistor', ohm, `next of ${circuit.series} up, IEC 60063`, 'Ω')]
});

/** How much warmer than what is round it each resistor gets. */
export const warmerFigure = (
	{ resistorWatts, ratedWatts }: StrandAnswer,
	circuit: Circuit,
	of = 0
): Figure => ({
	title: `Each resistor gets warmer by${strandOf(circuit, of)}`,
	formula: 'resistorWarm',
	as: { kind: 'number', unit: 'K' },
	inputs: [
		number('warmer at full power', WARM_AT_FULL, 'made for 70 °C, bears 155; from memory', 'K'),
		number('heat', resistorWatts, 'as it flows', 'W'),
		number('sold for', ratedWatts ?? RATINGS.at(-1)!, 'the smallest for twice of it', 'W')
	]
});
