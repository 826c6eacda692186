import type { LightProblem } from '$core/engines/light/circuit.ts';
import { capital } from '$core/units/names.ts';
import { formatNumber } from '$core/units/number.ts';

const n = (value: number, digits = 1) => formatNumber(value, digits);

/** What is over a limit, and what to do. */
export function problemWords(problem: LightProblem, isAlone: boolean): string {
	const of = 'strand' in problem && !isAlone ? `${capital(problem.strand)}: ` : '';
	return of + capital(plainWords(problem));
}

function plainWords(problem: LightProblem): string {
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
