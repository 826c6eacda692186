import type { Figure } from './figure.ts';
import { number } from '../units/figure.ts';
import type { Lab } from '../units/lab.ts';

/** How far two colours are apart. */
export const differenceFigure = (
	title: string,
	[one, oneFrom]: readonly [Lab, string],
	[other, otherFrom]: readonly [Lab, string]
): Figure => ({
	title: `Difference: ${title}`,
	formula: 'colourDifference',
	as: { kind: 'number', unit: 'ΔE00' },
	inputs: [
		number('lightness wanted', one[0], oneFrom),
		number('green to red', one[1], oneFrom),
		number('blue to yellow', one[2], oneFrom),
		number('lightness had', other[0], otherFrom),
		number('green to red', other[1], otherFrom),
		number('blue to yellow', other[2], otherFrom)
	]
});
