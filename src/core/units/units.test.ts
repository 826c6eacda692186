import assert from 'node:assert/strict';
import { test } from 'node:test';
import { say, sayOf } from './problem.ts';
import type { Parsed } from './problem.ts';
import { formatDuration, formatWait, parseDuration } from './duration.ts';
import {
	dayOf,
	dayWords,
	formatDate,
	formatLocalTime,
	parseClock,
	parseDate,
	parseLocalTime,
	passedBetween,
	weekdayOf,
	weekdaysWords
} from './localTime.ts';
import { formatArea, formatLength, G_PER, MM_PER, parseArea, parseLength } from './measure.ts';
import { formatMoney, moneyDigits, parseMoney } from './money.ts';
import { parseNumber } from './number.ts';

const value = <T>(parsed: Parsed<T>): T => {
	assert.ok(parsed.ok, parsed.ok ? '' : say(parsed.problem));
	return parsed.value;
};
const code = (parsed: Parsed<unknown>) => (parsed.ok ? 'fine' : parsed.problem.code);

test('minutes that passed over the change of the clocks are those that really passed', () => {
	const zone = process.env.TZ;
	process.env.TZ = 'Europe/Berlin';
	const at = (text: string) => value(parseLocalTime(text));
	assert.equal(passedBetween(at('2031-03-30T01:50'), at('2031-03-30T03:10')), 20);
	assert.equal(passedBetween(at('2031-10-26T01:50'), at('2031-10-26T03:10')), 140);
	assert.equal(passedBetween(at('2031-06-01T23:50'), at('2031-06-02T00:10')), 20);
	assert.equal(passedBetween(at('2031-06-02T00:10'), at('2031-06-01T23:50')), 0);
	if (zone === undefined) delete process.env.TZ;
	else process.env.TZ = zone;
});

test('inch, foot, yard, ounce, pound: exact by the international yard and pound agreement of 1959', () => {
	assert.equal(MM_PER.yd, 914.4);
	assert.equal(MM_PER.ft, 914.4 / 3);
	assert.equal(MM_PER.in, 25.4);
	assert.equal(G_PER.lb, 453.59237);
	assert.equal(G_PER.oz, 453.59237 / 16);
	assert.equal(value(parseLength('36"', 'mm')), value(parseLength('1 yd', 'mm')));
	assert.equal(value(parseLength("3'", 'mm')), value(parseLength('1 yd', 'mm')));
});

test('lengths as makers type them', () => {
	for (const [text, mm] of [
		['5 1/2"', 139.7],
		['5½"', 139.7],
		['5-1/2 in', 139.7],
		['14cm', 140],
		['1.2 m', 1200],
		['1,2 m', 1200],
		['3 yd', 2743.2],
		['6mm', 6],
		['2\' 3"', 685.8],
		['2\' 3 1/2"', 698.5],
		['12', 120],
		['0', 0]
	] as const)
		assert.ok(Math.abs(value(parseLength(text, 'cm')) - mm) < 1e-9, text);
});

test('what is not a length says so, and why', () => {
	assert.equal(code(parseLength('', 'cm')), 'empty');
	assert.equal(code(parseLength('5 1/', 'cm')), 'notALength');
	assert.equal(code(parseLength('1/0', 'cm')), 'notALength');
	assert.equal(code(parseLength('-3 cm', 'cm')), 'negative');
	assert.equal(code(parseLength('12 ells', 'cm')), 'unknownUnit');
	assert.equal(code(parseLength('2000 m', 'cm')), 'tooLarge');
	for (const junk of ['NaN', 'Infinity', '1e9', '0x10', '--', '.', '1.2.3'])
		assert.notEqual(code(parseLength(junk, 'cm')), 'fine', junk);
	assert.match(sayOf('notALength', { text: '5 1/' }), /“5 1\/” is not a length/);
});

test('areas: square units, and side by side', () => {
	assert.equal(value(parseArea('0.4 m2', 'cm')), 400_000);
	assert.equal(value(parseArea('350 cm²', 'cm')), 35_000);
	assert.equal(value(parseArea('30cm x 40cm', 'cm')), 120_000);
	assert.equal(value(parseArea('1', 'cm')), 1_000_000);
	assert.ok(Math.abs(value(parseArea('1', 'in')) - 304.8 ** 2) < 1e-6);
	assert.equal(code(parseArea('lots', 'cm')), 'notAnArea');
	assert.equal(formatArea(400_000, 'cm'), '0.4 m²');
});

test('what is shown reads back as the same, to the sixteenth or the tenth of a millimetre', () => {
	for (let mm = 0; mm < 500; mm += 7.3) {
		assert.ok(
			Math.abs(value(parseLength(formatLength(mm, 'in'), 'in')) - mm) <= 25.4 / 32 + 1e-9,
			`${mm} in`
		);
		assert.ok(Math.abs(value(parseLength(formatLength(mm, 'cm'), 'cm')) - mm) <= 0.05 + 1e-9, `${mm} cm`);
	}
	assert.equal(formatLength(139.7, 'in'), '5 1/2"');
	assert.equal(formatLength(0, 'in'), '0"');
});

test('numbers and money read what is written here, thin spaces and thousands included; `1,234` is asked about', () => {
	for (const space of ['\u2009', '\u202f', '\u00a0', ' ']) {
		assert.equal(value(parseNumber(`12${space}345.5`)), 12_345.5);
		assert.equal(value(parseLength(`1${space}234${space}mm`, 'cm')), 1234);
	}
	assert.equal(value(parseNumber('1,234.5')), 1234.5);
	assert.equal(value(parseNumber('1.234,5')), 1234.5);
	// A whole and a fraction is no thousand, nor are two numbers.
	assert.equal(value(parseNumber('5 1/2')), 5.5);
	assert.equal(code(parseNumber('12 34')), 'notANumber');
	for (const asked of [parseNumber('1,234'), parseLength('1,234 mm', 'mm'), parseMoney('1,234', 'EUR')]) {
		assert.ok(!asked.ok);
		assert.equal(say(asked.problem), '“1,234” may be 1.234 or 1234: write the one that you mean.');
	}
	assert.equal(value(parseNumber('0,125')), 0.125);
	// Dinars have three digits after the mark: there it is no thousand.
	assert.equal(value(parseMoney('1,234', 'KWD')), 1234);
	for (const minor of [5, 99_999, 100_000, 123_456_789, 999_999_999])
		assert.equal(value(parseMoney(formatMoney(minor, 'EUR'), 'EUR')), minor);
});

test('money is integer minor units, read as text so that nothing is rounded', () => {
	assert.equal(value(parseMoney('12,50', 'EUR')), 1250);
	assert.equal(value(parseMoney('12.5', 'EUR')), 1250);
	assert.equal(value(parseMoney('0.07', 'EUR')), 7);
	assert.equal(value(parseMoney('€ 3', 'EUR')), 300);
	assert.equal(value(parseMoney('1500', 'JPY')), 1500);
	assert.equal(value(parseMoney('1.234', 'KWD')), 1234);
	// 1.005 × 100 is 100.49999… in floating point; as text it is refused, not rounded.
	assert.equal(code(parseMoney('1.005', 'EUR')), 'tooFine');
	assert.equal(code(parseMoney('1.5', 'JPY')), 'tooFine');
	assert.equal(code(parseMoney('-4', 'EUR')), 'negative');
	assert.equal(code(parseMoney('12o', 'EUR')), 'notMoney');
	assert.equal(code(parseMoney('99999999999', 'EUR')), 'tooLarge');
	assert.equal(formatMoney(123456789, 'EUR'), '1\u2009234\u2009567.89 EUR');
	for (let minor = 0; minor < 300; minor++)
		assert.equal(value(parseMoney(moneyDigits(minor, 'EUR'), 'EUR')), minor);
});

test('durations', () => {
	for (const [text, minutes] of [
		['1h20', 80],
		['1:20', 80],
		['90m', 90],
		['90', 90],
		['1.5h', 90],
		['2 d', 2880],
		['1/2 h', 30]
	] as const)
		assert.equal(value(parseDuration(text)), minutes, text);
	assert.equal(code(parseDuration('soon')), 'notADuration');
	assert.equal(code(parseDuration('-5')), 'negative');
	assert.equal(code(parseDuration('1000 d')), 'tooLarge');
	assert.deepEqual(
		[formatDuration(80), formatDuration(120), formatDuration(45), formatDuration(-90)],
		['1h20', '2h', '45m', '−1h30']
	);
	for (const minutes of [0, 45, 60, 80, 240, 1440, 2880, 600])
		assert.equal(value(parseDuration(formatWait(minutes))), minutes);
});

test('dates over month ends, leap days and the year’s change; weekdays by ISO 8601', () => {
	const next = (text: string) => formatDate(value(parseDate(text)) + 1);
	assert.equal(next('2027-01-31'), '2027-02-01');
	assert.equal(next('2027-02-28'), '2027-03-01');
	assert.equal(next('2028-02-28'), '2028-02-29');
	assert.equal(next('2026-12-31'), '2027-01-01');
	// Gregorian: 2000 was a leap year, 2100 will not be.
	assert.equal(next('2000-02-28'), '2000-02-29');
	assert.equal(next('2100-02-28'), '2100-03-01');
	for (const no of [
		'2027-02-29',
		'2027-04-31',
		'2027-13-01',
		'2027-00-10',
		'27-01-01',
		'20270-01-01',
		'2027-1-1'
	])
		assert.equal(code(parseDate(no)), 'notADate', no);
	// ISO 8601: 1 January 2024 was a Monday, 29 February 2024 a Thursday.
	assert.equal(weekdayOf(value(parseDate('2024-01-01'))), 1);
	assert.equal(weekdayOf(value(parseDate('2024-02-29'))), 4);
	assert.equal(weekdayOf(value(parseDate('1969-12-31'))), 3);
	assert.equal(dayWords(value(parseDate('2027-05-16'))), 'Sun 16 May');
	assert.equal(dayWords(value(parseDate('2027-05-16')), 2026), 'Sun 16 May 2027');
});

test('local times round-trip, and no zone touches them', () => {
	const before = process.env.TZ;
	for (const zone of ['UTC', 'Pacific/Auckland', 'America/St_Johns']) {
		process.env.TZ = zone;
		for (const text of ['2031-03-30T02:30', '2031-10-26T02:30', '2028-02-29T23:59', '1970-01-01T00:00'])
			assert.equal(formatLocalTime(value(parseLocalTime(text))), text, zone);
	}
	process.env.TZ = before;
	assert.equal(code(parseLocalTime('2031-05-02T24:00')), 'notATime');
	assert.equal(code(parseLocalTime('2031-05-02')), 'notATime');
	assert.equal(dayOf(value(parseLocalTime('1969-12-31T23:00'))), -1);
	assert.equal(value(parseClock('24:00')), 1440);
	assert.equal(code(parseClock('25:00')), 'notAClock');
});

test('weekdays in words', () => {
	assert.equal(weekdaysWords([1, 2, 3, 4, 5]), 'Mon–Fri');
	assert.equal(weekdaysWords([6, 7]), 'Sat, Sun');
	assert.equal(weekdaysWords([1, 2, 3, 5]), 'Mon–Wed, Fri');
	assert.equal(weekdaysWords([7, 1, 2], 7), 'Sun–Tue');
	assert.equal(weekdaysWords([1, 2, 3, 4, 5, 6, 7]), 'every day');
});

test('numbers', () => {
	assert.equal(value(parseNumber('3/8')), 0.375);
	assert.equal(value(parseNumber('2¾')), 2.75);
	assert.equal(value(parseNumber('-1,5')), -1.5);
	assert.equal(code(parseNumber('1 2')), 'notANumber');
});
