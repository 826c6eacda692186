import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { costFigure } from '../explain/money.ts';
import { valueOf } from '../explain/figure.ts';
import { purchaseCost, unitsOf } from '../facts/material.ts';
import { parcelsUnderWay } from './parcels.ts';
import { shoppingLines } from './shopping.ts';
import { spendOf } from './spend.ts';

const { at, day } = make;

test('what was ordered of one supplier on one day is one parcel, however its name was typed', () => {
	const ordered = (id: number, supplier: string, on: string, due: string | null) =>
		make.purchase(id, id, {
			supplier,
			state: 'ordered',
			orderedOn: day(on),
			dueOn: due === null ? null : day(due),
			leadDays: 4
		});
	const parcels = parcelsUnderWay(
		[
			ordered(1, 'North', '2031-05-01', '2031-05-06'),
			ordered(2, 'north ', '2031-05-01', '2031-05-08'),
			ordered(3, 'North', '2031-05-02', null),
			ordered(4, 'South', '2031-04-20', '2031-04-28'),
			make.purchase(5, 5, { supplier: 'North', state: 'planned' }),
			make.purchase(6, 6, { supplier: 'North', state: 'arrived', orderedOn: day('2031-05-01') })
		],
		at('2031-05-03T10:00')
	);
	assert.deepEqual(
		parcels.map((p) => [p.supplier, p.lines.map((l) => l.id), p.dueOn - day('2031-05-03'), p.overdue]),
		[
			['South', [4], -5, true],
			// Four days after Friday 2 May.
			['North', [3], 3, false],
			['North', [1, 2], 5, false]
		]
	);
});

test('what was sent back is nothing, and costs what did not come back', () => {
	const material = make.material(1);
	const back = make.purchase(1, 1, {
		state: 'returned',
		packs: 2,
		packPriceMinor: 1390,
		shippingMinor: 490,
		refundMinor: 2780
	});
	assert.equal(unitsOf(back, material), 0);
	assert.equal(purchaseCost(back), 490);
	assert.equal(valueOf(costFigure(back, 'foam', 'EUR')), 490);
	const record = make.record({
		components: [make.component(1)],
		needs: [make.need(1, 1, 2)],
		purchases: [back]
	});
	const workshop = make.workshop({ materials: [material] });
	assert.equal(shoppingLines(record, workshop)[0]!.packsShort, 2, 'it has to be bought again');
	const spend = spendOf(record, workshop);
	assert.deepEqual([spend.paidMinor, spend.notListedMinor, spend.totalMinor], [490, 2000, 2490]);
});
