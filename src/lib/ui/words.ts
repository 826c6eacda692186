import { momentsOf } from '$core/answers/forecast.ts';
import pluralize from 'pluralize';
import type { Costume } from '$core/facts/costume.ts';
import type { Outlook } from '$core/answers/plan.ts';
import { formatDuration, formatWait } from '$core/units/duration.ts';

/** Whether it will be ready, where that hangs on no odds. */
export const OUTLOOK_WORDS: Record<Outlook, string> = {
	done: 'All steps done',
	safe: 'Ready even if every step goes badly',
	likely: 'Ready if most days are usual ones',
	intoBuffer: 'Eats into the days kept for test wear',
	late: 'Not ready in time as planned',
	stuck: 'Stuck: some steps cannot be placed',
	empty: 'No steps yet'
};

export const isTroubled = (outlook: Outlook): boolean =>
	outlook === 'late' || outlook === 'stuck' || outlook === 'intoBuffer';

/** `12.5 h spare` or `6.0 h short`. */
export const spareWords = (minutes: number): string =>
	minutes < 0 ? `${formatDuration(-minutes)} short` : `${formatDuration(minutes)} spare`;

/** Days when there are several, hours and minutes when there are not. */
export const roughWait = (minutes: number): string =>
	minutes >= 2880 ? `${Math.floor(minutes / 1440)} days` : formatWait(minutes);

export const daysWords = (days: number): string => {
	if (days < 0) return `${-days} ${days === -1 ? 'day' : 'days'} ago`;
	return days === 0 ? 'today' : `${pluralize('day', days, true)} left`;
};

/** What odds are asked for of a costume. */
export const forecastFor = (costume: Costume, deadline: number, key: string) => ({
	costumeId: costume.id,
	key,
	by: momentsOf(costume, deadline)
});

/** What the odds come to: whether they are as good as wanted, or at least better than even. */
export const oddsWords = (share: number, target: number): string => {
	if (share * 100 >= target) return 'As sure to be ready as you want it';
	return share >= 0.5
		? 'More likely ready than not, less sure than you want it'
		: 'More likely late than not';
};

/** While builds are simulated. */
export const ODDS_COMING = 'How sure that is, is being worked out.';

/** `29h of it guessed`. */
export const guessedWords = (minutes: number): string => `${formatDuration(minutes)} of it guessed`;
