import type { SpacingAsk } from '../engines/spacing/even.ts';
import type { LengthUnit } from '../units/measure.ts';
import { length, number } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** Middle to middle. */
export const apartFigure = (ask: SpacingAsk, count: number, unit: LengthUnit, from?: string): Figure => ({
	title: 'Middle to middle',
	formula: 'evenApart',
	as: { kind: 'length', unit },
	inputs: [
		length(ask.round ? 'all round' : 'edge', ask.length, unit, from ?? 'entered'),
		length(
			'kept at both ends',
			ask.round ? 0 : (ask.inset ?? 0),
			unit,
			ask.round || ask.inset === null ? 'none' : 'entered'
		),
		number(
			'distances',
			ask.round || ask.inset === null ? count : count - 1,
			ask.round
				? 'as many as marks: it closes'
				: ask.inset === null
					? 'as many as marks: half of one at each end'
					: 'one fewer than marks'
		)
	]
});
