import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '$tests/support/record.ts';
import { planCostume, planStill } from './plan.ts';

const NOW = make.at('2031-05-02T17:00');
const workshop = make.workshop();

test('an earlier plan says of a changed record what still holds: not what is done or gone; what is new has minutes and no place', () => {
	const [done, gone, stays] = [1, 2, 3].map((id) => make.step(id, 1, { amount: 60 }));
	const before = make.record({ components: [make.component(1)], steps: [done!, gone!, stays!] });
	const plan = planCostume(before, workshop, NOW, new Map());
	assert.deepEqual(
		plan.schedule.steps.map((s) => s.id),
		['1', '2', '3']
	);
	const fresh = make.step(4, 1, { amount: 60 });
	const after = make.record({
		components: [make.component(1)],
		steps: [{ ...done!, doneAt: NOW }, stays!, fresh]
	});
	const still = planStill(plan, after, workshop);
	assert.deepEqual(
		still.schedule.steps.map((s) => s.id),
		['3']
	);
	assert.equal(still.schedule.steps[0], plan.schedule.steps[2], 'as it was planned');
	assert.deepEqual([...still.left.keys()], [3, 4]);
	// Of the same technique and amount: as long as the one that was planned.
	assert.equal(still.left.get(4), plan.left.get(3));
	assert.deepEqual([...still.minutes.keys()].sort(), [1, 3, 4]);
	assert.ok(still.chain.every((s) => s.id === '3'));
});
