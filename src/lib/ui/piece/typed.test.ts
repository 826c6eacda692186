import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Typed } from './typed.svelte.ts';

test('what is typed is read in the unit on show; a slip is said at its field and changes nothing', () => {
	let unit: 'cm' | 'in' = 'cm';
	const typed = new Typed(() => unit);
	assert.equal(typed.length('x', 123.4567), 123.4567, 'what stands there is exact');
	typed.texts.x = '12.5';
	assert.equal(typed.length('x', 0), 125);
	unit = 'in';
	assert.equal(typed.length('x', 0), 317.5, '12.5 in × 25.4');
	typed.texts.x = 'wide';
	assert.equal(typed.length('x', 7), null);
	assert.equal(typed.wrong?.field, 'x');
	assert.match(typed.wrong!.words, /wide/);
	typed.clear();
	assert.deepEqual([typed.wrong, typed.length('x', 7)], [null, 7]);
	typed.texts.turn = '−30';
	assert.equal(typed.number('turn', 0), -30);
});

test('what was typed while something was on its way stays', () => {
	const typed = new Typed(() => 'mm');
	typed.texts = { x: '10', y: '20' };
	const sent = { ...typed.texts };
	typed.texts.y = '25';
	typed.done(sent);
	assert.deepEqual({ ...typed.texts }, { y: '25' });
});
