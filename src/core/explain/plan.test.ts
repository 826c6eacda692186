import assert from 'node:assert/strict';
import { FIRST_SETTINGS } from '../facts/workshop.ts';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { planCostume } from '../answers/plan.ts';
import { packsForCoats } from '../answers/coatStack.ts';
import { spendOf } from '../answers/spend.ts';
import { shoppingLines } from '../answers/shopping.ts';
import { dayOf } from '../units/localTime.ts';
import { day, minutes, money, number } from '../units/figure.ts';
import { valueOf, withInput, type Figure } from './figure.ts';
import { STANDARD } from '../trade/catalogue.ts';
import * as coating from './coating.ts';
import * as moneyFigures from './money.ts';
import * as planFigures from './plan.ts';

const figures = { ...coating, ...moneyFigures, ...planFigures };
import { FORMULAS } from './formulas.ts';
import { readAs, write } from '../units/write.ts';

/** Every working must come to the figure that the page shows: it is worked out on its own way here. */
const NOW = make.at('2031-04-28T18:00');
const record = make.record({
	components: [make.component(1, { side: 'pair' }), make.component(2, { parentId: 1, count: 3 })],
	steps: [
		make.step(1, 1, { technique: 'cutFoam', amount: 3000, setUpMinutes: 7 }),
		make.step(2, 2, { technique: 'spray', amount: 150_000, coatId: 1 }),
		make.step(3, 1, { phase: 'rig', technique: 'snap', amount: 4, waitMinutes: 90, perCopy: false })
	],
	coats: [make.coat(1, 2, { coats: 2, area: 150_000 })],
	needs: [make.need(1, 1, 2.5), make.need(2, 1, 1)],
	purchases: [
		make.purchase(1, 1, { packs: 2, shippingMinor: 495, state: 'ordered', dueOn: make.day('2031-05-02') })
	]
});
const workshop = make.workshop({
	materials: [make.material(1), make.material(2, { coatProduct: 'fillerPrimer', leadWorkingDays: true })]
});
const plan = planCostume(record, workshop, NOW, new Map());
const spend = spendOf(record, workshop);

test('a step’s minutes', () => {
	for (const step of record.steps) {
		const component = record.components.find((c) => c.id === step.componentId)!;
		assert.equal(
			valueOf(figures.stepFigure(step, component, record, workshop)),
			plan.minutes.get(step.id)![1],
			step.name
		);
	}
});

test('hours left, in all and by component', () => {
	const all = valueOf(figures.hoursLeftFigure(record, plan));
	assert.equal(all, plan.handsOnLeft[1]);
	const each = record.components.map((c) => valueOf(figures.componentHoursFigure(c, record, plan)));
	assert.equal(
		each.reduce((a, b) => a + b, 0),
		all
	);
});

test('money: in all, by component, against the limit, and a purchase', () => {
	assert.equal(valueOf(figures.spendFigure(record.costume, spend)), spend.totalMinor);
	assert.equal(valueOf(figures.limitFigure(record.costume, spend)), spend.leftMinor);
	for (const c of record.components)
		assert.equal(
			valueOf(figures.componentMoneyFigure(c, record.costume, spend, workshop)),
			spend.byComponent.get(c.id) ?? 0
		);
	assert.equal(valueOf(figures.costFigure(record.purchases[0]!, 'foam', 'EUR')), 2495);
	// 170 ml of two tins of 100 ml at 9.99: 16.98 of 19.98, and 4.25 of 5.00 for sending.
	const joint = { id: 1, packs: 2, packSize: 100, packPriceMinor: 999, shippingMinor: 500, shares: [] };
	const share = make.purchase(9, 1, {
		jointId: 1,
		packs: 1,
		packSize: 170,
		packPriceMinor: 1698,
		shippingMinor: 425
	});
	const figure = figures.costFigure(share, 'paint', 'EUR', joint);
	assert.equal(valueOf(figure), 2123);
	assert.match(figure.inputs[1]!.source, /^170 of 2 × 100, of 2 × .*9\.99/);
});

test('packs: of a line, of a coat, of all coats of a product', () => {
	for (const line of shoppingLines(record, workshop))
		assert.equal(valueOf(figures.packsFigure(line)), line.packsShort, line.material.name);
	// 0.15 m² × 2 coats × 6 copies of 1.2 m².
	assert.equal(
		valueOf(figures.coatFigure(record.coats[0]!, record.components[1]!, record, STANDARD, [])),
		1.5
	);
	const [total] = packsForCoats([{ ...record.coats[0]!, copies: 6 }], STANDARD, [], FIRST_SETTINGS);
	assert.equal(valueOf(figures.coatTotalFigure(total!, STANDARD)), total!.packs);
});

test('days: left, to order by, and ready when', () => {
	assert.equal(
		valueOf(figures.daysLeftFigure(record.costume, NOW)),
		dayOf(record.costume.eventAt) - dayOf(NOW)
	);
	const order = plan.orders.find((o) => o.orderByDay !== null)!;
	assert.equal(valueOf(figures.orderByFigure(order)), order.orderByDay! * 1440);
	const odds = {
		materialId: order.material.id,
		shares: [0.95, 0.92, 0.85, 0],
		from: dayOf(NOW),
		target: 0.9,
		latest: dayOf(NOW) + 1,
		hopeless: dayOf(NOW) + 3
	};
	const byOdds = figures.orderByFigure({ ...order, orderByDay: odds.latest, odds });
	assert.equal(valueOf(byOdds), odds.latest * 1440);
	assert.match(
		byOdds.inputs[1]!.source,
		/today: 95 of 100; on that day: 92 of 100; a day later: 85 of 100; wanted: 90 of 100; not one in a hundred from/
	);
	assert.equal(valueOf(figures.finishFigure(record, plan)!), plan.schedule.finish);
	assert.equal(figures.finishFigure(record, { ...plan, chain: [] }), null);
});

test('hours spare or short', () => {
	assert.equal(valueOf(figures.spareFigure(plan, workshop)), plan.spareMinutes);
	assert.equal(figures.spareFigure(plan, workshop).title, 'Hours spare');
	const tight = make.record({
		...record,
		costume: { ...record.costume, eventAt: NOW + 3 * 1440, bufferDays: 2 }
	});
	const late = planCostume(tight, workshop, NOW, new Map());
	assert.ok(late.spareMinutes < 0);
	assert.equal(valueOf(figures.spareFigure(late, workshop)), late.spareMinutes);
	assert.equal(figures.spareFigure(late, workshop).title, 'Hours short');
});

test('every figure names its inputs and where each is from', () => {
	const all: Figure[] = [
		figures.stepFigure(record.steps[0]!, record.components[0]!, record, workshop),
		figures.hoursLeftFigure(record, plan),
		figures.spendFigure(record.costume, spend),
		figures.limitFigure(record.costume, spend),
		figures.daysLeftFigure(record.costume, NOW),
		figures.finishFigure(record, plan)!,
		figures.spareFigure(plan, workshop),
		figures.orderByFigure(plan.orders[0]!)
	];
	for (const figure of all) {
		assert.ok(figure.title && FORMULAS[figure.formula].words, figure.title);
		assert.ok(
			figure.inputs.every((i) => i.name && i.source),
			figure.title
		);
		for (const input of figure.inputs) assert.notEqual(write(input.value, input.as), '', figure.title);
		assert.notEqual(write(valueOf(figure), figure.as), '');
	}
});

test('what if: one input changed changes the figure and leaves the first alone', () => {
	const figure = figures.costFigure(record.purchases[0]!, 'foam', 'EUR');
	const more = withInput(figure, 0, 5);
	assert.equal(valueOf(more), 5495);
	assert.equal(valueOf(figure), 2495);
});

test('inputs read as they are written, and refuse what they cannot be', () => {
	for (const input of [number('a', 2.5, '', 'm²'), minutes('b', 95), money('c', 123_456, 'EUR')]) {
		const read = readAs(write(input.value, input.as).replace(/\u2009/g, ''), input.as);
		assert.ok(read.ok && read.value === input.value, input.name);
		assert.equal(readAs('-3', input.as).ok, false);
		assert.equal(readAs('x', input.as).ok, false);
	}
	assert.equal(readAs('2031-05-16', day('d', 0).as).ok, true);
	assert.equal(readAs('2031-05-16T09:00', { kind: 'time' }).ok, true);
	assert.equal(readAs('tomorrow', { kind: 'time' }).ok, false);
	assert.equal(readAs('2 d', { kind: 'wait' }).ok, true);
});
