import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { DAY, dayOf } from '../units/localTime.ts';
import { forecastOf } from './forecast.ts';
import { latestOf, planByOdds } from './orderOdds.ts';
import { planCostume } from './plan.ts';

const NOW = make.at('2031-05-02T08:00');
const today = dayOf(NOW);

test('the last day that keeps the odds, and the first that is hopeless', () => {
	const ordering = { id: 'parcel 1', shares: [0.94, 0.94, 0.9, 0.8, 0.3, 0.004, 0] };
	// Many more builds say 0.96 for today: each day keeps as much of that as the fewer builds say.
	const met = latestOf(1, ordering, 100, 0.96, 0.9);
	assert.equal(met.shares[2], (0.96 * 0.9) / 0.94);
	assert.deepEqual([met.latest, met.hopeless], [102, 105]);
	// Under what is wanted already: as long as it costs hardly a build.
	const under = latestOf(1, ordering, 100, 0.94, 0.99);
	assert.deepEqual([under.latest, under.hopeless], [101, 105]);
	assert.equal(latestOf(1, { id: '', shares: [0.5, 0.5] }, 100, 0.5, 0.4).latest, 101, 'it never costs any');
	const hopeless = latestOf(1, { id: '', shares: [0, 0] }, 100, 0, 0.9);
	assert.deepEqual([hopeless.latest, hopeless.hopeless], [101, null], 'late whenever it is ordered');
});

/** One step of four hours that waits for cloth of five days; the event is twelve days away, two of them kept. */
function made(lead: number, late: Partial<Parameters<typeof make.material>[1]> = {}) {
	const record = make.record({
		costume: { ...make.record({}).costume, eventAt: NOW + 12 * DAY, bufferDays: 2, targetOdds: 90 },
		components: [make.component(1)],
		steps: [make.step(1, 1, { amount: 240 })],
		needs: [make.need(1, 1, 2)]
	});
	const workshop = make.workshop({
		materials: [make.material(1, { unit: 'm', packSize: 1, leadDays: lead, leadWorkingDays: false, ...late })]
	});
	const plan = planCostume(record, workshop, NOW, new Map());
	const work = forecastOf(record, workshop, plan);
	let turn = work.next();
	while (!turn.done) turn = work.next();
	return { plan, forecast: turn.value };
}

test('from what is entered to the day: five days of lead, at the worst three more, and an evening of work', () => {
	const { plan, forecast } = made(5);
	const [odds] = forecast.orders;
	const order = plan.orders[0]!;
	assert.equal(odds!.materialId, 1);
	assert.equal(odds!.from, today);
	// By usual minutes the plan has nothing late; with luck it is ordered later than with parcels that are late.
	const [byOdds] = planByOdds(plan, forecast).orders;
	assert.equal(byOdds!.orderByDay, odds!.latest);
	assert.ok(
		odds!.latest < order.orderByDay!,
		`${odds!.latest - today} days, the plan ${order.orderByDay! - today}`
	);
	const kept = odds!.shares[odds!.latest - today]!;
	assert.ok(kept >= 0.9 && odds!.shares[odds!.latest - today + 1]! < 0.9, String(odds!.shares));
	// Ordered so late that it comes on the last day or after, nothing is ready.
	assert.ok(odds!.hopeless !== null && odds!.hopeless <= today + 12 - 2 - 5 + 1);
	assert.ok(odds!.hopeless > odds!.latest);
	for (const [k, share] of odds!.shares.entries()) assert.ok(k === 0 || share <= odds!.shares[k - 1]!);
	assert.equal(planByOdds(plan, null), plan, 'as the plan has them while no odds are known');
});

test('what is on its way, and what is here, is asked of nobody', () => {
	assert.deepEqual(made(5, { stash: 2 }).forecast.orders, []);
	// It would come after the event: no build is ready, and no day is the last.
	assert.deepEqual(made(30).forecast.orders, []);
});
