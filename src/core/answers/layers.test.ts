import assert from 'node:assert/strict';
import { test } from 'node:test';
import { at, component, record, step, workshop } from '$tests/support/record.ts';
import { planCostume } from './plan.ts';
import { beneathOf, garmentOrder, orderSlips, zoneStacks } from './layers.ts';

const shirt = component(1, { kind: 'garment', layer: 1, zones: ['chest', 'back'] });
const coat = component(2, { kind: 'garment', layer: 2, zones: ['chest', 'hips'] });
const plate = component(3, { layer: 3, zones: ['chest'] });
const rivet = component(4, { layer: 2, zones: ['chest'], parentId: 3 });
const glove = component(5, { kind: 'garment', layer: 1, zones: ['hand-left'] });
const all = [plate, coat, shirt, rivet, glove];

test('stacks run from the skin outwards, zone by zone', () => {
	const stacks = zoneStacks(all);
	assert.deepEqual(
		stacks.map((s) => s.zone),
		['chest', 'back', 'hand-left', 'hips']
	);
	assert.deepEqual(
		stacks[0]!.components.map((c) => c.id),
		[1, 2, 4, 3]
	);
});

test('beneath is what is deeper on a shared zone, but not its own parts', () => {
	const ids = (c: typeof shirt) => beneathOf(c, all).map((b) => b.id);
	assert.deepEqual(ids(plate), [1, 2]);
	assert.deepEqual(ids(coat), [1]);
	assert.deepEqual(ids(shirt), []);
	assert.deepEqual(ids(rivet), [1], 'not what it is a part of');
});

test('garments are made from the inside out', () => {
	assert.deepEqual(
		garmentOrder(all).map((m) => [m.component.id, m.after.map((a) => a.id)]),
		[
			[1, []],
			[5, []],
			[2, [1]]
		]
	);
});

test('a plan that cuts the coat before the shirt is there is told, and a link cures it', () => {
	const steps = [
		step(10, 1, { phase: 'make', amount: 30 }),
		step(11, 1, { phase: 'fit', amount: 30 }),
		step(20, 2, { phase: 'pattern', amount: 10 }),
		step(21, 2, { phase: 'make', amount: 600 })
	];
	const shop = workshop();
	const make = (extra: number[]) => {
		const r = record({
			components: [shirt, coat],
			steps: steps.map((s) => (s.id === 21 ? { ...s, after: extra } : s))
		});
		return orderSlips(r, planCostume(r, shop, at('2031-04-28T18:00'), new Map()));
	};
	const [slip] = make([]);
	assert.deepEqual([slip!.outer.id, slip!.inner.id, slip!.first.id, slip!.last.id], [2, 1, 21, 11]);
	assert.deepEqual(make([11]), []);
});
