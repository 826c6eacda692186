import assert from 'node:assert/strict';
import { test } from 'node:test';
import { wearFigure } from '../explain/recipe.ts';
import { valueOf } from '../explain/figure.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { rubsOf, wearName } from './wearSpots.ts';
import * as make from '../../../tests/support/record.ts';

const component = (id: number, more: Parameters<typeof make.component>[1]) =>
	make.component(id, { code: `A-0${id}`, name: `part ${id}`, ...more });
const breeches = component(1, { kind: 'garment', layer: 1, zones: ['hips', 'thigh-left', 'thigh-right'] });
const greaves = component(2, { kind: 'armor', layer: 2, zones: ['shin-left', 'shin-right'] });
const tassets = component(3, { kind: 'armor', layer: 2, zones: ['hips', 'thigh-left'] });
const staff = component(4, { kind: 'prop', layer: 0, zones: ['hand-right'] });
const wig = component(5, { kind: 'wig', layer: 1, zones: ['head'] });
const record = make.record({
	components: [breeches, greaves, tassets, staff, wig],
	coats: [make.coat(1, 2, { area: 300_000 })],
	steps: [make.step(1, 2, { name: wearName('knees'), doneAt: 5 })]
});
const of = (c: typeof breeches) => rubsOf(c, record, STANDARD);

test('where it rubs follows from zones, from what it is, and from what lies over it (common practice)', () => {
	const names = (c: typeof breeches) => of(c).map((r) => r.name);
	assert.deepEqual(names(breeches), ['seat', 'knees', 'beneath A-03 part 3']);
	assert.deepEqual(names(greaves), ['free edges and corners', 'knees']);
	assert.deepEqual(names(tassets), ['free edges and corners', 'seat', 'knees']);
	assert.deepEqual(names(staff), ['free edges and corners', 'grip']);
	assert.deepEqual(names(wig), []);
	assert.deepEqual(names({ ...greaves, source: 'buy' }), []);
	// A badge on the tassets moves with them.
	const badge = component(6, { kind: 'armor', layer: 3, zones: ['hips'], parentId: 3 });
	const badged = { ...record, components: [...record.components, badge] };
	assert.ok(rubsOf(tassets, badged, STANDARD).every((r) => r.key !== 'beneath 6'));
	assert.ok(
		rubsOf(tassets, { ...badged, components: [tassets, { ...badge, parentId: null }] }, STANDARD).some(
			(r) => r.key === 'beneath 6'
		)
	);
});

test('its step is its place on the list; how much of it is worked out from the outside area', () => {
	const [edges, knees] = of(greaves);
	assert.deepEqual([edges!.step, knees!.step?.doneAt], [null, 5]);
	// A tenth of 0.3 m².
	assert.ok(Math.abs(valueOf(wearFigure(knees!, 'cm')) - 30_000) < 1e-6);
});
