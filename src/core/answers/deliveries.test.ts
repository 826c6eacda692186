import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { bySupplier, latenessOf as latenessOfOne, type Delivery } from './deliveries.ts';
import { lateMinutes, lateWords } from './leadTime.ts';

const MILL = { name: 'Net mill', workingDays: [1, 2, 3, 4, 5], closed: [make.day('2031-05-01')] };
/** As the shop is read: of its own parcels alone. */
const latenessOf = (list: Delivery[], supplier: typeof MILL) =>
	latenessOfOne(bySupplier(list).get('net mill') ?? [], supplier);
/** Five working days are told. */
const came = (orderedOn: string, arrivedOn: string, extra: Partial<Delivery> = {}): Delivery => ({
	supplier: 'net mill ',
	orderedOn: make.day(orderedOn),
	arrivedOn: make.day(arrivedOn),
	leadDays: 5,
	leadWorkingDays: true,
	...extra
});

test('how late parcels came, by hand from calendar days: closed days count as none, one parcel once, sooner as on the day', () => {
	const list = [
		// Friday 25 April: five working days without 1 May end on Monday 5 May.
		came('2031-04-25', '2031-05-05'),
		// Three days after that; two lines of the same parcel.
		came('2031-04-25', '2031-05-08'),
		came('2031-04-25', '2031-05-08', { leadDays: 6 }),
		// Monday 12 May to Monday 19 May; it came on the Friday before.
		came('2031-05-12', '2031-05-16'),
		came('2031-05-12', '2031-05-24', { supplier: 'another' }),
		came('2031-05-12', '2031-05-01')
	];
	assert.deepEqual(latenessOf(list, MILL), { parcels: 3, usualDays: 0, worstDays: 3 });
	assert.equal(latenessOf(list.slice(0, 3), MILL), null, 'two parcels say nothing');
	const late = latenessOf(
		[...list, came('2031-05-12', '2031-05-21'), came('2031-05-12', '2031-05-22')],
		MILL
	)!;
	assert.deepEqual(late, { parcels: 5, usualDays: 2, worstDays: 3 });
	assert.deepEqual(lateMinutes({ leadDays: 5, leadWorkingDays: true, late }), [0, 2 * 1440, 3 * 1440]);
	assert.equal(lateWords(late), '2 days late as a rule, 3 at the worst, by 5 parcels');
	assert.equal(
		lateWords({ parcels: 3, usualDays: 0, worstDays: 3 }),
		'on the day as a rule, 3 at the worst, by 3 parcels'
	);
	assert.equal(lateWords({ parcels: 4, usualDays: 0, worstDays: 0 }), 'on the day, by 4 parcels');
});

test('where nothing is learned a parcel is late by half of its lead again at the worst; punctual ones by a day', () => {
	assert.deepEqual(lateMinutes({ leadDays: 5, leadWorkingDays: true }), [0, 0, 3 * 1440]);
	const late = { parcels: 9, usualDays: 0, worstDays: 0 };
	assert.deepEqual(lateMinutes({ leadDays: 20, leadWorkingDays: true, late }), [0, 0, 1440]);
});
