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
	const told: { id: number; plan: MadePlan | null; forecast: Forecast | null }[] = [];
	let done: () => void;
	const all = new Promise<void>((resolve) => (done = resolve));
	const forecasts = new Forecasts((id, plan, forecast) => {
		told.push({ id, plan, forecast });
		if (told.length === many) done();
	});
	return { forecasts, told, all };
}

test('what somebody looks at is told once, in the order of asking; what nobody looks at is not simulated', async () => {
	const { forecasts, told, all } = listening(2);
	for (const id of [1, 2, 3]) forecasts.hold(id, wanted(60));
	for (const id of [3, 1, 3]) forecasts.ask(id);
	await all;
	await new Promise((later) => setTimeout(later, 50));
	assert.deepEqual(
		told.map((t) => t.id),
		[3, 1]
	);
	forecasts.ask(3);
	await new Promise((later) => setTimeout(later, 50));
	assert.equal(told.length, 2, 'its plan is told already');
	for (const { plan: its, forecast } of told) {
		const plan = its!;
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
	forecasts.hold(1, old);
	forecasts.ask(1);
	// The first slices are under way when another plan comes.
	await new Promise((later) => setTimeout(later, 30));
	forecasts.hold(1, now);
	await all;
	await new Promise((later) => setTimeout(later, 50));
	assert.deepEqual(
		told.map((t) => t.plan === now.plan),
		[true]
	);
});

test('where nothing is left to do there is nothing to simulate; of what is not at work any more that is told', async () => {
	const { forecasts, told, all } = listening(2);
	forecasts.hold(1, wanted(600));
	forecasts.hold(2, wanted(0));
	forecasts.ask(1);
	forecasts.ask(2);
	forecasts.hold(1, null);
	await all;
	assert.deepEqual(
		told.map((t) => [t.id, t.plan === null, t.forecast]),
		[
			[1, true, null],
			[2, false, null]
		]
	);
});
