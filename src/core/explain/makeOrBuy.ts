import type { WayOutcome } from '../answers/makeOrBuy.ts';
import type { Figure } from './figure.ts';
import { minutes, money } from '../units/figure.ts';

/** Hands-on work of one way to get a component. */
export const wayHoursFigure = (way: WayOutcome): Figure => ({
	title: `Hands-on work: ${way.route}`,
	formula: 'sum',
	as: { kind: 'minutes' },
	inputs: way.steps.map((s) => minutes(s.name, s.minutes, 'usual minutes still to do'))
});

/** What one way to get a component costs. */
export const wayMoneyFigure = (way: WayOutcome, currency: string): Figure => ({
	title: `Money: ${way.route}`,
	formula: 'difference',
	as: { kind: 'money', currency },
	inputs: [
		money('the costume with it', way.withMinor, currency, 'bought, and whole packs of what is short'),
		money('the costume without it', way.withoutMinor, currency, 'the same, without this component')
	]
});
