import assert from 'node:assert/strict';
import { test } from 'node:test';
import { seeded } from '../../../tests/support/planCases.ts';
import { weekMinutes } from '../facts/calendar.ts';
import { copiedDay, hasOddWeek, isPainted, painted, weekOf, windowsOf, windowsOfBoth } from './paintWeek.ts';

const evenings = [{ days: [1, 2, 3, 4, 5], from: 1080, to: 1260 }];

test('by hand: an hour cut out of a Monday evening, one added before, the day copied to Sunday', () => {
	const week = weekOf(evenings);
	const cut = painted(week, { day: 1, from: 1140, to: 1200 }, false);
	assert.deepEqual(cut[0], [
		[1080, 1140],
		[1200, 1260]
	]);
	const more = painted(cut, { day: 1, from: 1020, to: 1080 }, true);
	assert.deepEqual(more[0], [
		[1020, 1140],
		[1200, 1260]
	]);
	assert.deepEqual([isPainted(more, 1, 1139), isPainted(more, 1, 1140)], [true, false]);
	const sunday = copiedDay(more, 1, 7);
	assert.deepEqual(windowsOf(sunday), [
		{ days: [1, 7], from: 1020, to: 1140 },
		{ days: [1, 7], from: 1200, to: 1260 },
		{ days: [2, 3, 4, 5], from: 1080, to: 1260 }
	]);
	assert.equal(weekMinutes(windowsOf(sunday)), 2 * 180 + 4 * 180);
});

test('what was typed to the minute stays, hours that lie over each other are counted once', () => {
	const week = weekOf([
		{ days: [6], from: 607, to: 700 },
		{ days: [6], from: 690, to: 755 }
	]);
	assert.deepEqual(week[5], [[607, 755]]);
	assert.deepEqual(painted(week, { day: 6, from: 720, to: 750 }, false)[5], [
		[607, 720],
		[750, 755]
	]);
	assert.deepEqual(painted(week, { day: 6, from: 0, to: 1440 }, false)[5], []);
	assert.deepEqual(windowsOf(weekOf([])), []);
});

test('painted at random, a week is what a list of its minutes says', () => {
	const random = seeded(3);
	for (let round = 0; round < 40; round++) {
		const minutes = new Set<number>();
		let week = weekOf([]);
		for (let i = 0; i < 12; i++) {
			const from = Math.floor(random() * 48) * 30;
			const to = Math.min(1440, from + 30 * (1 + Math.floor(random() * 8)));
			const on = random() < 0.6;
			week = painted(week, { day: 3, from, to }, on);
			for (let m = from; m < to; m++)
				if (on) minutes.add(m);
				else minutes.delete(m);
		}
		for (let m = 0; m < 1440; m += 15) assert.equal(isPainted(week, 3, m), minutes.has(m));
		const again = weekOf(windowsOf(week));
		assert.deepEqual(again, week);
		assert.equal(weekMinutes(windowsOf(week)), minutes.size);
	}
});

test('two weeks in turn: what both have is of every week, and read again they are the same', () => {
	const even = weekOf(evenings);
	const odd = painted(
		painted(even, { day: 1, from: 1080, to: 1260 }, false),
		{ day: 6, from: 600, to: 900 },
		true
	);
	const both = windowsOfBoth(even, odd);
	assert.deepEqual(both, [
		{ days: [2, 3, 4, 5], from: 1080, to: 1260 },
		{ days: [1], from: 1080, to: 1260, weeks: 'even' },
		{ days: [6], from: 600, to: 900, weeks: 'odd' }
	]);
	assert.deepEqual([weekOf(both), weekOf(both, 'odd')], [even, odd]);
	assert.deepEqual([hasOddWeek(both), hasOddWeek(windowsOfBoth(even, even))], [true, false]);
	assert.equal(weekMinutes(both), 4 * 180 + 90 + 150);
});
