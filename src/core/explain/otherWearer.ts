import type { ForOther } from '../answers/otherWearer.ts';
import { minutes, money } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** What another wearer would need done. */
export const otherMinutesFigure = (parts: readonly ForOther[]): Figure => ({
	title: 'For another wearer',
	formula: 'sum',
	as: { kind: 'minutes' },
	inputs: parts
		.filter((p) => p.minutes > 0)
		.map((p) =>
			minutes(
				`${p.component.code} ${p.component.name}`,
				p.minutes,
				p.how === 'rebuilt'
					? 'its steps, as much of them as pieces are another size'
					: 'seams taken apart and sewn, joins set again'
			)
		)
});

/** What the material for it costs, as far as prices are known. */
export const otherMoneyFigure = (parts: readonly ForOther[], currency: string): Figure => ({
	title: 'Material for another wearer',
	formula: 'sum',
	as: { kind: 'money', currency },
	inputs: parts
		.filter((p) => p.minor)
		.map((p) =>
			money(
				`${p.component.code} ${p.component.name}`,
				p.minor!,
				currency,
				'pieces cut anew, with the usual waste'
			)
		)
});
