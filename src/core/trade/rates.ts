import type { TechniqueKey } from '../facts/step.ts';
import type { Rates } from '../facts/workshop.ts';
import type { ThreePoints } from '../units/threePoints.ts';
import { techniqueOf, type Catalogue } from './catalogue.ts';

/** How far a good and a bad day lie from the usual one, until logged work says better. Starting values. */
export const GOOD_DAY = 0.7;
export const BAD_DAY = 1.8;

/** Minutes per unit: the maker's own where set, else the starting value with its spread. */
export function rateOf(trade: Catalogue, technique: TechniqueKey, own: Rates = {}): ThreePoints {
	const { minutes } = techniqueOf(trade, technique);
	return own[technique] ?? [minutes * GOOD_DAY, minutes, minutes * BAD_DAY];
}

/** A starting amount may be so many times too little or too much. Starting value, from memory. */
export const GUESS_FACTOR = 2;
