import type { As } from '$core/units/figure.ts';
import { write } from '$core/units/write.ts';
import { sayOf } from '$core/units/problem.ts';
import type { MeasureKind } from '$core/facts/picture.ts';
import type { MeasureWarning } from '$core/engines/plane/pictureMeasure.ts';
import type { LengthUnit } from '$core/units/measure.ts';
import { formatNumber } from '$core/units/number.ts';

export const KIND_WORDS: Record<MeasureKind, { name: string; how: string }> = {
	length: { name: 'length', how: 'Click its ends; more points follow a bend.' },
	circle: { name: 'circle, diameter', how: 'Click three points of its rim or more, spread round it.' },
	angle: { name: 'angle', how: 'Click one leg, the corner, the other leg.' },
	area: { name: 'area', how: 'Click round it.' },
	heads: { name: 'head heights', how: 'Click crown, then chin.' },
	straight: {
		name: 'straight edge',
		how: 'Click five points or more along an edge that is straight in truth, near the border: they tell how the lens bends.'
	}
};

/** How a value of this kind is written. */
export const asOf = (kind: MeasureKind, unit: LengthUnit): As =>
	kind === 'angle'
		? { kind: 'number', unit: '°' }
		: kind === 'heads'
			? { kind: 'number', unit: 'heads' }
			: { kind: kind === 'area' ? 'area' : 'length', unit };

/** Rounded to no more digits than are sure: to the place of the first digit of ±, one finer after a 1. */
function sure(value: number, sigma: number): number {
	const spread = 2 * sigma;
	const place = spread > 0 ? 10 ** Math.floor(Math.log10(spread)) : 1e-3;
	const step = spread / place < 2 ? place / 10 : place;
	return Math.round(value / step) * step;
}

export const sureWords = (kind: MeasureKind, value: number, sigma: number, unit: LengthUnit): string =>
	write(sure(value, sigma), asOf(kind, unit));

/** Twice the standard deviation: 95 of 100 lie within. */
export const plusMinus = (kind: MeasureKind, sigma: number, unit: LengthUnit): string => {
	const spread = sure(2 * sigma, sigma);
	return `± ${kind === 'angle' || kind === 'heads' ? formatNumber(spread, 2) : write(spread, asOf(kind, unit))}`;
};

export const warningWords = (warning: MeasureWarning): string =>
	warning.code === 'offPlane'
		? sayOf(warning.assumed ? 'offPlaneAssumed' : 'offPlane', { percent: formatNumber(warning.percent, 1) })
		: warning.code === 'tiltUnknown'
			? sayOf('tiltUnknown', { percent: formatNumber(warning.percent, 0) })
			: warning.code !== 'farFromReference'
				? sayOf(warning.code, {})
				: sayOf(warning.code, { times: formatNumber(warning.times, 1) });
