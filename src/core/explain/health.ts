import { KNOWN_WEARS, type LearnedHold } from '../answers/holdRates.ts';
import type { WorkDone } from '../answers/afterEvent.ts';
import { KNOWN_PIECES, type Redo } from '../answers/redo.ts';
import { wetted, type Care } from '../answers/care.ts';
import { KIND_WEARS, type LookAt } from '../answers/inspection.ts';
import type { KitChoice, KitLine, KitTrouble } from '../answers/kitChoice.ts';
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
export const chanceFigure = (
	{ kindRate, faults, wears, loadFactor, ageFactor }: LookAt,
	title: string
): Figure => ({
	title,
	formula: 'letsGo',
	as: { kind: 'number', unit: '%' },
	inputs: [
		number('its kind, in ten wears', kindRate, 'How long it holds'),
		number('counts as', KIND_WEARS, 'from memory', 'wears'),
		number('let go', faults, 'Mend, of this component'),
		number('worn', wears, 'the log', 'wears'),
		number('oftener by its load', loadFactor, 'What holds it, when jumping; from memory'),
		number('oftener by its age', ageFactor, 'since it was made, or its cells were looked at; from memory')
	]
});

/** How likely work of a kind has to be done again, in a plan. */
export const redoFigure = ({ before, oftener, failed, done }: Redo, title: string): Figure => ({
	title,
	formula: 'redo',
	as: { kind: 'number', unit: '%' },
	inputs: [
		number('before', 100 * before, 'starting value, from memory', '%'),
		number('times oftener', oftener, 'what lets go of it in wears of the other costumes, against before'),
		number('counts as', KNOWN_PIECES, 'from memory', 'pieces of work'),
		number('failed', failed, 'Mend, of this costume'),
		number('done', done, 'Components', 'pieces of work')
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

/** Minutes that something is expected to cost at the next wear, without a kit. */
export const troubleFigure = ({ expected, lost }: KitTrouble, title: string): Figure => ({
	title,
	formula: 'product',
	as: { kind: 'number', unit: 'min' },
	inputs: [
		number('how often at the next wear', expected, 'Inspection, as it will be when all of it is made'),
		number(
			'minutes each time',
			lost,
			'starting value, from memory; pulled by minutes that faults cost',
			'min'
		)
	]
});

/** Minutes that the kit is expected to save. */
export const kitFigure = ({ troubles }: KitChoice, nameOf: (trouble: KitTrouble) => string): Figure => ({
	title: 'The kit saves',
	formula: 'sum',
	as: { kind: 'number', unit: 'min' },
	inputs: troubles.map((t) =>
		number(nameOf(t), t.costs * t.saves, `${Math.round(100 * t.saves)} % of what it costs`, 'min')
	)
});

/** What one thing of the kit brings. */
export const kitLineFigure = ({ name, saves, taken }: KitLine, { saves: all }: KitChoice): Figure => ({
	title: `${name}: saves`,
	formula: 'difference',
	as: { kind: 'number', unit: 'min' },
	inputs: [
		number('kit with it', taken ? all : all + saves, 'the best that helps of each', 'min'),
		number('kit without it', taken ? all - saves : all, 'the best that helps of each', 'min')
	]
});

/** What the kit weighs. */
export const kitWeighsFigure = ({ lines }: KitChoice): Figure => ({
	title: 'The kit weighs',
	formula: 'sum',
	as: { kind: 'number', unit: 'g' },
	inputs: lines
		.filter((l) => l.taken)
		.map((l) => number(l.name, l.grams, l.kept?.grams == null ? 'from memory' : 'by the scales', 'g'))
});

/** Hours of all kinds of work: as planned before anything was logged, or as logged. */
export const workFigure = (work: readonly WorkDone[], of: 'planned' | 'logged'): Figure => ({
	title: of === 'planned' ? 'Planned, of what has minutes' : 'Logged',
	formula: 'sum',
	as: { kind: 'minutes' },
	inputs: work
		.filter((w) => w.steps > 0)
		.map((w) =>
			minutes(w.name, w[of], of === 'planned' ? 'rates before the logs, amounts as they are' : 'Bench')
		)
});

/** The heat that it bears. */
export const bearsFigure = ({ reasons, component }: Care): Figure => ({
	title: `${component.code}: at most`,
	formula: 'least',
	as: { kind: 'number', unit: '°C' },
	inputs: reasons.flatMap(({ what, rule }) =>
		rule.mostC === null || rule.off
			? []
			: [number(what, rule.mostC, 'its label says its own; from memory', '°C')]
	)
});

/** Hours until it is dry. */
export const driesFigure = (care: Care, slower: number): Figure => ({
	title: `${care.component.code}: dry after`,
	formula: 'longest',
	as: { kind: 'number', unit: 'h' },
	inputs: [
		number('in the air of today, times', slower, 'Settings'),
		...wetted(care).map(({ what, rule }) => number(what, rule.dryHours, 'starting value, from memory', 'h'))
	]
});
