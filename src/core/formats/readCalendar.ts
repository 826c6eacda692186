import ICAL from 'ical.js';
import type { Parsed } from '../units/problem.ts';
import { DAY, dayOf as dayOfMinutes, type LocalMinutes } from '../units/localTime.ts';

/** Recurring events are followed for so many turns at most: a hostile file may repeat every second. */
const MOST_TURNS = 4000;
const DAY_SECONDS = 86_400;

export interface BusyDay {
	/** Whole days since 1970-01-01. */
	day: number;
	/** What the calendar calls it. */
	words: string;
}

/** Part of a day: local minutes. */
export interface BusyPart {
	from: LocalMinutes;
	to: LocalMinutes;
	words: string;
}

/**
 * What an iCalendar file (RFC 5545) marks as busy. From morning to night: events of whole days, and those that go on
 * over a whole day, each day once. The rest in parts of days: appointments, and the ends of journeys. What is marked
 * as free or cancelled does not count. Days from ≤ day ≤ to, in order. Times are read as they stand: a day is a day
 * wherever it was written.
 */
export function readBusy(
	text: string,
	from: number,
	to: number
): Parsed<{ days: BusyDay[]; parts: BusyPart[] }> {
	let events: ICAL.Component[];
	try {
		const read = ICAL.parse(text) as unknown[];
		// One calendar, or several in a row.
		const calendars = (Array.isArray(read[0]) ? read : [read]) as unknown[][];
		if (!calendars.every((c) => c[0] === 'vcalendar')) throw new Error('no calendar');
		events = calendars.flatMap((c) => new ICAL.Component(c as never).getAllSubcomponents('vevent'));
	} catch {
		return { ok: false, problem: { code: 'notCalendar', path: [], values: {} } };
	}
	const days = new Map<number, string>();
	const parts = new Map<string, BusyPart>();
	for (const component of events) {
		const event = new ICAL.Event(component);
		const free = String(component.getFirstPropertyValue('transp') ?? '').toUpperCase() === 'TRANSPARENT';
		const cancelled = String(component.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED';
		if (free || cancelled || !event.startDate) continue;
		const seconds = event.duration.toSeconds();
		for (const start of startsOf(event, to)) {
			const [first, last] = wholeDays(start, seconds);
			for (let day = Math.max(from, first); day <= Math.min(to, last); day++)
				if (!days.has(day)) days.set(day, event.summary ?? '');
			for (const [begin, end] of partsOf(start, seconds, [first, last]))
				if (dayOfMinutes(begin) >= from && dayOfMinutes(begin) <= to)
					parts.set(`${begin} ${end}`, { from: begin, to: end, words: event.summary ?? '' });
		}
	}
	return {
		ok: true,
		value: {
			days: [...days].sort((a, b) => a[0] - b[0]).map(([day, words]) => ({ day, words })),
			parts: [...parts.values()]
				.filter((p) => !days.has(dayOfMinutes(p.from)))
				.sort((a, b) => a.from - b.from || a.to - b.to)
		}
	};
}

/** What it covers of days that it does not cover whole, by the minute outwards. */
function partsOf(
	start: ICAL.Time,
	seconds: number,
	[first, last]: readonly [number, number]
): [number, number][] {
	if (start.isDate || seconds <= 0) return [];
	const begin = dayOf(start) * DAY + start.hour * 60 + start.minute;
	const end = begin + Math.ceil((start.second + seconds) / 60);
	const out: [number, number][] = [];
	for (let day = dayOf(start); day * DAY < end; day++) {
		if (day >= first && day <= last) {
			day = last;
			continue;
		}
		out.push([Math.max(begin, day * DAY), Math.min(end, (day + 1) * DAY)]);
	}
	return out;
}

const dayOf = (time: ICAL.Time): number =>
	Math.floor(Date.UTC(time.year, time.month - 1, time.day) / 86_400_000);

function* startsOf(event: ICAL.Event, to: number): Generator<ICAL.Time> {
	if (!event.isRecurring()) {
		yield event.startDate;
		return;
	}
	const turns = event.iterator();
	for (let n = 0; n < MOST_TURNS; n++) {
		const next = turns.next() as ICAL.Time | null | undefined;
		if (!next || dayOf(next) > to) return;
		yield next;
	}
}

/** First and last day that it covers from midnight to midnight; the last before the first when none. */
function wholeDays(start: ICAL.Time, seconds: number): [number, number] {
	const clock = start.isDate ? 0 : start.hour * 3600 + start.minute * 60 + start.second;
	const length = start.isDate ? Math.max(seconds, DAY_SECONDS) : seconds;
	const day = dayOf(start);
	return [day + (clock > 0 ? 1 : 0), day + Math.floor((clock + length) / DAY_SECONDS) - 1];
}
