import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { basketOf, shopLists } from './shopList.ts';

test('the list by shop and aisle: what is planned, sums by hand, and the basket by the prices that were typed', () => {
	const materials = [
		make.material(1, { name: 'Twill', family: 'cloth' }),
		make.material(2, { name: 'Calico', family: 'cloth' }),
		make.material(3, { name: 'Foam', family: 'foam' }),
		make.material(4, { name: 'Glue', family: 'glue' })
	];
	const at = (id: number, materialId: number, supplier: string, extra = {}) =>
		make.purchase(id, materialId, { supplier, packPriceMinor: 250, ...extra });
	const lists = shopLists(
		[
			at(1, 1, 'Market', { packs: 3 }),
			at(2, 2, 'market ', { packPriceMinor: null, shippingMinor: 100 }),
			at(3, 3, 'Market'),
			at(4, 4, 'Corner shop'),
			at(5, 4, 'Market', { state: 'ordered' }),
			at(6, 4, 'Market', { state: 'arrived' })
		],
		materials
	);
	assert.deepEqual(
		lists.map((l) => [
			l.supplier,
			l.aisles.map((a) => [a.family, ...a.lines.map((line) => line.material.name)]),
			l.minor,
			l.unpriced
		]),
		[
			// Three of 2.50 and one.
			[
				'Market',
				[
					['foam', 'Foam'],
					['cloth', 'Calico', 'Twill']
				],
				1000,
				1
			],
			['Corner shop', [['glue', 'Glue']], 250, 0]
		]
	);
	const market = lists[0]!;
	const basket = (ids: number[], typed: [number, number | null][] = []) =>
		basketOf(market, new Set(ids), new Map(typed));
	assert.deepEqual(basket([]), { lines: 0, of: 3, minor: 0, sendingMinor: 0, unpriced: 0 });
	assert.deepEqual(basket([1, 2]), { lines: 2, of: 3, minor: 750, sendingMinor: 100, unpriced: 1 });
	// Twill at 2.80, calico at 1.90 with 1.00 besides: 8.40 + 2.90.
	assert.deepEqual(
		basket(
			[1, 2],
			[
				[1, 280],
				[2, 190]
			]
		),
		{ lines: 2, of: 3, minor: 1130, sendingMinor: 100, unpriced: 0 }
	);
	assert.deepEqual(shopLists([], materials), []);
});
