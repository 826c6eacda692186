import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { valueOf } from '../explain/figure.ts';
import { wornWeightFigure } from '../explain/load.ts';
import { luggageOf } from './packed.ts';
import { recordOnly, wornAs, wornIn, wornWeight } from './variant.ts';
import type { Weight } from './weight.ts';

const plate = make.component(1, { code: 'A-01', kind: 'armor', zones: ['chest'] });
const wings = make.component(2, { code: 'A-02', kind: 'armor', zones: ['back'], side: 'pair' });
const feathers = make.component(3, { code: 'A-03', parentId: 2, zones: ['back'] });
const tips = make.component(4, { code: 'A-04', parentId: 3, zones: ['back'] });
const lamp = make.component(5, { code: 'P-01', kind: 'prop', zones: ['hand-left'] });
// Parts stand before their wholes.
const all = [tips, feathers, plate, wings, lamp];
const wear = {
	...make.NO_WEAR,
	joins: [
		make.join(1, 2, { holdsTo: 'component', toComponentId: 1 }),
		make.join(2, 1),
		make.join(3, 5, { holdsTo: 'component', toComponentId: 2 })
	],
	wearings: [make.wearing(2, { onMinutes: 3 }), make.wearing(5, { insideId: 2, size: [100, 100, 100] })],
	preparations: [
		make.preparation(1, { name: 'colour' }),
		make.preparation(2, { name: 'glue for the wings', variantId: 7 })
	]
};
const bare = make.variant(8, { name: 'without wings', without: [2] });
const full = make.variant(7, { name: 'with wings' });

test('what is left off takes its parts along, however deep they lie; all of it is all of it', () => {
	assert.deepEqual(
		wornIn(bare, all).map((c) => c.id),
		[1, 5]
	);
	assert.deepEqual(wornIn(null, all), all);
	assert.deepEqual(wornIn({ without: [99] }, all), all);
});

test('its joins, its wearing and its preparations go with it; what was held to it is told, and travels by itself', () => {
	const as = wornAs(bare, all, wear);
	assert.deepEqual(
		as.wear.joins.map((j) => j.id),
		[2]
	);
	assert.deepEqual(
		as.loose.map(({ component, to }) => [component.code, to.code]),
		[['P-01', 'A-02']]
	);
	assert.deepEqual(
		as.wear.wearings.map((w) => [w.componentId, w.insideId]),
		[[5, null]]
	);
	assert.deepEqual(
		as.wear.preparations.map((p) => p.name),
		['colour']
	);
	assert.deepEqual(
		wornAs(full, all, wear).wear.preparations.map((p) => p.name),
		['colour', 'glue for the wings']
	);
	const lines = luggageOf(as.components, as.wear, new Map(), () => []).map((l) => l.component.id);
	assert.deepEqual(lines, [1, 5]);
	// All of it is as it was recorded, to the row.
	assert.deepEqual(wornAs(null, all, wear), { components: all, wear, loose: [] });
});

test('by hand: 500 g of plate, two wings of 300 g with parts of 20 g each, a lamp that nobody weighed', () => {
	const grams = (g: number | null): Weight => ({ grams: g, weighed: true, parts: [], unknown: [] });
	const weights = new Map([
		[1, grams(500)],
		[2, grams(300)],
		[3, grams(20)],
		[4, grams(20)],
		[5, grams(null)]
	]);
	const whole = wornWeight(all, weights);
	// Both wings, and the parts of both.
	assert.equal(whole.grams, 500 + 2 * 300 + 2 * 20 + 2 * 20);
	assert.equal(valueOf(wornWeightFigure(whole, 'all of it')), whole.grams);
	assert.deepEqual(
		whole.unknown.map((c) => c.code),
		['P-01']
	);
	assert.equal(wornWeight(wornIn(bare, all), weights).grams, 500);
});

test('a record of some components has the work, needs and coats of those', () => {
	const record = make.record({
		components: all,
		steps: [make.step(1, 1), make.step(2, 2)]
	});
	assert.deepEqual(
		recordOnly(record, [plate]).steps.map((s) => s.id),
		[1]
	);
});
