import { length } from '../units/figure.ts';
import type { LengthUnit } from '../units/measure.ts';
import type { Figure } from './figure.ts';

/** The angle that an opening leaves. */
export const sightFigure = (way: string, openingMm: number, eyeMm: number, unit: LengthUnit): Figure => ({
	title: `Sight, ${way}`,
	formula: 'sight',
	as: { kind: 'number', unit: '°' },
	inputs: [length('opening', openingMm, unit), length('eye to opening', eyeMm, unit)]
});
