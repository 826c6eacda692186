import assert from 'node:assert/strict';
import { test } from 'node:test';
import { FILAMENTS, layersOf, printedVolume, printMinutes, standOn } from './printed.ts';

test('a cube of 100 mm: walls of its six sides, the rest by its infill', () => {
	// By hand: 6 × 100² × 1.2 = 72,000; (1,000,000 − 72,000) × 15 % = 139,200; 211.2 cm³ of PLA at 1.24 g are 261.9 g.
	const laid = printedVolume(1e6, 6e4, 1.2, 15);
	assert.equal(laid, 211_200);
	assert.equal(Math.round(((laid * FILAMENTS.pla.density) / 1e6) * 10) / 10, 261.9);
	assert.equal(printedVolume(1e6, 6e4, 1.2, 100), 1e6);
	// Thinner than its walls: solid, never more than it is.
	assert.equal(printedVolume(5000, 10_000, 1.2, 15), 5000);
});

test('minutes at the machine: laid down, layers, starts', () => {
	// 211,200 ÷ 8 = 26,400 s = 440 min; 500 layers of 4 s are 33⅓ min; one start of 15 min.
	assert.ok(Math.abs(printMinutes(211_200, 8, 500, 4, 1, 15) - (440 + 100 / 3 + 15)) < 1e-9);
});

test('stood up the way that takes the fewest parts, and of those the lowest', () => {
	const bed = [220, 220, 250] as const;
	const flat = standOn([100, 60, 200], bed);
	assert.deepEqual([flat.parts, flat.size[2]], [1, 60]);
	// Only upright does it fit whole.
	const tall = standOn([240, 100, 100], bed);
	assert.deepEqual([tall.parts, tall.up, tall.size[2]], [1, 0, 240]);
	// A helmet of 300 × 260 × 320: two by two by two, however it stands.
	const helmet = standOn([300, 260, 320], bed);
	assert.equal(helmet.parts, 8);
	assert.equal(standOn([220, 220, 250], bed).parts, 1, 'as large as the bed fits');
	assert.equal(layersOf(standOn([440, 200, 100], bed), 0.2), 2 * 500, 'two beside each other');
});
