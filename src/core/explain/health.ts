import { KNOWN_WEARS, type LearnedHold } from '../answers/holdRates.ts';
import { KIND_WEARS, type LookAt } from '../answers/inspection.ts';
import type { WearLog } from '../facts/health.ts';
import { minutes, number } from '../units/figure.ts';
import { dayWords } from '../units/localTime.ts';
import type { Figure } from './figure.ts';

/** How often a kind lets go, in ten wears. */
export const holdFigure = ({ before, faults, wears }: LearnedHold, name: string): Figure => ({
	title: `${name}: lets go in ten wears`,
	formula: 'holdRate',
	as: { kind: 'number' },
	inputs: [
		number('before', before, 'starting value, from memory'),
		number('counts as', KNOWN_WEARS, 'from memory', 'wears'),
		number('let go', faults, 'Mend'),
		number('worn', wears, 'the log, each thing of the kind', 'wears')
	]
});

/** How likely one thing lets go at the next wear. */
export const chanceFigure = ({ kindRate, faults, wears, factor }: LookAt, title: string): Figure => ({
	title,
	formula: 'letsGo',
	as: { kind: 'number', unit: '%' },
	inputs: [
		number('its kind, in ten wears', kindRate, 'How long it holds'),
		number('counts as', KIND_WEARS, 'from memory', 'wears'),
		number('let go', faults, 'Mend, of this component'),
		number('worn', wears, 'the log', 'wears'),
		number('oftener by its load', factor, 'What holds it, when jumping; from memory')
	]
});

/** How long it takes to look at what is left. */
export const lookFigure = (left: readonly LookAt[], nameOf: (look: LookAt) => string): Figure => ({
	title: 'To look at what is left',
	formula: 'sum',
	as: { kind: 'minutes' },
	inputs: left.map((look) => minutes(nameOf(look), look.minutes, 'from memory'))
});

/** How long it was worn. */
export const hoursWornFigure = (wears: readonly WearLog[]): Figure => ({
	title: 'Worn',
	formula: 'sum',
	as: { kind: 'number', unit: 'h' },
	inputs: wears
		.filter((w) => w.hours !== null)
		.map((w) => number(dayWords(w.wornOn), w.hours ?? 0, w.occasion, 'h'))
});
