/**
 * "Show the working": a figure with its inputs, formula and source. A figure names its formula, so that the
 * page can work it out again with one input changed, by the same code.
 */
import type { LengthUnit } from './measure.ts';

/** How a number is written and typed. */
export type As =
	| { kind: 'number'; unit?: string }
	| { kind: 'length'; unit: LengthUnit }
	| { kind: 'area'; unit: LengthUnit }
	| { kind: 'minutes' }
	| { kind: 'wait' }
	| { kind: 'money'; currency: string }
	| { kind: 'day' }
	| { kind: 'time' };

export interface Input {
	name: string;
	value: number;
	as: As;
	/** Where it is from: `entered`, `starting value, edit`, a source. */
	source: string;
}

/** A figure by one of the formulas named. */
export interface FigureOf<Formula extends string> {
	title: string;
	formula: Formula;
	inputs: Input[];
	as: As;
}

export const number = (name: string, value: number, source = 'entered', unit?: string): Input => ({
	name,
	value,
	as: { kind: 'number', ...(unit ? { unit } : {}) },
	source
});
export const length = (name: string, value: number, unit: LengthUnit, source = 'entered'): Input => ({
	name,
	value,
	as: { kind: 'length', unit },
	source
});
export const minutes = (name: string, value: number, source = 'entered'): Input => ({
	name,
	value,
	as: { kind: 'minutes' },
	source
});
export const money = (name: string, value: number, currency: string, source = 'entered'): Input => ({
	name,
	value,
	as: { kind: 'money', currency },
	source
});
export const day = (name: string, value: number, source = 'entered'): Input => ({
	name,
	value,
	as: { kind: 'day' },
	source
});
