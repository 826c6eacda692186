import { getTimes } from 'suncalc';
import { SUMMER_TIMES, type SummerTime } from '../../facts/calendar.ts';
import { DAY, weekdayOf } from '../../units/localTime.ts';

/** How the sun and the clocks stand where the workshop is. */
export interface Sun {
	/** Degrees north, negative south; −65 to 65, so that the sun rises on every day. */
	latitude: number;
	/** When the sun stands highest by the clock, on an average day without summer time, minutes of the day. */
	noon: number;
	summerTime: SummerTime;
}

/**
 * From sunrise to sunset by the clock of that day, as minutes of the day, rounded inwards.
 * Sunrise is when the upper edge of the sun shows above a level horizon (0.833° below it, the usual convention).
 * @param day whole days since 1970-01-01
 */
export function daylightOf(day: number, sun: Sun): { from: number; to: number } {
	// On the meridian of Greenwich universal time is solar time: only the mean noon is then shifted to the clock's.
	const { sunrise, sunset } = getTimes(new Date((day * DAY + DAY / 2) * 60_000), sun.latitude, 0);
	const shift = sun.noon - DAY / 2 + (isSummerTime(day, sun.summerTime) ? 60 : 0) - day * DAY;
	const minutes = (at: Date | null) => (at ? at.getTime() / 60_000 + shift : DAY / 2);
	return { from: Math.max(0, Math.ceil(minutes(sunrise))), to: Math.min(DAY, Math.floor(minutes(sunset))) };
}

/** Whether clocks are forward on the most of that day. */
export function isSummerTime(day: number, rule: SummerTime): boolean {
	const { begins, ends } = SUMMER_TIMES[rule];
	if (!begins || !ends) return false;
	const year = new Date(day * 86_400_000).getUTCFullYear();
	const [from, to] = [sundayOf(year, begins), sundayOf(year, ends)];
	return from < to ? day >= from && day < to : day >= from || day < to;
}

/** The n-th Sunday of a month, counted from its end when negative. */
function sundayOf(year: number, [month, n]: readonly [number, number]): number {
	if (n > 0) {
		const first = Date.UTC(year, month - 1, 1) / 86_400_000;
		return first + 7 - weekdayOf(first) + 7 * (n - 1);
	}
	const last = Date.UTC(year, month, 0) / 86_400_000;
	return last - (weekdayOf(last) % 7) + 7 * (n + 1);
}

export const sunWords = ({ latitude }: Sun): string =>
	`${Math.abs(latitude)}° ${latitude < 0 ? 'south' : 'north'}`;
