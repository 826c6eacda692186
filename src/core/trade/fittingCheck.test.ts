import assert from 'node:assert/strict';
import { test } from 'node:test';
import { component, step } from '$tests/support/record.ts';
import { TECHNIQUES } from './technique.ts';
import { KINDS } from '../facts/component.ts';
import { ZONES } from '../facts/zone.ts';
import { CLEARS, clearsFor, usualStepFor } from './fittingCheck.ts';
import { isSettled, pointWords, type FittingPoint } from '../facts/fitting.ts';

const point = (extra: Partial<FittingPoint> = {}): FittingPoint => ({
	id: 1,
	fittingId: 1,
	componentId: 1,
	what: 'strap anchor',
	direction: 'forward',
	moveMm: 12,
	side: 'left',
	stepId: null,
	settled: false,
	version: 1,
	...extra
});
const mm = (value: number) => `${value} mm`;

test('a point reads as it is said in the fitting', () => {
	assert.equal(pointWords(point(), mm), 'strap anchor: forward 12 mm, left only');
	assert.equal(pointWords(point({ direction: 'none', moveMm: null, side: 'none' }), mm), 'strap anchor');
	assert.equal(pointWords(point({ moveMm: null, side: 'none' }), mm), 'strap anchor: forward');
});

test('settled by hand, or when its step is done', () => {
	assert.equal(isSettled(point(), []), false);
	assert.equal(isSettled(point({ settled: true }), []), true);
	assert.equal(isSettled(point({ stepId: 5 }), [step(5, 1)]), false);
	assert.equal(isSettled(point({ stepId: 5 }), [step(5, 1, { doneAt: 100 })]), true);
});

test('movements to try follow the zones: armhole, knee bend, sitting (common practice)', () => {
	const keys = (...zones: (typeof ZONES)[number][]) => clearsFor([component(1, { zones })]).map((c) => c.key);
	assert.deepEqual(keys('shin-left'), ['knee', 'stairs', 'jump']);
	assert.ok(keys('shoulder-right').includes('armhole'));
	assert.ok(keys('hips').includes('sit'));
	assert.deepEqual(keys(), ['jump']);
	const plain = new Set(ZONES.map((z) => z.replace(/-(left|right)$/, '')));
	for (const clear of CLEARS)
		for (const zone of clear.zones) assert.ok(plain.has(zone), `${clear.key} ${zone}`);
});

test('every kind has a usual step for a change', () => {
	for (const kind of KINDS) {
		const usual = usualStepFor({ kind });
		assert.ok(TECHNIQUES[usual.technique] && usual.amount > 0, kind);
	}
});
