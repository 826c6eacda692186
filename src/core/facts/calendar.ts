/** Recurring hours: weekdays 1 Monday … 7 Sunday, minutes of the day, `to` up to 1440. */
export interface Window {
	days: readonly number[];
	from: number;
	to: number;
}

/** Minutes of a usual week. */
export const weekMinutes = (windows: readonly Window[]): number =>
	windows.reduce((sum, w) => sum + w.days.length * (w.to - w.from), 0);

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
