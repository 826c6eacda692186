import type { Weeks, Window } from '../facts/calendar.ts';

/** Hours of a usual week by the day, Monday first: minutes of the day from, to, in order and apart. */
export type Week = readonly (readonly (readonly [from: number, to: number])[])[];

const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7] as const;

/** Spans in order, those that touch or lie over each other as one. */
function merged(spans: readonly (readonly [number, number])[]): (readonly [number, number])[] {
	const out: [number, number][] = [];
	for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0])) {
		const last = out.at(-1);
		if (last && from <= last[1]) last[1] = Math.max(last[1], to);
		else if (to > from) out.push([from, to]);
	}
	return out;
}

/** The hours of a week; of one with an odd or an even number, where those differ. */
export const weekOf = (windows: readonly Window[], weeks: Weeks = 'even'): Week =>
	WEEKDAYS.map((day) =>
		merged(
			windows.flatMap((w) =>
				w.days.includes(day) && (!w.weeks || w.weeks === weeks) ? [[w.from, w.to] as const] : []
			)
		)
	);

/** Whether a minute of a day is in its hours. @param day 1 Monday … 7 Sunday */
export const isPainted = (week: Week, day: number, at: number): boolean =>
	week[day - 1]!.some(([from, to]) => at >= from && at < to);

/** A week with some minutes of a day among its hours, or no more; what was typed to the minute besides stays. */
export function painted(
	week: Week,
	{ day, from, to }: { day: number; from: number; to: number },
	on: boolean
): Week {
	const its = week[day - 1]!;
	const without = its.flatMap(([a, b]): (readonly [number, number])[] =>
		b <= from || a >= to
			? [[a, b]]
			: [...(a < from ? [[a, from] as const] : []), ...(b > to ? [[to, b] as const] : [])]
	);
	return week.with(day - 1, merged(on ? [...without, [from, to]] : without));
}

/** A week on which one day has the hours of another. */
export const copiedDay = (week: Week, day: number, onto: number): Week => week.with(onto - 1, week[day - 1]!);

/** The same as it is kept: days of the same hours together, in the order of their first day. */
export function windowsOf(week: Week): Window[] {
	const found = new Map<string, { days: number[]; from: number; to: number }>();
	for (const day of WEEKDAYS)
		for (const [from, to] of week[day - 1]!) {
			const key = `${from} ${to}`;
			const its = found.get(key) ?? { days: [], from, to };
			its.days.push(day);
			found.set(key, its);
		}
	return [...found.values()];
}

/** Whether weeks of an odd number have hours of their own. */
export const hasOddWeek = (windows: readonly Window[]): boolean => windows.some((w) => w.weeks);

/** Two weeks in turn as they are kept: the same hours of both are of every week. */
export function windowsOfBoth(even: Week, odd: Week): Window[] {
	const rows = (week: Week) => windowsOf(week).flatMap((w) => w.days.map((day) => ({ ...w, days: [day] })));
	const same = (a: Window, b: Window) => a.days[0] === b.days[0] && a.from === b.from && a.to === b.to;
	const [its, others] = [rows(even), rows(odd)];
	const grouped = (rows: readonly Window[]) =>
		windowsOf(
			WEEKDAYS.map((day) => rows.flatMap((w) => (w.days[0] === day ? [[w.from, w.to] as const] : [])))
		);
	return [
		...grouped(its.filter((w) => others.some((o) => same(w, o)))),
		...grouped(its.filter((w) => !others.some((o) => same(w, o)))).map((w) => ({
			...w,
			weeks: 'even' as const
		})),
		...grouped(others.filter((o) => !its.some((w) => same(w, o)))).map((w) => ({
			...w,
			weeks: 'odd' as const
		}))
	];
}
