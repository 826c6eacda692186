import { deviationsFor, earnedOf, usualMinutes, type Costing } from '../answers/quote.ts';
import type { QuoteSums, QuoteTerms } from '../facts/quote.ts';
import { money, number } from '../units/figure.ts';
import { formatDuration } from '../units/duration.ts';
import { formatMoney } from '../units/money.ts';
import type { Figure } from './figure.ts';

/** What a client is asked for. */
export function quoteFigure(sums: QuoteSums, terms: QuoteTerms, currency: string): Figure {
	const line = (name: string, minor: number, source: string) => money(name, minor, currency, source);
	const anHour = `at ${formatMoney(terms.hourRateMinor, currency)} an hour`;
	return {
		title: 'Price for the client',
		formula: 'sum',
		as: { kind: 'money', currency },
		inputs: [
			line('materials', sums.materialsMinor, 'what Buy says it will cost, in whole packs'),
			line('work', sums.workMinor, `${formatDuration(sums.minutes)} ${anHour}`),
			line('not foreseen', sums.contingencyMinor, `${formatDuration(sums.contingencyMinutes)} ${anHour}`),
			line('besides', sums.feeMinor, 'design and fittings'),
			...(terms.taxPercent === null ? [] : [line('tax', sums.taxMinor, `${terms.taxPercent} % of all of it`)])
		]
	};
}

/** Hours beyond the usual ones, so that with the wanted odds they are enough. */
export function contingencyFigure(costing: Costing, oddsPercent: number): Figure {
	return {
		title: 'Hours that cannot be foreseen',
		formula: 'contingency',
		as: { kind: 'minutes' },
		inputs: [
			{
				name: 'mean of all work',
				value: costing.meanMinutes,
				as: { kind: 'minutes' },
				source: '(good + 4 × usual + bad) ÷ 6 of every step; PERT, 1959'
			},
			{
				name: 'mean of what is done again',
				value: costing.againMinutes,
				as: { kind: 'minutes' },
				source:
					'mean of each step × how often such work has to be done again, by faults of this costume and wears of the others'
			},
			number(
				'deviations',
				deviationsFor(oddsPercent),
				`below so many a normal stays ${oddsPercent} times in 100`
			),
			{
				name: 'one deviation',
				value: costing.deviationMinutes,
				as: { kind: 'minutes' },
				source:
					'(bad − good) ÷ 6 of every step, a quarter of the luck in common, and whether it is done again'
			},
			{
				name: 'usual',
				value: usualMinutes(costing),
				as: { kind: 'minutes' },
				source: 'what is quoted as work'
			}
		]
	};
}

/** What an hour of work comes to, once the materials are paid. */
export function earnedFigure(sums: QuoteSums, costing: Costing, currency: string): Figure {
	const earned = earnedOf(sums, costing);
	return {
		title: 'Earned an hour',
		formula: 'perHour',
		as: { kind: 'money', currency },
		inputs: [
			money('price', sums.totalMinor, currency, 'as it was quoted'),
			money('tax', sums.taxMinor, currency),
			money('materials', sums.totalMinor - sums.taxMinor - earned.minor, currency, 'as Buy has them now'),
			{
				name: 'work',
				value: earned.minutes,
				as: { kind: 'minutes' },
				source: 'logged, and what is left as it is estimated'
			}
		]
	};
}
