import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { offMinutesFigure } from '../explain/dressing.ts';
import { valueOf } from '../explain/figure.ts';
import { comesOff, offMinutes } from './takingOff.ts';

const shirt = make.component(1, { layer: 1, zones: ['chest', 'waist'] });
const plate = make.component(2, { layer: 3, zones: ['chest'] });
const helm = make.component(3, { layer: 3, zones: ['head', 'face'] });
const cape = make.component(4, { layer: 4, zones: ['back'] });
const glove = make.component(5, { kind: 'prop', zones: ['hand-left'] });
const held = make.join(1, 4, { holdsTo: 'component', toComponentId: 2 });
const wear = {
	...make.NO_WEAR,
	joins: [held],
	wearings: [
		make.wearing(1, { onMinutes: 1 }),
		make.wearing(2, { onMinutes: 2 }),
		make.wearing(3, { offMinutes: 0.2 }),
		make.wearing(4, { onMinutes: 1 })
	]
};
const off = (reason: string, of = wear) => {
	const found = comesOff([shirt, plate, helm, cape, glove], of, () => 0).find((c) => c.reason === reason)!;
	return { ...found, components: found.components.map((c) => c.id) };
};

test('by hand: the helm is off in 0.2 min; for first aid the cape comes before the plate that it is held to, and that before the shirt', () => {
	assert.deepEqual(off('air'), { reason: 'air', components: [3], alone: 0.2, helped: 0.2 });
	// Half of what putting on takes: 0.5 for the cape, 1 for the plate, 0.5 for the shirt, each after the other.
	assert.deepEqual(off('firstAid'), { reason: 'firstAid', components: [1, 2, 4], alone: 2, helped: 2 });
	// The helm comes off beside them: alone it is 0.2 more.
	const heat = off('heat');
	assert.deepEqual([heat.components, Math.round(heat.alone! * 10), heat.helped], [[1, 2, 3, 4], 22, 2]);
	// For the toilet the shirt has to go, and what lies over it.
	assert.deepEqual(off('toilet').components, [1, 2, 4]);
});

test('what lets go is off at once; what takes two is not off alone', () => {
	const breaks = { ...wear, joins: [{ ...held, breakaway: true }] };
	assert.equal(offMinutes(cape, breaks).minutes, 0.1);
	assert.equal(valueOf(offMinutesFigure(cape, breaks)), 0.1);
	assert.equal(valueOf(offMinutesFigure(plate, wear)), 1);
	assert.equal(valueOf(offMinutesFigure(helm, wear)), 0.2);
	const two = { ...wear, wearings: wear.wearings.map((w) => (w.componentId === 2 ? { ...w, hands: 2 } : w)) };
	assert.deepEqual([off('firstAid', two).alone, off('firstAid', two).helped], [null, 2]);
});
