import assert from 'node:assert/strict';
import { test } from 'node:test';
import { formatBreaks, formatDays, parseBreaks, parseDays } from './terms.ts';

test('breaks are read as they are typed, and written as they are read', () => {
	const read = parseBreaks(' 10: 8,50;5: 9.90 ', 'EUR');
	assert.deepEqual(read, {
		ok: true,
		value: [
			{ from: 5, priceMinor: 990 },
			{ from: 10, priceMinor: 850 }
		]
	});
	assert.equal(formatBreaks(read.ok ? read.value : [], 'EUR'), '5: 9.90; 10: 8.50');
	assert.deepEqual(parseBreaks('', 'EUR'), { ok: true, value: [] });
	for (const wrong of ['5', '1: 3', '-2: 3', 'x: 3', '5: ', '5: 1.005', '5: -1', '5: 3; 5: 4'])
		assert.ok(!parseBreaks(wrong, 'EUR').ok, wrong);
});

test('closed days, one by one and in ranges', () => {
	const read = parseDays('2031-12-31, 2031-05-01; 2031-12-30 to 2032-01-02');
	assert.ok(read.ok);
	assert.equal(read.value.length, 5);
	assert.equal(formatDays(read.value), '2031-05-01, 2031-12-30 to 2032-01-02');
	assert.deepEqual(parseDays(formatDays(read.value)), read);
	for (const wrong of [
		'2031-02-30',
		'May',
		'2031-05-03 to 2031-05-01',
		'2031-01-01 to 2041-01-01',
		'2031-01-01 to 2031-01-02 to 2031-01-03'
	])
		assert.ok(!parseDays(wrong).ok, wrong);
});
