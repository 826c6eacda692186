import { UTCDate } from '@date-fns/utc';
import { addMonths } from 'date-fns/addMonths';
import { format } from 'date-fns/format';
import { bad, good, type Parsed } from './problem.ts';

/**
 * Local wall-clock time without a zone, as minutes since 1970-01-01T00:00 of that wall clock.
 * The proleptic Gregorian rules come from Date.UTC, used purely as calendar arithmetic: no zone
 * or summer time is ever applied, because a maker's evening is an evening all year.
 */
export type LocalMinutes = number;

export const DAY = 1440;

/** `2031-05-02T18:30` (also with a space) → minutes. The date must exist. */
export function parseLocalTime(text: string): Parsed<LocalMinutes> {
	const found = /^(\d{4}-\d{2}-\d{2})[T ](\d{2}):(\d{2})(?::00(?:\.0+)?)?$/.exec(text.trim());
	const date = found && parseDate(found[1]!);
	if (!found || !date?.ok || Number(found[2]) > 23 || Number(found[3]) > 59)
		return bad('notATime', { text: text.trim() });
	return good(date.value * DAY + Number(found[2]) * 60 + Number(found[3]));
}

/** `2031-05-02` → whole days since 1970-01-01. Years 1900 to 2199: a slipped digit is caught. */
export function parseDate(text: string): Parsed<number> {
	const found = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text.trim());
	if (!found) return bad('notADate', { text: text.trim() });
	const [year, month, day] = [Number(found[1]), Number(found[2]), Number(found[3])];
	const at = new Date(Date.UTC(year, month - 1, day));
	const exists = at.getUTCMonth() === month - 1 && at.getUTCDate() === day;
	if (!exists || year < 1900 || year > 2199) return bad('notADate', { text: text.trim() });
	return good(Math.round(at.getTime() / 86_400_000));
}

/** `18:30` → 1110; `24:00` → 1440, the end of a day. */
export function parseClock(text: string): Parsed<number> {
	const found = /^(\d{1,2}):(\d{2})$/.exec(text.trim());
	const minutes = found ? Number(found[1]) * 60 + Number(found[2]) : NaN;
	if (!found || Number(found[2]) > 59 || minutes > DAY) return bad('notAClock', { text: text.trim() });
	return good(minutes);
}

export const formatLocalTime = (at: LocalMinutes): string =>
	`${formatDate(dayOf(at))}T${formatClock(clockOf(at))}`;
export const formatDate = (day: number): string => new Date(day * 86_400_000).toISOString().slice(0, 10);
export const formatClock = (minutes: number): string =>
	`${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

export const dayOf = (at: LocalMinutes): number => Math.floor(at / DAY);
export const clockOf = (at: LocalMinutes): number => at - dayOf(at) * DAY;

/** ISO 8601 weekday: 1 Monday … 7 Sunday. 1970-01-01 was a Thursday. */
export const weekdayOf = (day: number): number => ((((day + 3) % 7) + 7) % 7) + 1;

/** The number of the week in the calendar: the first one is that of the year's first Thursday. ISO 8601-1:2019, 3.1.1.23, from memory. */
export function isoWeekOf(day: number): number {
	const thursday = day + 4 - weekdayOf(day);
	const year = new Date(thursday * 86_400_000).getUTCFullYear();
	return Math.floor((thursday - Date.UTC(year, 0, 1) / 86_400_000) / 7) + 1;
}

/** The wall clock of a JavaScript date, as the machine shows it. */
export const localMinutesOf = (date: Date): LocalMinutes =>
	Math.floor(
		Date.UTC(date.getFullYear(), date.getMonth(), date.getDate(), date.getHours(), date.getMinutes()) / 60_000
	);

/**
 * Minutes that really passed between two readings of the machine's wall clock, at least 0: an hour more or less than
 * their difference when summer time began or ended in between. A reading within the hour that comes twice counts as
 * its first.
 */
export function passedBetween(from: LocalMinutes, to: LocalMinutes): number {
	const real = (at: LocalMinutes) => new Date(formatLocalTime(at)).getTime() / 60_000;
	return Math.max(0, Math.round(real(to) - real(from)));
}

/** The same day so many months on; where that month is shorter, its last day. */
export const monthsAfter = (day: number, months: number): number =>
	Math.round(addMonths(new UTCDate(day * 86_400_000), months).getTime() / 86_400_000);

const wordsOf = (day: number, as: string): string => format(new UTCDate(day * 86_400_000), as);

/** The name of a weekday, 1 Monday … 7 Sunday; 1970-01-05 was a Monday. */
export const weekdayName = (weekday: number): string => wordsOf(weekday + 3, 'EEE');

/** The first day of a day's month. */
export const monthOf = (day: number): number => day - new Date(day * 86_400_000).getUTCDate() + 1;

/** `May 2031` */
export const monthName = (day: number): string => wordsOf(day, 'MMMM yyyy');

/** The days of a month by its weeks, each of seven; null for what is of another month. @param weekStart 1 Monday … 7 Sunday */
export function weeksOfMonth(day: number, weekStart = 1): (number | null)[][] {
	const first = monthOf(day);
	const next = monthsAfter(first, 1);
	const before = (weekdayOf(first) - weekStart + 7) % 7;
	const weeks = Math.ceil((before + next - first) / 7);
	return Array.from({ length: weeks }, (_, week) =>
		Array.from({ length: 7 }, (_, i) => {
			const at = first - before + 7 * week + i;
			return at >= first && at < next ? at : null;
		})
	);
}

/** `Fri 16 May`, with the year when it is not `thisYear`. */
export function dayWords(day: number, thisYear?: number): string {
	const withYear = thisYear !== undefined && wordsOf(day, 'yyyy') !== String(thisYear);
	return wordsOf(day, withYear ? 'EEE d MMM yyyy' : 'EEE d MMM');
}

/** `Fri 16 May 09:00`. */
export const timeWords = (at: LocalMinutes): string => `${dayWords(dayOf(at))} ${formatClock(clockOf(at))}`;

/** The weekdays in order, 1 Monday … 7 Sunday, as a week begins. */
export const weekdaysFrom = (weekStart: number): number[] =>
	Array.from({ length: 7 }, (_, i) => ((weekStart - 1 + i) % 7) + 1);

/** Weekdays in words: `every day`, `Mon–Fri`, `Sat, Sun`. The week begins on `weekStart`. */
export function weekdaysWords(days: readonly number[], weekStart = 1): string {
	if (new Set(days).size === 7) return 'every day';
	const order = weekdaysFrom(weekStart);
	const runs: number[][] = [];
	for (const day of order) {
		if (!days.includes(day)) runs.push([]);
		else if (runs.length === 0) runs.push([day]);
		else runs[runs.length - 1]!.push(day);
	}
	return runs
		.filter((run) => run.length > 0)
		.map((run) =>
			run.length > 2
				? `${weekdayName(run[0]!)}–${weekdayName(run[run.length - 1]!)}`
				: run.map(weekdayName).join(', ')
		)
		.join(', ');
}
