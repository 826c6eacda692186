import assert from 'node:assert/strict';
import { test } from 'node:test';
import { pressed, sorted } from './sort.ts';

const rows = [
	{ name: 'net', price: 10 },
	{ name: 'Élan', price: 9 },
	{ name: 'buckle', price: 100 },
	{ name: 'cord', price: 9 },
	{ name: 'foam 10 mm', price: 12 },
	{ name: 'foam 6 mm', price: 11 }
];
const by = (key: string, down = false) =>
	sorted(rows, { key, down }, (row, k) => row[k as keyof typeof row]).map((r) => r.name);

test('numbers by size, words as people sort them, equal ones in their places', () => {
	assert.deepEqual(by('price'), ['Élan', 'cord', 'net', 'foam 6 mm', 'foam 10 mm', 'buckle']);
	assert.deepEqual(by('price', true), ['buckle', 'foam 10 mm', 'foam 6 mm', 'net', 'Élan', 'cord']);
	assert.deepEqual(by('name'), ['buckle', 'cord', 'Élan', 'foam 6 mm', 'foam 10 mm', 'net']);
	assert.deepEqual(
		sorted(rows, null, () => 0).map((r) => r.name),
		rows.map((r) => r.name)
	);
});

test('a press sorts up, then down, then not at all; another column begins anew', () => {
	const up = pressed(null, 'name');
	const down = pressed(up, 'name');
	assert.deepEqual(
		[up, down, pressed(down, 'name')],
		[{ key: 'name', down: false }, { key: 'name', down: true }, null]
	);
	assert.deepEqual(pressed(down, 'price'), { key: 'price', down: false });
});
