import type { CELLS, Circuit, LightAnswer, LightProblem } from '$core/engines/light/circuit.ts';
import { formatNumber } from '$core/units/number.ts';

const n = (value: number, digits = 1) => formatNumber(value, digits);

/** What is over a limit, and what to do. */
export function problemWords(problem: LightProblem): string {
	switch (problem.what) {
		case 'supply':
			return `The cells have ${n(problem.shortVolts)} V too few for so many LEDs in a row: fewer in a row, or one more cell.`;
		case 'goesOut':
			return `It goes out at ${n(problem.volts)} V, before the cells are empty: one more cell in a row, or it lasts less long than worked out.`;
		case 'resistor':
			return `Each resistor turns ${n(problem.watts)} W to heat, more than any that is sold here bears: fewer volts, or less current.`;
		case 'hours':
			return `It lasts ${n(problem.hours)} h of the ${n(problem.wanted)} wanted: another row of cells, or less current.`;
		default:
			return `${n(problem.milliamps, 0)} mA are more than the ${problem.what === 'cells' ? 'cells give' : `${problem.what} bears`}: ${n(problem.most, 0)} mA.`;
	}
}

/** What it is made of. */
export function lightParts(
	cell: keyof typeof CELLS,
	{ inSeries, rows, strands, fuseMilliamps }: Circuit,
	{ strands: answers, milliamps }: LightAnswer
): { name: string; count: number; is: string }[] {
	const [strand] = strands;
	const [answer] = answers;
	if (!strand || !answer || answer.ohm === null) return [];
	return [
		{
			name: 'LED',
			count: strand.strings * strand.inSeries,
			is: `${n(strand.forwardVolts)} V at ${n(strand.milliamps)} mA`
		},
		{
			name: 'resistor',
			count: strand.strings,
			is: `${n(answer.ohm, 0)} Ω, ${answer.ratedWatts === null ? 'more than is sold' : `${n(answer.ratedWatts, 3)} W or more`}`
		},
		{
			name: `cell, ${cell}`,
			count: inSeries * rows,
			is: `${inSeries} in a row${rows > 1 ? `, ${rows} rows` : ''}, in a holder that closes`
		},
		{ name: 'switch', count: 1, is: `${n(milliamps, 0)} mA or more, within reach when it is worn` },
		...(fuseMilliamps === null
			? []
			: [{ name: 'fuse', count: 1, is: `${n(fuseMilliamps, 0)} mA, next to the cells` }])
	];
}
