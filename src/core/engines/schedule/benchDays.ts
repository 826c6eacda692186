import { DAY, dayOf, type LocalMinutes } from '../../units/localTime.ts';
import type { Span } from './calendar.ts';
import type { PlannedStep } from './problem.ts';

/** A piece of work or of waiting on one day, in minutes of that day. */
export interface DayPart {
	id: string;
	from: number;
	to: number;
	/** It goes on from the day before, or into the next. */
	continued: boolean;
	continues: boolean;
}

export interface BenchDay {
	day: number;
	open: { from: number; to: number }[];
	/** Hands-on, above the line. */
	work: DayPart[];
	/** Waiting, below the line. */
	drips: DayPart[];
	handsOnMinutes: number;
}

/** The plan cut into days, from the first day with work or waiting to the last. */
export function benchDays(
	steps: readonly PlannedStep[],
	windows: readonly Span[],
	from: LocalMinutes
): BenchDay[] {
	if (steps.length === 0) return [];
	const first = dayOf(from);
	const last = dayOf(Math.max(...steps.map((s) => Math.max(s.ready - 1, s.end - 1, from))));
	const days: BenchDay[] = [];
	for (let day = first; day <= last; day++) {
		const cut = (id: string, [start, end]: Span): DayPart[] => {
			const a = Math.max(start, day * DAY);
			const b = Math.min(end, (day + 1) * DAY);
			return a < b
				? [{ id, from: a - day * DAY, to: b - day * DAY, continued: start < a, continues: end > b }]
				: [];
		};
		const work = steps.flatMap((s) => s.blocks.flatMap((b) => cut(s.id, b)));
		days.push({
			day,
			open: windows.flatMap((w) => cut('', w)).map(({ from, to }) => ({ from, to })),
			work,
			drips: steps.flatMap((s) => cut(s.id, [s.end, s.ready])),
			handsOnMinutes: work.reduce((sum, p) => sum + p.to - p.from, 0)
		});
	}
	return days;
}

/** Drips that overlap get rows of their own: the row of each, top first. */
export function dripRows(drips: readonly DayPart[]): number[] {
	const ends: number[] = [];
	return drips.map((d) => {
		let row = ends.findIndex((end) => end <= d.from);
		if (row < 0) row = ends.push(0) - 1;
		ends[row] = d.to;
		return row;
	});
}
