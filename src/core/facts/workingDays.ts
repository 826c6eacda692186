import { weekdayOf } from '../units/localTime.ts';

/** On which days somebody sends: 1 Monday … 7 Sunday, without the days that are closed, whole days since 1970-01-01. */
export interface WorkingDays {
	workingDays: readonly number[];
	closed?: readonly number[];
}

export const EVERY_DAY: WorkingDays = { workingDays: [1, 2, 3, 4, 5, 6, 7] };
export const MONDAY_TO_FRIDAY: WorkingDays = { workingDays: [1, 2, 3, 4, 5] };

/** A year of closed days in a row is as good as never. */
const MOST_CLOSED = 366;

/**
 * The day so many working days after `day`; the day itself for none: bought in the shop. Null when the days never come, because no day
 * is a working day or all of a year are closed.
 */
export function workingDaysAfter(
	day: number,
	count: number,
	{ workingDays, closed = [] }: WorkingDays
): number | null {
	const off = new Set(closed);
	let at = day;
	let waited = 0;
	for (let left = count; left > 0;) {
		at++;
		if (workingDays.includes(weekdayOf(at)) && !off.has(at)) {
			left--;
			waited = 0;
		} else if (++waited > MOST_CLOSED) return null;
	}
	return at;
}
