import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import type { Forecast } from '$core/answers/forecast.ts';
import { planCostume, type MadePlan } from '$core/answers/plan.ts';
import { Forecasts } from './forecasts.ts';

const NOW = make.at('2031-05-02T17:00');
const workshop = make.workshop();
const wanted = (amount: number) => {
	const steps = amount ? [make.step(1, 1, { amount }), make.step(2, 1, { amount })] : [];
	const record = make.record({ components: [make.component(1)], steps });
	return { record, workshop, plan: planCostume(record, workshop, NOW, new Map()) };
};
/** What is told, and a promise of so many. */
function listening(many: number) {
	const told: { id: number; plan: MadePlan; forecast: Forecast | null }[] = [];
	let done: () => void;
	const all = new Promise<void>((resolve) => (done = resolve));
	const forecasts = new Forecasts((id, plan, forecast) => {
		told.push({ id, plan, forecast });
		if (told.length === many) done();
	});
	return { forecasts, told, all };
}

test('forecasts are told once each, and what somebody looks at comes first', async () => {
	const { forecasts, told, all } = listening(3);
	for (const id of [1, 2, 3]) forecasts.want(id, wanted(60));
	forecasts.first(3);
	await all;
	assert.deepEqual(
		told.map((t) => t.id),
		[3, 1, 2]
	);
	for (const { plan, forecast } of told) {
		assert.equal(forecast!.odds.runs, 5000);
		assert.deepEqual(
			forecast!.odds.by.map((b) => b.at),
			[plan.deadline, plan.deadline + 2 * 1440]
		);
	}
});

test('a plan that changes meanwhile is given up: the newer one is told, and one alone', async () => {
	const { forecasts, told, all } = listening(1);
	const [old, now] = [wanted(600), wanted(60)];
	forecasts.want(1, old);
	// The first slices are under way when another plan comes.
	await new Promise((later) => setTimeout(later, 30));
	forecasts.want(1, now);
	await all;
	await new Promise((later) => setTimeout(later, 50));
	assert.deepEqual(
		told.map((t) => t.plan === now.plan),
		[true]
	);
});

test('where nothing is left to do there is nothing to simulate; what is not at work any more is not told', async () => {
	const { forecasts, told, all } = listening(1);
	forecasts.want(1, wanted(600));
	forecasts.want(2, wanted(0));
	forecasts.want(1, null);
	await all;
	assert.deepEqual([told[0]!.id, told[0]!.forecast, told.length], [2, null, 1]);
});
