import assert from 'node:assert/strict';
import test from 'node:test';
import { MESSAGES, type Code } from './messages.ts';
import { bad, good, problem, say, sayOf, type Problem } from './problem.ts';

test('every message is filled: each of its names, and nothing else, and it reads as a sentence', () => {
	for (const [code, words] of Object.entries(MESSAGES)) {
		const names = [...words.matchAll(/\{(\w+)\}/g)].map((m) => m[1]!);
		const values = Object.fromEntries(names.map((name, i) => [name, `<${i}>`]));
		const said = say({ code: code as Code, values: values as Problem['values'] });
		assert.doesNotMatch(said, /[{}]|undefined/, code);
		for (const i of names.keys()) assert.ok(said.includes(`<${i}>`), `${code}: value ${i} is not said`);
		assert.match(said, /^[^a-z].*[.:]/, `${code} begins small or does not end`);
	}
});

test('a problem says its values, and a value of 0 is no missing one', () => {
	assert.equal(
		sayOf('tooFewMakers', { needed: 2, have: 0 }),
		'Needs 2 makers at once, and 0 have working windows.'
	);
	assert.equal(sayOf('negative'), 'Cannot be less than zero.');
	// A value is text: what looks like a name in it is not filled again.
	assert.equal(sayOf('notANumber', { text: '{text}' }), '“{text}” is not a number.');
});

test('where a problem lies is kept, and values may be left out only where the words have none', () => {
	assert.deepEqual(problem('deepDome', {}, ['depth']), { code: 'deepDome', path: ['depth'], values: {} });
	assert.deepEqual(bad('empty'), { ok: false, problem: { code: 'empty', path: [], values: {} } });
	assert.deepEqual(good(3), { ok: true, value: 3 });
	// @ts-expect-error the words have a value to fill
	bad('tooLarge');
	// @ts-expect-error there are no such words
	bad('brandNew');
	// @ts-expect-error the words have no such value
	bad('empty', { most: 1 });
});
