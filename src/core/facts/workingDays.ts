import { weekdayOf } from '../units/localTime.ts';

/** On which days somebody sends: 1 Monday … 7 Sunday, without the days that are closed, whole days since 1970-01-01. */
export interface WorkingDays {
	workingDays: readonly number[];
	closed?: readonly number[];
}

export const EVERY_DAY: WorkingDays = { workingDays: [1, 2, 3, 4, 5, 6, 7] };
export const MONDAY_TO_FRIDAY: WorkingDays = { workingDays: [1, 2, 3, 4, 5] };

/** The day so many working days after `day`; the day itself for none: bought in the shop. Null where no day of the week is one. */
export function workingDaysAfter(
	day: number,
	count: number,
	{ workingDays, closed = [] }: WorkingDays
): number | null {
	if (count > 0 && workingDays.length === 0) return null;
	const off = new Set(closed);
	let at = day;
	for (let left = count; left > 0;) {
		at++;
		if (workingDays.includes(weekdayOf(at)) && !off.has(at)) left--;
	}
	return at;
}
