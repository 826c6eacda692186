import type { Settings } from '$core/costume/record.ts';
import type { Step } from '$core/costume/step.ts';
import { TECHNIQUES } from '$core/costume/technique.ts';
import { formatArea, formatLength } from '$core/units/measure.ts';
import { formatNumber } from '$core/units/number.ts';

/** A driver amount as it is read and typed, in the workshop's units. */
export function amountText(step: Pick<Step, 'technique' | 'amount'>, settings: Settings): string {
	const { driver } = TECHNIQUES[step.technique];
	if (driver === 'length') return formatLength(step.amount, settings.clothUnit);
	if (driver === 'area') return formatArea(step.amount, settings.lengthUnit);
	return formatNumber(step.amount);
}

/** The same with what it counts: `3 m outline`, `4 pieces`. */
export function amountWords(step: Pick<Step, 'technique' | 'amount'>, settings: Settings): string {
	const { driver, of } = TECHNIQUES[step.technique];
	const text = amountText(step, settings);
	if (driver === 'count') return `${text} ${of}${step.amount === 1 ? '' : 's'}`;
	return driver === 'area' ? text : `${text} ${of}`;
}
