import assert from 'node:assert/strict';
import { test } from 'node:test';
import { spread } from './tagPlaces.ts';

test('tags on a picture do not cover each other, and stay where there is room', () => {
	const wanted = [
		{ x: 0, y: 0, wide: 60 },
		{ x: 40, y: 4, wide: 60 },
		{ x: 50, y: 2, wide: 60 },
		{ x: 300, y: 0, wide: 60 }
	];
	const placed = spread(wanted);
	assert.deepEqual(placed[0], wanted[0]);
	assert.deepEqual(placed[3], wanted[3]);
	for (const [i, a] of placed.entries())
		for (const b of placed.slice(i + 1))
			assert.ok(
				Math.abs(a.y - b.y) >= 24 || a.x + a.wide < b.x || b.x + b.wide < a.x,
				JSON.stringify([a, b])
			);
	assert.ok(placed.every((p, i) => Math.abs(p.y - wanted[i]!.y) <= 48));
	assert.deepEqual(spread([]), []);
});
