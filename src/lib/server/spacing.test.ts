import assert from 'node:assert/strict';
import { test } from 'node:test';
import { spacedBy } from './spacing.ts';

const by = (query: string) => spacedBy(new URLSearchParams(query), 'cm');

test('what is typed is read in its unit, and what is wrong is said at its field', () => {
	assert.equal(by('').found!.spacing.count, 25, 'a metre at 4 cm');
	assert.equal(by('length=56&apart=4&round=on').found!.spacing.count, 14, 'centimetres');
	for (const [query, field] of [
		['length=', 'length'],
		['length=0', 'length'],
		['apart=0', 'apart'],
		['apart=-2', 'apart'],
		['count=0', 'count'],
		['count=200', 'count'],
		['inset=60cm', 'inset'],
		['mark=star', 'mark'],
		['wide=10 furlongs', 'wide']
	] as const) {
		const { errors, found } = by(query);
		assert.deepEqual([Object.keys(errors), found], [[field], null], query);
	}
	assert.equal(by('apart=0').typed['apart'], '0', 'what was typed stays');
});
