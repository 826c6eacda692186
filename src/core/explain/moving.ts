import type { Passage, stretchesIn } from '../answers/moving.ts';
import { length, minutes } from '../units/figure.ts';
import type { LengthUnit } from '../units/measure.ts';
import type { Figure } from './figure.ts';

/** The angle that an opening leaves. */
export const sightFigure = (way: string, openingMm: number, eyeMm: number, unit: LengthUnit): Figure => ({
	title: `Sight, ${way}`,
	formula: 'sight',
	as: { kind: 'number', unit: '°' },
	inputs: [length('opening', openingMm, unit), length('eye to opening', eyeMm, unit)]
});

/** How much of a day it is worn. */
export const wornFigure = (
	day: number,
	{ on, rest, own }: ReturnType<typeof stretchesIn>,
	isSaid = false
): Figure => {
	const source = own ? 'entered' : 'common practice for closed costumes';
	return {
		title: 'Worn in a day',
		formula: 'wornOf',
		as: { kind: 'minutes' },
		inputs: [
			minutes('the day', day, isSaid ? 'of its event' : 'starting value, from memory'),
			minutes('on at a stretch', on, source),
			minutes('off after it', rest, source)
		]
	};
};

/** How much too wide it is; less than nothing goes through. */
export const tooWideFigure = ({ name, mm, its }: Passage, unit: LengthUnit): Figure => ({
	title: `Before the ${name}`,
	formula: 'tooWide',
	as: { kind: 'length', unit },
	inputs: [length('the costume', its ?? 0, unit), length(name, mm, unit, 'common practice')]
});
