import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { FRIDAY } from '$tests/support/shapes.ts';
import { ROUTES, isRouteCoat, type Route } from '../trade/route.ts';
import { mergedByPhase } from '../facts/order.ts';
import type { Phase } from '../facts/step.ts';
import { whatDecides } from './forecast.ts';
import { minutesOf } from './minutes.ts';
import { planCostume } from './plan.ts';
import { stageOf } from './stage.ts';
import { todayOf } from './today.ts';

/**
 * What comes next, and what decides: by hand from steps to what the bench and the plan say.
 */

test('a step of nothing takes no time, sets nothing out and makes nobody wait', () => {
	const record = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { amount: 0, setUpMinutes: 20, waitMinutes: 600 }),
			make.step(2, 1, { amount: 60 })
		]
	});
	assert.deepEqual(minutesOf(record, make.workshop()).get(1), [0, 0, 0]);
	const plan = planCostume(record, make.workshop(), make.at('2031-05-02T17:00'), new Map());
	const [first, second] = plan.schedule.steps;
	assert.equal(first!.ready, first!.end);
	assert.equal(second!.end - second!.start, 60);
});

test('steps of a second route come where they belong: a lantern’s light is wired when its foam is cut and painted', () => {
	const named = (route: Route): { name: string; phase: Phase }[] =>
		route.steps.map((s) => (isRouteCoat(s) ? { name: s.product, phase: 'finish' } : s));
	const names = (there: Route, added: Route) => mergedByPhase(named(there), named(added)).map((s) => s.name);
	for (const order of [names(ROUTES.light, ROUTES.foamPlate), names(ROUTES.foamPlate, ROUTES.light)]) {
		const at = (name: string) => order.indexOf(name);
		assert.ok(
			at('cut') < at('wire') && at('clearSpray') < at('wire') && at('wire') < at('test'),
			order.join()
		);
		assert.ok(at('cut') < at('bevel') && at('bevel') < at('join'), 'each keeps its own order');
	}
});

test('a step of nothing is no next step, and the one after it can be begun', () => {
	const record = make.record({
		components: [make.component(1)],
		steps: [
			make.step(1, 1, { doneAt: FRIDAY - 600 }),
			make.step(2, 1, { technique: 'bevel', amount: 0, phase: 'pattern' }),
			make.step(3, 1, { technique: 'cutFoam', amount: 6000, phase: 'make' })
		]
	});
	const workshop = make.workshop();
	const plan = planCostume(record, workshop, FRIDAY, new Map());
	assert.deepEqual(
		todayOf(record, workshop, plan, FRIDAY).ready.map((r) => [r.step.id, r.minutes]),
		[[3, 10]]
	);
	assert.equal(stageOf(record.components[0]!, record, workshop, FRIDAY), 'to make');
});

test('what the bench says to do now is the plan’s next step, for as long as the plan says', () => {
	const record = make.record({
		components: [make.component(1), make.component(2)],
		steps: [
			make.step(1, 1, { amount: 30 }),
			make.step(2, 2, { amount: 60 }),
			make.step(3, 2, { amount: 60, waitMinutes: 2880 })
		]
	});
	const workshop = make.workshop();
	const plan = planCostume(record, workshop, FRIDAY, new Map());
	const [next] = [...plan.schedule.steps].sort((a, b) => a.start - b.start);
	const [now] = todayOf(record, workshop, plan, FRIDAY).ready;
	assert.equal(String(now!.step.id), next!.id);
	assert.equal(now!.minutes, next!.end - next!.start);
});

test('what decides: parcels first, then the steps of a component in one line', () => {
	const componentOf = (id: string) => (id === '9' ? 2 : 1);
	const steps = [
		{ id: '1', share: 0.96 },
		{ id: '2', share: 0.95 },
		{ id: '9', share: 0.3 },
		{ id: '3', share: 0.1 }
	];
	assert.deepEqual(whatDecides({ steps, parcels: [{ id: 'parcel 1', share: 0.2 }] }, componentOf), [
		{ ids: ['parcel 1'], share: 0.2 },
		{ ids: ['1', '2'], share: 0.96 },
		{ ids: ['9'], share: 0.3 }
	]);
});
