import { isoWeekOf, weekdayOf } from '../units/localTime.ts';

/** Recurring hours: weekdays 1 Monday … 7 Sunday, minutes of the day, `to` up to 1440. */
export interface Window {
	days: readonly number[];
	from: number;
	to: number;
	/** Only in weeks of an odd or of an even number in the calendar (ISO 8601); every week otherwise. */
	weeks?: Weeks | null;
}

export const WEEKS = ['odd', 'even'] as const;
export type Weeks = (typeof WEEKS)[number];
export const weeksOf = (day: number): Weeks => (isoWeekOf(day) % 2 ? 'odd' : 'even');

/** Whether hours are kept on a day, whole days since 1970-01-01. */
export const isOn = ({ days, weeks }: Window, day: number): boolean =>
	days.includes(weekdayOf(day)) && (!weeks || weeks === weeksOf(day));

/** Minutes of a usual week: what is kept every other week counts half. */
export const weekMinutes = (windows: readonly Window[]): number =>
	windows.reduce((sum, w) => sum + (w.days.length * (w.to - w.from)) / (w.weeks ? 2 : 1), 0);

/** When clocks go one hour forward. */
export const SUMMER_TIMES = {
	none: { name: 'never', begins: null, ends: null },
	lastOfMarch: { name: 'last Sunday of March to last of October', begins: [3, -1], ends: [10, -1] },
	secondOfMarch: { name: '2nd Sunday of March to first of November', begins: [3, 2], ends: [11, 1] },
	firstOfOctober: { name: 'first Sunday of October to first of April', begins: [10, 1], ends: [4, 1] }
} as const;

export type SummerTime = keyof typeof SUMMER_TIMES;
export const SUMMER_TIME_KEYS = Object.keys(SUMMER_TIMES) as [SummerTime, ...SummerTime[]];

/**
 * What a step that is not one sitting may do. `windows`: once begun it goes on through every open
 * minute until done. `anywhere`: it may be set aside for another and taken up again.
 */
export type Split = 'windows' | 'anywhere';
