import assert from 'node:assert/strict';
import test from 'node:test';
import type { Impossible } from '../engines/schedule/problem.ts';
import { whyNot } from './whyNot.ts';

const NAMES: Record<string, string> = { '2': 'cut', '7': 'sew', '8': 'glue', 'place 2': 'Balcony' };
const why = (code: Impossible['code'], values: Record<string, string | number>) =>
	whyNot({ id: '7', code, values } as Impossible, (id) => NAMES[id]);

test('a step that has no place in the plan is told by names, not by ids', () => {
	assert.match(why('circle', { steps: '7 → 8 → 7' }), /circle: sew → glue → sew\. Take/);
	assert.equal(why('blockedBy', { id: '8' }), 'Waits for “glue”, which cannot be placed.');
	assert.equal(
		why('noPlaceWindows', { id: 'place 2' }),
		'The place “Balcony” is never open while a maker works.'
	);
});

test('numbers stay numbers, and what has no name any more is told by its id', () => {
	assert.equal(
		why('tooFewMakers', { needed: 2, have: 1 }),
		'Needs 2 makers at once, and 1 have working windows.'
	);
	assert.match(why('blockedBy', { id: '99' }), /“99”/);
});
