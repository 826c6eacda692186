import assert from 'node:assert/strict';
import { test } from 'node:test';
import { parse } from 'csv-parse/sync';
import * as make from '$tests/support/record.ts';
import { materialsTable, moneyTable } from './tables.ts';

/** Read back by another parser than ours. */
const rows = (text: string) => parse(text, { columns: true }) as Record<string, string>[];

test('tables read back: a sum of tenths is a tenth, money has its digits, a formula is text', () => {
	const workshop = make.workshop({
		materials: [make.material(1, { name: '=Webbing "wide"', unit: 'm', packSize: 5, packPriceMinor: 590 })]
	});
	const record = make.record({
		components: [make.component(1), make.component(2)],
		needs: [make.need(1, 1, 0.1), make.need(2, 1, 0.2)],
		purchases: [make.purchase(1, 1, { packPriceMinor: 590, shippingMinor: 295 })]
	});
	const [webbing] = rows(materialsTable(record, workshop));
	assert.deepEqual(
		[webbing!['material'], webbing!['needed'], webbing!['pack_price'], webbing!['short']],
		['\'=Webbing "wide"', '0.3', '5.90', '0']
	);
	assert.deepEqual(
		rows(moneyTable(record, workshop)).map((r) => [r['state'], r['amount']]),
		[
			['planned', '8.85'],
			['short', '0.00']
		]
	);
});
