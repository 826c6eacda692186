import type { Odds } from '../engines/schedule/odds.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { Figure } from './figure.ts';
import { number } from '../units/figure.ts';

/** How many of 100 builds are ready by then. */
export function oddsFigure(odds: Odds, at: LocalMinutes): Figure {
	const share = odds.by.find((b) => b.at === at)?.share ?? 0;
	return {
		title: 'Odds of being ready',
		formula: 'oddsOf100',
		as: { kind: 'number', unit: 'of 100' },
		inputs: [
			number(
				'builds that were ready',
				Math.round(share * odds.runs),
				'simulated: minutes by chance between good and bad (PERT), a quarter of the luck shared by all steps, waits and parcels longer, work done again'
			),
			number('builds', odds.runs, 'once a plan, by the server')
		]
	};
}

/** By how much the plan on usual minutes is sooner than the middle of the builds. */
export function hopeFigure(odds: Odds, finish: LocalMinutes): Figure | null {
	if (odds.p50 === null) return null;
	return {
		title: 'How hopeful the plan is',
		formula: 'difference',
		as: { kind: 'wait' },
		inputs: [
			{
				name: 'half of the builds are ready',
				value: odds.p50,
				as: { kind: 'time' },
				source: 'simulated builds'
			},
			{ name: 'the plan on usual minutes', value: finish, as: { kind: 'time' }, source: 'the plan' }
		]
	};
}
