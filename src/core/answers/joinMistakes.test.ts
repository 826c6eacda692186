import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import type { Join } from '../facts/wear.ts';
import { STANDARD } from '../trade/catalogue.ts';
import { mistakesOf } from './joinMistakes.ts';

const record = make.record({
	components: [
		make.component(1, { code: 'A-01', name: 'plate', surface: 'foam', layer: 2, zones: ['chest'] }),
		make.component(2, {
			code: 'G-01',
			name: 'coat',
			kind: 'garment',
			surface: 'cloth',
			layer: 3,
			zones: ['chest']
		}),
		make.component(3, { code: 'A-02', name: 'bracer', surface: 'foam', layer: 3, zones: ['forearm-left'] })
	]
});
const of = (componentId: number, more: Partial<Join>, steps = record.steps) => {
	const component = record.components.find((c) => c.id === componentId)!;
	return mistakesOf(make.join(1, componentId, more), component, { ...record, steps }, [], STANDARD);
};
const whys = (...its: Parameters<typeof of>) => of(...its).map((m) => m.why.split(' ').slice(0, 4).join(' '));

test('the usual mistakes of joins, each where it is one and nowhere else (common practice)', () => {
	assert.deepEqual(whys(2, { fastener: 'hookAndLoopGlued' }), ['Its own glue lets']);
	assert.deepEqual(whys(2, { fastener: 'hookAndLoop' }), []);
	assert.deepEqual(whys(3, { fastener: 'hookAndLoopGlued' }), [], 'on foam it is only weak');
	// The other side may be the cloth.
	assert.deepEqual(whys(3, { fastener: 'tape', holdsTo: 'component', toComponentId: 2 }), [
		'Its own glue lets'
	]);
	assert.deepEqual(whys(3, { fastener: 'buckle' }), ['A strap on bare']);
	assert.deepEqual(whys(2, { fastener: 'buckle' }), []);
	assert.deepEqual(whys(2, { fastener: 'pin' }), ['Plain steel rusts in']);
	assert.deepEqual(whys(3, { fastener: 'pin' }), []);
});

test('a strap on foam is right once its pair is prepared as the handbook has it', () => {
	const [mistake] = of(3, { fastener: 'buckle' });
	assert.equal(mistake!.bond, 'strapFoam');
	const steps = STANDARD.bond.strapFoam!.steps.map((p, i) => make.step(i + 1, 3, { name: p.name }));
	assert.deepEqual(whys(3, { fastener: 'buckle' }, steps), []);
	assert.deepEqual(whys(3, { fastener: 'buckle' }, steps.slice(1)), ['A strap on bare'], 'half prepared');
});

test('what lies beneath a later layer is told with what covers it', () => {
	assert.match(
		of(1, { zone: 'chest', fastener: 'snap' })[0]!.why,
		/beneath G-01 coat, and cannot be reached/
	);
	assert.deepEqual(of(1, { zone: 'waist', fastener: 'snap' }), []);
	assert.deepEqual(of(2, { zone: 'chest', fastener: 'snap' }), []);
	assert.deepEqual(of(1, { zone: null, fastener: 'snap' }), []);
	assert.deepEqual(of(1, { zone: 'chest', fastener: 'snap', holdsTo: 'component', toComponentId: 2 }), []);
});
