import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { spendRangeFigure } from '../explain/money.ts';
import { valueOf } from '../explain/figure.ts';
import { dayOf } from '../units/localTime.ts';
import { guessedCosts, moneyOverDays } from './moneyOverDays.ts';
import { planCostume } from './plan.ts';
import { shoppingLines } from './shopping.ts';
import { spendOf } from './spend.ts';

const { at, day } = make;

test('money along the days by hand: ordered, to be ordered, still short, with the hours beside, and all of it on the last', () => {
	const now = at('2031-05-05T18:00');
	const workshop = make.workshop({
		materials: [
			make.material(1, { packPriceMinor: 1000, stash: 1 }),
			make.material(2, { packPriceMinor: 700, leadDays: 2 }),
			make.material(3, { packPriceMinor: 300, leadDays: 0 })
		]
	});
	const plain = make.record();
	const record = make.record({
		costume: { ...plain.costume, stashAtCost: true },
		components: [make.component(1)],
		steps: [make.step(1, 1, { amount: 60 }), make.step(2, 1, { amount: 90, doneAt: at('2031-05-02T20:00') })],
		needs: [make.need(1, 1, 2), make.need(1, 2, 1), make.need(1, 3, 1)],
		purchases: [
			make.purchase(1, 1, {
				state: 'arrived',
				packPriceMinor: 1000,
				shippingMinor: 50,
				orderedOn: day('2031-04-28'),
				arrivedOn: day('2031-05-02')
			})
		],
		logs: [
			{
				id: 1,
				stepId: 2,
				makerId: 1,
				startedAt: at('2031-05-02T18:00'),
				endedAt: null,
				minutes: 80,
				note: '',
				version: 1
			}
		]
	});
	const lines = shoppingLines(record, workshop);
	const spend = spendOf(record, workshop);
	const plan = planCostume(record, workshop, now, new Map());
	const days = moneyOverDays(record, plan, lines, spend, dayOf(now));
	const on = (date: string) => days.find((d) => d.day === day(date))!;
	// A sheet of the stash at 10.00 from the first day, 28 April, on which 10.50 were ordered.
	assert.deepEqual([days[0]!.day, on('2031-04-28').minor], [day('2031-04-28'), 2050]);
	assert.deepEqual([on('2031-05-02').minutes, on('2031-05-03').minutes], [80, 0]);
	assert.equal(on('2031-05-04').minor, 2050, 'what is not ordered is not spent before today');
	const last = days.at(-1)!;
	assert.equal(last.day, dayOf(record.costume.eventAt));
	assert.equal(last.minor, spend.totalMinor, 'the last day has all of it');
	// What is still short counts from the day to order by, of each.
	for (const o of plan.orders) {
		if (o.orderByDay === null) continue;
		const its = lines.find((l) => l.material.id === o.material.id)!.costShortMinor!;
		const before = days.find((d) => d.day === o.orderByDay! - 1)!.minor;
		assert.ok(days.find((d) => d.day === o.orderByDay)!.minor - before >= its, o.material.name);
	}
	assert.ok(plan.orders.some((o) => o.orderByDay !== null));
	// An hour is planned, on the first free evening.
	assert.equal(
		days.reduce((sum, d) => sum + d.minutes, 0),
		80 + 60
	);
	assert.deepEqual(
		moneyOverDays(
			plain,
			planCostume(plain, workshop, now, new Map()),
			[],
			spendOf(plain, workshop),
			dayOf(now)
		),
		[]
	);
});

test('what guesses may cost more or less, in whole packs', () => {
	const workshop = make.workshop({
		materials: [make.material(1, { packPriceMinor: 1000 }), make.material(2)]
	});
	const record = make.record({
		components: [make.component(1)],
		needs: [{ ...make.need(1, 1, 4), guessed: true }, make.need(1, 2, 4)],
		purchases: [make.purchase(1, 1, { packs: 1 })]
	});
	const lines = shoppingLines(record, workshop);
	// Four, of which one is on the list: three more. By a half: two and two thirds are needed, so two more; six are needed, so five.
	const guesses = guessedCosts(lines, 1.5);
	assert.deepEqual(guesses, [{ materialId: 1, lessMinor: 1000, moreMinor: 2000 }]);
	const spend = spendOf(record, workshop);
	const value = (which: 'less' | 'more') =>
		valueOf(spendRangeFigure(record.costume, spend, guesses, workshop.materials, which));
	assert.deepEqual([value('less'), value('more')], [spend.totalMinor - 1000, spend.totalMinor + 2000]);
	assert.deepEqual(guessedCosts(lines, 1), []);
});
