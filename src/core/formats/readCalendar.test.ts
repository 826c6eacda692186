import assert from 'node:assert/strict';
import { test } from 'node:test';
import ical from 'ical-generator';
import { day } from '../../../tests/support/record.ts';
import { formatDate } from '../units/localTime.ts';
import { readBusyDays } from './readCalendar.ts';

const calendar = (...events: string[][]) =>
	[
		'BEGIN:VCALENDAR',
		'VERSION:2.0',
		'PRODID:-//a test//EN',
		...events.flatMap((e, i) => [
			'BEGIN:VEVENT',
			`UID:${i}@a.test`,
			'DTSTAMP:20310101T000000Z',
			...e,
			'END:VEVENT'
		]),
		'END:VCALENDAR'
	].join('\r\n');
const busy = (text: string) => {
	const read = readBusyDays(text, day('2031-05-01'), day('2031-06-30'));
	assert.ok(read.ok);
	return read.value.map((d) => `${formatDate(d.day)} ${d.words}`);
};

test('whole days and what goes over them; the last day of a whole-day event is not part of it (RFC 5545, 3.6.1)', () => {
	assert.deepEqual(
		busy(
			calendar(
				['SUMMARY:holiday', 'DTSTART;VALUE=DATE:20310510', 'DTEND;VALUE=DATE:20310512'],
				['SUMMARY:one day', 'DTSTART;VALUE=DATE:20310520'],
				['SUMMARY:dentist', 'DTSTART:20310521T090000', 'DTEND:20310521T100000'],
				['SUMMARY:journey', 'DTSTART:20310601T180000', 'DTEND:20310604T090000']
			)
		),
		[
			'2031-05-10 holiday',
			'2031-05-11 holiday',
			'2031-05-20 one day',
			'2031-06-02 journey',
			'2031-06-03 journey'
		]
	);
});

test('free, cancelled and past days do not count; what repeats does, but for its exceptions (RFC 5545, 3.8.5)', () => {
	assert.deepEqual(
		busy(
			calendar(
				['SUMMARY:birthday', 'DTSTART;VALUE=DATE:20310502', 'TRANSP:TRANSPARENT'],
				['SUMMARY:off', 'DTSTART;VALUE=DATE:20310503', 'STATUS:CANCELLED'],
				['SUMMARY:long ago', 'DTSTART;VALUE=DATE:20300503'],
				[
					'SUMMARY:every other Tuesday',
					'DTSTART;VALUE=DATE:20310506',
					'RRULE:FREQ=WEEKLY;INTERVAL=2;UNTIL=20310618',
					'EXDATE;VALUE=DATE:20310520'
				]
			)
		),
		['2031-05-06 every other Tuesday', '2031-06-03 every other Tuesday', '2031-06-17 every other Tuesday']
	);
});

test('a file that repeats without end is cut; one that is no calendar is told', () => {
	const endless = readBusyDays(
		calendar(['SUMMARY:tick', 'DTSTART:20000101T000000', 'DURATION:PT1S', 'RRULE:FREQ=SECONDLY']),
		day('2031-05-01'),
		day('2031-06-30')
	);
	assert.deepEqual(endless, { ok: true, value: [] });
	for (const text of ['', 'BEGIN:VCARD\r\nEND:VCARD', '<html></html>', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT']) {
		const read = readBusyDays(text, 0, 1);
		assert.equal(read.ok ? '' : read.problem.code, 'notCalendar', text);
	}
});

test('what another library writes is read', () => {
	const written = ical({ name: 'a' });
	written.createEvent({
		start: new Date('2031-05-12T00:00:00Z'),
		end: new Date('2031-05-14T00:00:00Z'),
		allDay: true,
		summary: 'away'
	});
	assert.deepEqual(busy(written.toString()), ['2031-05-12 away', '2031-05-13 away']);
});
