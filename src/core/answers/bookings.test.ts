import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Loan } from '../facts/loan.ts';
import { DAY } from '../units/localTime.ts';
import { missingFor, sharedComponents, sharedWith } from './bookings.ts';

const loan = (id: number, costumeId: number, day: number, more: Partial<Loan> = {}): Loan => ({
	id,
	costumeId,
	costume: `costume ${costumeId}`,
	eventAt: day * DAY + 540,
	isAway: false,
	component: { id: 7, code: 'A-01', name: 'boots' },
	owner: { id: 1, name: 'costume 1', eventAt: 100 * DAY, isAway: false },
	...more
});

test('booked by event: on the same day or the one beside it is at the costume whose it is, two days later at the other', () => {
	const [shared] = sharedComponents([loan(1, 2, 101), loan(2, 3, 102), loan(3, 4, 110)]);
	assert.deepEqual(
		shared!.bookings.map((b) => [b.costumeId, b.on, b.missingTo]),
		[
			[1, 100, null],
			[2, 101, 'costume 1'],
			// The one that it is missing at does not have it: two days after the first it is free.
			[3, 102, null],
			[4, 110, null]
		]
	);
	assert.equal(missingFor(2, shared!), 'costume 1');
	assert.equal(missingFor(3, shared!), null);
});

test('borrowed from one that is at rest nobody else has it; of two that borrow it the first one does', () => {
	const resting = { owner: { id: 1, name: 'costume 1', eventAt: 100 * DAY, isAway: true } };
	const [shared] = sharedComponents([loan(5, 3, 100, resting), loan(4, 2, 100, resting)]);
	assert.deepEqual(shared!.bookings.map((b) => [b.costumeId, b.missingTo]).sort(), [
		[2, null],
		[3, 'costume 2']
	]);
	const { borrowed, lent } = sharedWith(1, [shared!]);
	assert.deepEqual([borrowed.length, lent.length], [0, 1]);
	assert.equal(sharedWith(3, [shared!]).borrowed.length, 1);
	assert.deepEqual(sharedComponents([]), []);
});
