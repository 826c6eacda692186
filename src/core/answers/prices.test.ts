import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { exchanged } from '../units/money.ts';
import { pricedIn, rateBetween } from './prices.ts';
import { shoppingLines } from './shopping.ts';
import { spendOf } from './spend.ts';
import { workshopFor } from './stash.ts';

const rate = (currency: string, rate: number) => ({ id: 1, currency, rate, version: 1 });
const shop = (extra: Parameters<typeof make.workshop>[0]) =>
	make.workshop({ exchange: [rate('USD', 0.9), rate('JPY', 0.006)], ...extra });

test('exchanged to the smallest coin of the other currency', () => {
	assert.equal(exchanged(1200, 'USD', 'EUR', 0.9), 1080);
	assert.equal(exchanged(1500, 'JPY', 'EUR', 0.006), 900, 'yen have no smaller coin');
	assert.equal(exchanged(999, 'EUR', 'JPY', 1 / 0.006), 1665);
});

test('rates go by the workshop’s currency; one that is missing leaves it unknown', () => {
	const w = shop({});
	assert.equal(rateBetween('USD', 'EUR', w), 0.9);
	assert.ok(Math.abs(rateBetween('USD', 'JPY', w)! - 150) < 1e-9);
	assert.equal(rateBetween('CHF', 'EUR', w), null);
	assert.equal(rateBetween('CHF', 'CHF', w), 1, 'nothing to exchange');
	assert.equal(pricedIn(make.material(1, { currency: 'CHF' }), 'EUR', w).packPriceMinor, null);
});

test('from a price of 12.00 USD to what the costume costs in euro, by hand', () => {
	const foam = make.material(1, { packPriceMinor: 1200, currency: 'USD', packSize: 1, stash: 1 });
	const glue = make.material(2, { packPriceMinor: null, packSize: 1 });
	const record = make.record({
		components: [make.component(1)],
		needs: [make.need(1, 1, 4), { ...make.need(2, 1, 2), materialId: 2 }]
	});
	const view = workshopFor(shop({ materials: [foam, glue] }), record.costume, new Map([[1, 1]]));
	const [sheets, tubes] = shoppingLines(record, view);
	// 4 sheets less the one promised: 3 × 12.00 USD × 0.90 = 32.40 EUR.
	assert.deepEqual([sheets!.packsShort, sheets!.costShortMinor], [3, 3240]);
	assert.deepEqual([tubes!.packsShort, tubes!.costShortMinor], [2, null]);
	const spend = spendOf(record, view);
	assert.deepEqual(
		[spend.totalMinor, spend.unpriced],
		[3240, [2]],
		'the glue comes on top, it is not nothing'
	);
	const listed = make.record({
		...record,
		purchases: [make.purchase(1, 2, { packPriceMinor: null, shippingMinor: 450 })]
	});
	assert.deepEqual([spendOf(listed, view).plannedMinor, spendOf(listed, view).unpriced], [450, [2]]);
});
