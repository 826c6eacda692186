import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ALWAYS, randomProblem, step } from '$tests/support/planCases.ts';
import { formatClock, formatLocalTime, parseDate, parseLocalTime } from '../../units/localTime.ts';
import { openSpans } from './calendar.ts';
import { checkPlan } from './checkPlan.ts';
import { daylightOf, isSummerTime, type Sun } from './daylight.ts';
import type { SummerTime } from '../../facts/calendar.ts';
import { planByRule } from './plan.ts';

const day = (text: string) => {
	const parsed = parseDate(text);
	assert.ok(parsed.ok, text);
	return parsed.value;
};
const moment = (text: string) => {
	const parsed = parseLocalTime(text);
	assert.ok(parsed.ok, text);
	return parsed.value;
};
const LONDON: Sun = { latitude: 51.5, noon: 720, summerTime: 'lastOfMarch' };
const near = (minutes: number, clock: string, what: string) =>
	assert.ok(Math.abs(minutes - moment(`1970-01-01T${clock}`)) <= 2, `${what}: ${formatClock(minutes)}`);

test('sunrise and sunset agree with the almanac for London, 51.5° north on Greenwich’s meridian, within two minutes', () => {
	// HM Nautical Almanac Office's tables for 2024, from memory.
	for (const [date, rise, set] of [
		['2024-03-20', '06:03', '18:14'],
		['2024-06-20', '04:43', '21:21'],
		['2024-12-21', '08:04', '15:53']
	] as const) {
		const { from, to } = daylightOf(day(date), LONDON);
		near(from, rise, `sunrise ${date}`);
		near(to, set, `sunset ${date}`);
	}
});

test('facts of the sky: some seven minutes over twelve hours on the equator, winter mirrored in the south', () => {
	for (const date of ['2031-03-21', '2031-06-21', '2031-09-23', '2031-12-21']) {
		const { from, to } = daylightOf(day(date), { latitude: 0, noon: 720, summerTime: 'none' });
		assert.ok(Math.abs(to - from - 727) <= 2, `${date}: ${to - from}`);
	}
	const long = (latitude: number, date: string) => {
		const { from, to } = daylightOf(day(date), { latitude, noon: 720, summerTime: 'none' });
		return to - from;
	};
	assert.ok(Math.abs(long(45, '2031-06-21') - long(-45, '2031-12-21')) <= 3, 'seasons mirrored');
	for (const latitude of [-65, 65])
		for (let d = 0; d < 366; d++) {
			const { from, to } = daylightOf(day('2032-01-01') + d, { latitude, noon: 900, summerTime: 'none' });
			assert.ok(from < to && from >= 0 && to <= 1440, `${latitude}°, day ${d}`);
		}
});

test('clocks go forward on the Sundays of each rule', () => {
	const turns = (rule: SummerTime, year: number) => {
		const first = day(`${year}-01-01`);
		return Array.from({ length: 364 }, (_, d) => first + d)
			.filter((d) => isSummerTime(d, rule) !== isSummerTime(d + 1, rule))
			.map((d) => formatLocalTime((d + 1) * 1440).slice(5, 10));
	};
	// Days of clock changes as they were published for 2024 and 2025, from memory.
	assert.deepEqual(turns('lastOfMarch', 2024), ['03-31', '10-27']);
	assert.deepEqual(turns('lastOfMarch', 2025), ['03-30', '10-26']);
	assert.deepEqual(turns('secondOfMarch', 2024), ['03-10', '11-03']);
	assert.deepEqual(turns('secondOfMarch', 2025), ['03-09', '11-02']);
	assert.deepEqual(turns('firstOfOctober', 2024), ['04-07', '10-06']);
	assert.deepEqual(turns('none', 2024), []);
	assert.equal(isSummerTime(day('2024-12-25'), 'firstOfOctober'), true);
});

test('hours are cut to the daylight of each day, and a winter evening has none', () => {
	const evenings = { windows: [{ days: [1, 2, 3, 4, 5, 6, 7], from: 18 * 60, to: 23 * 60 }], sun: LONDON };
	assert.deepEqual(openSpans(evenings, moment('2024-12-01T00:00'), moment('2024-12-31T00:00')), []);
	const [june] = openSpans(evenings, moment('2024-06-20T00:00'), moment('2024-06-21T00:00'));
	assert.equal(june![0], moment('2024-06-20T18:00'));
	near(june![1] - day('2024-06-20') * 1440, '21:21', 'ends at sunset');
});

test('work that needs daylight waits for the first evening that is long enough, a winter through', () => {
	const plan = planByRule({
		start: moment('2024-11-04T18:00'),
		deadline: null,
		split: 'windows',
		leastPart: 30,
		makers: [{ id: 'me', windows: [{ days: [1, 2, 3, 4, 5], from: 18 * 60, to: 22 * 60 }] }],
		places: [{ id: 'yard', capacity: 1, windows: ALWAYS, sun: LONDON }],
		steps: [step('blend', 60, { place: 'yard', oneSitting: true })]
	});
	assert.deepEqual(plan.impossible, []);
	// The first weekday on which the sun sets an hour after six: the Monday after the clocks have gone forward.
	assert.equal(formatLocalTime(plan.steps[0]!.start), '2025-03-31T18:00');
});

test('plans with a place in daylight keep every rule', () => {
	for (let seed = 1; seed <= 20; seed++) {
		const problem = randomProblem(seed, 25, seed % 2 ? 'windows' : 'anywhere');
		const dark = {
			...problem,
			places: problem.places.map((p) => ({
				...p,
				off: [Math.floor(problem.start / 1440) + 2],
				sun: { latitude: 55, noon: 720, summerTime: 'none' as const }
			}))
		};
		assert.deepEqual(checkPlan(dark, planByRule(dark)), [], `seed ${seed}`);
	}
});
