import assert from 'node:assert/strict';
import { test } from 'node:test';
import { piece } from './piece.ts';
import { boxOf, flatten, polygon } from './outline.ts';
import { applyOperations } from './operations.ts';
import { cutDown } from './cutDown.ts';

const panel = (width: number, height: number) =>
	piece(
		'panel',
		polygon([
			[0, 0],
			[width, 0],
			[width, height],
			[0, height]
		])
	);
/** Longer sides of what comes out of it. */
function lengths(width: number, height: number, most: number): number[] {
	const pieces = [panel(width, height)];
	const works = cutDown(pieces, most);
	assert.ok(works.ok);
	const cut = applyOperations(pieces, works.value);
	assert.ok(cut.ok);
	return cut.value.map(({ outline }) => {
		const box = boxOf(flatten(outline).points);
		return Math.round(Math.max(box.right - box.left, box.top - box.bottom));
	});
}

test('by hand: 1800 is two of 900 or three of 600, whichever way it lies; what is short enough is not cut', () => {
	assert.deepEqual(lengths(1800, 40, 1020), [900, 900]);
	assert.deepEqual(lengths(40, 1800, 1020), [900, 900]);
	assert.deepEqual(lengths(1800, 40, 720), [600, 600, 600]);
	assert.deepEqual(lengths(1800, 40, 1800), [1800]);
});

test('of any length: no piece is longer than asked, all are alike, and nothing is lost', () => {
	for (const [length, most] of [
		[1000, 333],
		[2500, 410],
		[701, 100],
		[1999.5, 250]
	] as const) {
		const its = lengths(length, 30, most);
		assert.equal(its.length, Math.ceil(length / most));
		assert.ok(its.every((mm) => mm <= most && Math.abs(mm - length / its.length) <= 1));
	}
});
