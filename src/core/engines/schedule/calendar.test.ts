import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '$tests/support/planCases.ts';
import { weekMinutes, type Window } from '../../facts/calendar.ts';
import { DAY, isoWeekOf, weekdayOf, weeksOfMonth } from '../../units/localTime.ts';
import {
	firstEndingAfter,
	intersect,
	joined,
	mirrored,
	openMinutes,
	openSpans,
	type Hours,
	type Span
} from './calendar.ts';
import { openAfter, openBetween } from './placing.ts';

/** Monday 28 April 2031, as a day number. */
const MONDAY = 22397;

const EVENINGS: Hours = {
	windows: [
		{ days: [1, 2, 3, 4], from: 18 * 60, to: 21 * 60 },
		{ days: [6, 7], from: 600, to: 1080 }
	],
	off: [MONDAY + 2]
};

/** Slow plain reference: asks of every minute whether it is open. */
function openAt(hours: Hours, minute: number): boolean {
	const day = Math.floor(minute / DAY);
	if (hours.off?.includes(day)) return false;
	return hours.windows.some(
		(w) => w.days.includes(weekdayOf(day)) && minute - day * DAY >= w.from && minute - day * DAY < w.to
	);
}
const inSpans = (spans: readonly Span[], minute: number) => spans.some(([a, b]) => minute >= a && minute < b);

/** Random hours, some of them overlapping or touching, some over the end of the day. */
function randomHours(random: () => number): Hours {
	return {
		windows: Array.from({ length: 1 + Math.floor(random() * 3) }, () => {
			const from = Math.floor(random() * 1300);
			return {
				days: [1, 2, 3, 4, 5, 6, 7].filter(() => random() < 0.5),
				from,
				to: Math.min(1440, from + 20 + Math.floor(random() * 500))
			};
		}),
		off: random() < 0.5 ? [MONDAY + Math.floor(random() * 7)] : []
	};
}

test('hours of a week: each window as often as it has days', () => {
	assert.equal(
		weekMinutes([
			{ days: [1, 2, 3, 4, 5], from: 1140, to: 1320 },
			{ days: [6, 7], from: 600, to: 1080 }
		]),
		5 * 180 + 2 * 480
	);
	assert.equal(weekMinutes([]), 0);
});

test('Monday is Monday', () => assert.equal(weekdayOf(MONDAY), 1));

test('a week of evenings and a weekend, with a day off', () => {
	const spans = openSpans(EVENINGS, MONDAY * DAY, (MONDAY + 7) * DAY);
	assert.deepEqual(
		spans.map(([a, b]) => [(a - MONDAY * DAY) / 60, (b - MONDAY * DAY) / 60]),
		[
			[18, 21],
			[42, 45],
			[90, 93],
			[130, 138],
			[154, 162]
		]
	);
});

test('a span begun before the start, and one that goes on after the end, are cut', () => {
	const from = MONDAY * DAY + 19 * 60;
	assert.deepEqual(openSpans(EVENINGS, from, from + 30), [[from, from + 30]]);
	assert.deepEqual(openSpans(EVENINGS, from, from), []);
});

test('windows that touch at midnight are one span', () => {
	const late: Hours = {
		windows: [
			{ days: [1], from: 1320, to: 1440 },
			{ days: [2], from: 0, to: 60 }
		]
	};
	assert.deepEqual(openSpans(late, MONDAY * DAY, (MONDAY + 2) * DAY), [
		[MONDAY * DAY + 1320, MONDAY * DAY + 1500]
	]);
});

test('random hours agree with asking every minute; spans are sorted and apart', () => {
	for (let seed = 1; seed <= 60; seed++) {
		const random = seeded(seed);
		const hours = randomHours(random);
		const from = MONDAY * DAY + Math.floor(random() * 900);
		const to = from + 4 * DAY;
		const spans = openSpans(hours, from, to);
		for (let m = from; m < to; m += 7)
			assert.equal(inSpans(spans, m), openAt(hours, m), `seed ${seed}, minute ${m}`);
		for (let i = 1; i < spans.length; i++)
			assert.ok(spans[i]![0] > spans[i - 1]![1], `seed ${seed}: spans touch`);
	}
});

test('intersection agrees with asking every minute of both', () => {
	for (let seed = 1; seed <= 60; seed++) {
		const random = seeded(seed * 31);
		const [a, b] = [randomHours(random), randomHours(random)].map((h) =>
			openSpans(h, MONDAY * DAY, (MONDAY + 4) * DAY)
		);
		const both = intersect(a!, b!);
		for (let m = MONDAY * DAY; m < (MONDAY + 4) * DAY; m += 11)
			assert.equal(inSpans(both, m), inSpans(a!, m) && inSpans(b!, m), `seed ${seed}, minute ${m}`);
		assert.deepEqual(intersect(b!, a!), both, `seed ${seed}: the order of the two does not matter`);
	}
});

test('open minutes, and the moment after so many, are each other’s inverse', () => {
	for (let seed = 1; seed <= 60; seed++) {
		const random = seeded(seed * 7);
		const spans = openSpans(randomHours(random), MONDAY * DAY, (MONDAY + 9) * DAY);
		const from = MONDAY * DAY + Math.floor(random() * 3000);
		const all = openMinutes(spans, from, Infinity);
		const open = Int32Array.from(spans.flat());
		for (const minutes of [1, 30, 200, 777]) {
			const at = openAfter(open, from, minutes);
			if (minutes >= all) assert.equal(at, null, `seed ${seed}`);
			else {
				assert.equal(openMinutes(spans, from, at!), minutes, `seed ${seed}`);
				assert.equal(openMinutes(spans, at!, at! + 1), 1, `seed ${seed}: work can begin there`);
				if (at! > from)
					assert.equal(
						openBetween(open, from, at!),
						minutes + (openMinutes(spans, at! - 1, at!) ? 0 : 1),
						`seed ${seed}`
					);
			}
		}
	}
});

test('the first span that ends after a moment, by counting', () => {
	const spans: Span[] = [
		[0, 10],
		[20, 30],
		[40, 50]
	];
	for (let at = -5; at < 60; at++)
		assert.equal(firstEndingAfter(spans, at), spans.filter(([, end]) => end <= at).length, String(at));
});

test('time run backwards twice is time run forwards', () => {
	const spans = openSpans(EVENINGS, MONDAY * DAY, (MONDAY + 7) * DAY);
	assert.deepEqual(mirrored(mirrored(spans)), spans);
	assert.ok(mirrored(spans).every(([a, b]) => a < b));
});

test('joined: in order, touching ones as one, what overlaps twice', () => {
	assert.deepEqual(
		joined([
			[20, 30],
			[0, 10],
			[10, 20],
			[40, 50],
			[45, 60]
		]),
		[
			[0, 30],
			[40, 50],
			[45, 60]
		]
	);
	assert.deepEqual(joined([]), []);
});

test('weeks by their number in the calendar: the first is that of the first Thursday', () => {
	// ISO 8601: 2021-01-03 is in week 53 of 2020, 2024-12-30 in week 1 of 2025, 2031-05-02 in week 18.
	for (const [date, week] of [
		['2020-12-31', 53],
		['2021-01-03', 53],
		['2021-01-04', 1],
		['2024-12-30', 1],
		['2026-12-31', 53],
		['2031-05-02', 18]
	] as const)
		assert.equal(isoWeekOf(Date.parse(date) / 86_400_000), week, date);
});

test('hours of odd weeks are open in those alone, and count half of a usual week', () => {
	const windows: Window[] = [
		{ days: [1], from: 600, to: 660 },
		{ days: [1], from: 1080, to: 1200, weeks: 'odd' },
		{ days: [2], from: 0, to: 60, weeks: 'even' }
	];
	// Monday 28 April 2031 begins week 18, the 5th of May week 19.
	const monday = (Date.parse('2031-04-28') / 86_400_000) * 1440;
	const day = (d: number, minute: number) => monday + d * 1440 + minute;
	assert.deepEqual(openSpans({ windows }, monday, day(14, 0)), [
		[day(0, 600), day(0, 660)],
		[day(1, 0), day(1, 60)],
		[day(7, 600), day(7, 660)],
		[day(7, 1080), day(7, 1200)]
	]);
	assert.equal(weekMinutes(windows), 60 + 60 + 30);
});

test('the days of a month by its weeks', () => {
	// May 2031 begins on a Thursday and has 31 days.
	const may = weeksOfMonth(Date.parse('2031-05-17') / 86_400_000);
	assert.deepEqual(
		may[0]!.map((d) => d && new Date(d * 86_400_000).getUTCDate()),
		[null, null, null, 1, 2, 3, 4]
	);
	assert.deepEqual(
		may.map((w) => w.filter((d) => d !== null).length),
		[4, 7, 7, 7, 6]
	);
	assert.equal(
		weeksOfMonth(Date.parse('2031-05-17') / 86_400_000, 7)[0]!.filter((d) => d !== null).length,
		3
	);
	assert.deepEqual(weeksOfMonth(Date.parse('2027-02-01') / 86_400_000).length, 4, 'four whole weeks');
});
