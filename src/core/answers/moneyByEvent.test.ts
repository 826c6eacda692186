import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { valueOf } from '../explain/figure.ts';
import { eventMoneyFigure } from '../explain/money.ts';
import { moneyByEvent } from './moneyByEvent.ts';
import { spendOf } from './spend.ts';

const { day } = make;

test('money by event by hand: costumes of one event together, another time and another currency apart', () => {
	const workshop = make.workshop({ materials: [make.material(1, { packPriceMinor: 700 })] });
	const costume = (id: number, eventName: string, on: string, currency = 'EUR') =>
		make.record({
			costume: {
				...make.record({}).costume,
				id,
				name: `costume ${id}`,
				eventName,
				eventAt: day(on) * 1440 + 600,
				currency
			},
			components: [make.component(1)],
			needs: [make.need(1, 1, 3)],
			purchases: [
				make.purchase(1, 1, { packPriceMinor: 1000, state: 'arrived' }),
				make.purchase(2, 1, { packPriceMinor: 250, state: 'ordered' })
			]
		});
	const records = [
		costume(1, 'Harbour days', '2031-06-07'),
		costume(2, ' harbour Days', '2031-06-08'),
		costume(3, 'Harbour days', '2031-06-23'),
		costume(4, 'Harbour days', '2031-06-07', 'JPY'),
		costume(5, '', '2031-05-20'),
		costume(6, '', '2031-05-21')
	];
	const events = moneyByEvent(
		records.map((record) => ({ costume: record.costume, spend: spendOf(record, workshop) }))
	);
	// Each: 10.00 paid, 2.50 on its way, and one more pack at 7.00 short.
	assert.deepEqual(
		events.map((e) => [e.event, e.currency, e.to - e.from, e.costumes.map((c) => c.id), e.totalMinor]),
		[
			['', 'EUR', 0, [5], 1950],
			['', 'EUR', 0, [6], 1950],
			['Harbour days', 'EUR', 1, [1, 2], 3900],
			['Harbour days', 'JPY', 0, [4], 1950],
			['Harbour days', 'EUR', 0, [3], 1950]
		]
	);
	// One counts the stash at cost, and takes the third from it: it was paid before.
	const [atCost] = moneyByEvent(
		[make.record({ ...records[0]!, costume: { ...records[0]!.costume, stashAtCost: true } })].map(
			(record) => ({
				costume: record.costume,
				spend: spendOf(
					record,
					make.workshop({ materials: [make.material(1, { packPriceMinor: 700, stash: 1 })] })
				)
			})
		)
	);
	assert.deepEqual([atCost!.toPayMinor, atCost!.stashMinor, atCost!.totalMinor], [0, 700, 1950]);
	const [, , both] = events;
	assert.deepEqual([both!.paidMinor, both!.orderedMinor, both!.toPayMinor], [2000, 500, 1400]);
	for (const e of events) {
		assert.equal(e.paidMinor + e.orderedMinor + e.toPayMinor + e.stashMinor, e.totalMinor);
		assert.equal(valueOf(eventMoneyFigure(e)), e.totalMinor);
	}
});
