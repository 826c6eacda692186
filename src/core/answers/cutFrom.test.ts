import assert from 'node:assert/strict';
import { test } from 'node:test';
import * as make from '../../../tests/support/record.ts';
import { cutFromAny, mainlyCutFrom } from './cutFrom.ts';

const cloth = { family: 'cloth', unit: 'm', widthMm: 1500 } as const;
const wool = make.material(1, cloth);
const lining = make.material(2, cloth);
const thread = make.material(3, { family: 'other', unit: 'm', supply: 'sewingThread' });
const paint = make.material(4, { family: 'paint', unit: 'can' });
const all = [wool, lining, thread, paint];

test('a component is mainly cut from what it takes most of by area, of what can be cut', () => {
	const needs = [make.need(1, 3, 500), make.need(1, 2, 1), make.need(1, 1, 2), make.need(2, 2, 9)];
	assert.equal(mainlyCutFrom({ id: 1 }, needs, all), wool);
	assert.equal(mainlyCutFrom({ id: 2 }, needs, all), lining);
	assert.equal(mainlyCutFrom({ id: 3 }, needs, all), null);
	assert.deepEqual(cutFromAny(all), [wool, lining]);
	assert.deepEqual(cutFromAny(all, ['4']), [wool, lining, paint]);
});
