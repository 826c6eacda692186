import pluralize from 'pluralize';
import type { Workshop } from '$core/facts/workshop.ts';
import type { Step } from '$core/facts/step.ts';
import { catalogueOf, techniqueOf } from '$core/trade/catalogue.ts';
import { formatArea, formatLength } from '$core/units/measure.ts';
import { formatNumber } from '$core/units/number.ts';

type Units = Pick<Workshop, 'settings' | 'handbook'>;

/** A driver amount as it is read and typed, in the workshop's units. */
export function amountText(step: Pick<Step, 'technique' | 'amount'>, workshop: Units): string {
	const { driver } = techniqueOf(catalogueOf(workshop.handbook), step.technique);
	if (driver === 'length') return formatLength(step.amount, workshop.settings.clothUnit);
	if (driver === 'area') return formatArea(step.amount, workshop.settings.lengthUnit);
	return formatNumber(step.amount);
}

/** The same with what it counts: `3 m outline`, `4 pieces`. */
export function amountWords(step: Pick<Step, 'technique' | 'amount'>, workshop: Units): string {
	const { driver, of } = techniqueOf(catalogueOf(workshop.handbook), step.technique);
	const text = amountText(step, workshop);
	if (driver === 'count') return `${text} ${pluralize(of, step.amount)}`;
	return driver === 'area' ? text : `${text} ${of}`;
}
