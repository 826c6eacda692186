import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { groupMoneyFigure } from '../explain/money.ts';
import { valueOf } from '../explain/figure.ts';
import { moneyByKind, moneyByMonth } from './moneyBy.ts';

const { day } = make;
const materials = [
	make.material(1, { name: 'Foam', family: 'foam' }),
	make.material(2, { name: 'Primer', family: 'paint' }),
	make.material(3, { name: 'Board', family: 'foam' })
];
const purchases = [
	make.purchase(1, 1, {
		state: 'used',
		packs: 2,
		packPriceMinor: 1000,
		shippingMinor: 50,
		orderedOn: day('2031-03-31')
	}),
	make.purchase(2, 2, {
		state: 'arrived',
		packPriceMinor: 700,
		orderedOn: null,
		arrivedOn: day('2031-04-02')
	}),
	make.purchase(3, 3, { state: 'planned', packPriceMinor: 300 }),
	make.purchase(4, 2, { state: 'planned', packPriceMinor: 90, materialId: 2 }),
	make.purchase(5, 1, {
		state: 'returned',
		packPriceMinor: 500,
		refundMinor: 450,
		orderedOn: day('2031-04-20')
	}),
	make.purchase(6, 1, { state: 'planned', packPriceMinor: null })
];
const orders = [
	{ material: materials[2]!, orderByDay: day('2031-06-04') },
	{ material: materials[1]!, orderByDay: day('2031-01-01') }
];

test('money by kind and by month, by hand; each comes to all that was bought', () => {
	const kinds = moneyByKind(purchases, materials);
	// 20.00 + 0.50, 3.00, and of what was sent back 0.50.
	assert.deepEqual(
		kinds.map((g) => [g.key, g.minor]),
		[
			['foam', 2050 + 300 + 50],
			['paint', 700 + 90]
		]
	);
	const months = moneyByMonth(purchases, orders, day('2031-05-02'));
	assert.deepEqual(
		months.map((g) => [g.key, g.minor]),
		[
			['2031-03', 2050],
			['2031-04', 700 + 50],
			// To be ordered in January says the plan, which has passed: now.
			['2031-05', 90],
			['2031-06', 300]
		]
	);
	const sum = (groups: { minor: number }[]) => groups.reduce((all, g) => all + g.minor, 0);
	assert.equal(sum(kinds), sum(months));
	const figure = groupMoneyFigure('Money in foam', kinds[0]!, { currency: 'EUR' }, materials);
	assert.equal(valueOf(figure), 2400);
	assert.deepEqual(
		figure.inputs.map((i) => i.name),
		['Foam', 'Board', 'Foam']
	);
	assert.deepEqual(moneyByKind([], materials), []);
});
