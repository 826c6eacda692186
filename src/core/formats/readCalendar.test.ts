import assert from 'node:assert/strict';
import { test } from 'node:test';
import ical from 'ical-generator';
import { day } from '$tests/support/record.ts';
import { formatDate, formatLocalTime } from '../units/localTime.ts';
import { readBusy } from './readCalendar.ts';

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
	const read = readBusy(text, day('2031-05-01'), day('2031-06-30'));
	assert.ok(read.ok);
	return read.value.days.map((d) => `${formatDate(d.day)} ${d.words}`);
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

test('an appointment is part of a day off, and so are the ends of a journey; none is dropped', () => {
	const read = readBusy(
		calendar(
			['SUMMARY:dentist', 'DTSTART:20310521T090000', 'DTEND:20310521T100000'],
			['SUMMARY:journey', 'DTSTART:20310601T180000', 'DTEND:20310604T090000'],
			['SUMMARY:choir', 'DTSTART:20310506T193000', 'DURATION:PT2H', 'RRULE:FREQ=WEEKLY;COUNT=3'],
			['SUMMARY:at home', 'DTSTART:20310522T080000', 'DTEND:20310522T090000', 'TRANSP:TRANSPARENT'],
			['SUMMARY:no time', 'DTSTART:20310523T080000', 'DTEND:20310523T080000'],
			['SUMMARY:over midnight', 'DTSTART:20310610T230000', 'DTEND:20310611T013000'],
			['SUMMARY:off', 'DTSTART;VALUE=DATE:20310513']
		),
		day('2031-05-01'),
		day('2031-06-30')
	);
	assert.ok(read.ok);
	assert.deepEqual(
		read.value.parts.map((p) => `${formatLocalTime(p.from)} ${formatLocalTime(p.to).slice(11)} ${p.words}`),
		[
			'2031-05-06T19:30 21:30 choir',
			// The choir of the 13th falls on a whole day off.
			'2031-05-20T19:30 21:30 choir',
			'2031-05-21T09:00 10:00 dentist',
			'2031-06-01T18:00 00:00 journey',
			'2031-06-04T00:00 09:00 journey',
			'2031-06-10T23:00 00:00 over midnight',
			'2031-06-11T00:00 01:30 over midnight'
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
	const endless = readBusy(
		calendar(['SUMMARY:tick', 'DTSTART:20000101T000000', 'DURATION:PT1S', 'RRULE:FREQ=SECONDLY']),
		day('2031-05-01'),
		day('2031-06-30')
	);
	assert.deepEqual(endless, { ok: true, value: { days: [], parts: [] } });
	for (const text of ['', 'BEGIN:VCARD\r\nEND:VCARD', '<html></html>', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT']) {
		const read = readBusy(text, 0, 1);
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
