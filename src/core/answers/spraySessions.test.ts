import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { FRIDAY } from '$tests/support/shapes.ts';
import { dayOf } from '../units/localTime.ts';
import { sprayFigure } from '../explain/coating.ts';
import { valueOf } from '../explain/figure.ts';
import { planCostume } from './plan.ts';
import { mlOfUnit, spraySessions } from './spraySessions.ts';

const red = make.material(1, { name: 'red spray', unit: 'can', coatProduct: 'acrylicSpray' });
const blue = make.material(2, { name: 'blue spray', unit: 'can', coatProduct: 'acrylicSpray' });
const coat = (id: number, componentId: number, materialId: number, coats: number, area: number) =>
	make.coat(id, componentId, { product: 'acrylicSpray', materialId, coats, area });
const spray = (id: number, componentId: number, coatId: number, position: number, amount: number) =>
	make.step(id, componentId, {
		position,
		coatId,
		technique: 'spray',
		phase: 'finish',
		amount,
		perCopy: true,
		setUpMinutes: 20,
		waitMinutes: 20,
		oneSitting: true
	});

test('worked by hand: two parts of one red in one session, the blue apart, with ml of each pass and the mask before it', () => {
	const record = make.record({
		components: [make.component(1, { side: 'pair' }), make.component(2)],
		coats: [coat(1, 1, 1, 2, 150_000), coat(2, 2, 1, 1, 300_000), coat(3, 2, 2, 1, 60_000)],
		steps: [
			spray(1, 1, 1, 0, 150_000),
			spray(2, 1, 1, 1, 150_000),
			spray(3, 2, 2, 0, 300_000),
			make.step(4, 2, { position: 1, technique: 'mask', phase: 'finish', amount: 500 }),
			spray(5, 2, 3, 2, 60_000)
		]
	});
	const workshop = { ...make.workshop(), materials: [red, blue] };
	const plan = planCostume(record, workshop, FRIDAY, new Map());
	const sessions = spraySessions(record, workshop, plan);
	const [first] = sessions;
	assert.equal(first!.material!.name, 'red spray');
	assert.equal(first!.day, dayOf(first!.passes[0]!.start));
	const reds = sessions.filter((s) => s.material === red).flatMap((s) => s.passes);
	const blues = sessions.filter((s) => s.material === blue);
	// Two of 0.15 m² are 0.3 of 1.5 m²: 0.2 of a can of 400 ml; 0.3 m² once is as much.
	assert.deepEqual(
		reds.map((p) => [p.step.id, p.number, Number(p.units.toFixed(6)), Math.round(p.ml!)]).sort(),
		[
			[1, 1, 0.2, 80],
			[2, 2, 0.2, 80],
			[3, 1, 0.2, 80]
		]
	);
	assert.equal(blues.length, 1);
	assert.deepEqual(
		[blues[0]!.passes.map((p) => Math.round(p.ml!)), blues[0]!.masks.map((m) => m.step.id)],
		[[16], [4]]
	);
	assert.ok(Math.abs(sessions.reduce((sum, s) => sum + s.ml!, 0) - 256) < 1e-9);
	const inAll = sessions
		.filter((s) => s.material === red)
		.reduce((sum, s) => sum + valueOf(sprayFigure(s)), 0);
	assert.ok(Math.abs(inAll - 240) < 1e-9, '0.9 m² at 400 ÷ 1.5 ml');
	// What joins another is not set out for again.
	const setOuts = sessions.reduce((sum, s) => sum + s.setOuts, 0);
	assert.equal(setOuts, plan.schedule.steps.filter((s) => s.id !== '4' && !s.joined).length);
	for (const { passes, dry } of sessions) {
		for (const p of passes) assert.ok(p.dry > p.start);
		assert.equal(dry, Math.max(...passes.map((p) => p.dry)));
	}
});

test('done coats and brushed ones are no sprays, and what is masked is masked', () => {
	const record = make.record({
		components: [make.component(1)],
		coats: [coat(1, 1, 1, 2, 150_000), make.coat(2, 1, { product: 'brushedAcrylic', area: 1000 })],
		steps: [
			{ ...spray(1, 1, 1, 0, 150_000), doneAt: FRIDAY - 600 },
			make.step(2, 1, { position: 1, technique: 'mask', amount: 500, doneAt: FRIDAY - 500 }),
			spray(3, 1, 1, 2, 150_000),
			make.step(4, 1, { position: 3, coatId: 2, technique: 'brush', amount: 1000 })
		]
	});
	const workshop = { ...make.workshop(), materials: [red] };
	const [session, ...others] = spraySessions(
		record,
		workshop,
		planCostume(record, workshop, FRIDAY, new Map())
	);
	assert.equal(others.length, 0);
	assert.deepEqual([session!.passes.map((p) => [p.step.id, p.number]), session!.masks], [[[3, 2]], []]);
});

test('what a unit holds: by its unit, by a usual pack, or nobody knows', () => {
	const product = { pack: '400 ml can' };
	assert.equal(mlOfUnit({ unit: 'ml', coversMm2: null }, product), 1);
	assert.equal(mlOfUnit({ unit: 'l', coversMm2: 5 }, product), 1000);
	assert.equal(mlOfUnit({ unit: 'can', coversMm2: null }, product), 400);
	assert.equal(mlOfUnit({ unit: 'can', coversMm2: 900_000 }, product), null);
	assert.equal(mlOfUnit(null, product), 400);
	assert.equal(mlOfUnit(null, { pack: 'a tin' }), null);
});
