import assert from 'node:assert/strict';
import { test } from 'node:test';
import { blob } from '../../../tests/support/outlines.ts';
import { photoOf } from '../../../tests/support/photo.ts';
import { circle, flatten, placedOutline, polygon, type Outline, type Point } from '../pattern/outline.ts';
import { checkPiece, figuresOf } from '../pattern/piece.ts';
import { contours, type Grey } from './contour.ts';
import { otsu, trace, type Traced } from './trace.ts';

const near = (a: number, b: number, by: number) => assert.ok(Math.abs(a - b) <= by, `${a}, not ${b}`);
const run = (grey: Grey, mmPerPx: number) => {
	const work = trace(grey, { mmPerPx, speck: 40, tolerance: 0.3 });
	let turn = work.next();
	let last = 0;
	while (!turn.done) {
		assert.ok(turn.value >= last);
		last = turn.value;
		turn = work.next();
	}
	return turn.value;
};
const traced = (grey: Grey, mmPerPx: number): Traced => {
	const done = run(grey, mmPerPx);
	assert.ok(done.ok, JSON.stringify(done));
	return done.value;
};
const at = (outline: Outline, x: number, y: number) => placedOutline(outline, { move: [x, y] });
/** Root of the mean square of how far the points of one line lie from another. */
function rms(line: readonly Point[], truth: readonly Point[]): number {
	let sum = 0;
	for (const p of line) {
		let best = Infinity;
		truth.forEach((a, i) => {
			const b = truth[(i + 1) % truth.length]!;
			const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
			const t = Math.max(
				0,
				Math.min(1, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy || 1))
			);
			best = Math.min(best, Math.hypot(p[0] - a[0] - dx * t, p[1] - a[1] - dy * t));
		});
		sum += best * best;
	}
	return Math.sqrt(sum / line.length);
}

test('the contour of a disc of smooth edge: between the pixels, round what is inside', () => {
	const n = 80;
	const data = new Float32Array(n * n);
	for (let y = 0; y < n; y++)
		for (let x = 0; x < n; x++) data[y * n + x] = 100 - 4 * (Math.hypot(x - 40, y - 38) - 25);
	const [line, ...more] = contours({ width: n, height: n, data }, 100);
	assert.equal(more.length, 0);
	for (const [x, y] of line!) near(Math.hypot(x - 40, y - 38), 25, 0.021);
});

test('Otsu parts two kinds where both are plain', () => {
	const values = new Float32Array([
		...Array.from({ length: 900 }, (_, i) => 10 + (i % 7)),
		...Array.from({ length: 300 }, (_, i) => 120 + (i % 9))
	]);
	const { level, low, high } = otsu(values);
	assert.ok(level > 20 && level < 118);
	near(low, 13, 1);
	near(high, 124, 1);
});

test('several pieces, light and dark, one with a hole, under a lamp with shadow and noise: within half a millimetre', () => {
	const mmPerPx = 0.5;
	const pieces = [
		{ outline: at(blob(4), 150, 330), holes: [at(circle([0, 0], 22, true), 150, 330)], grey: 215 },
		{ outline: at(blob(9), 420, 320), holes: [], grey: 205 },
		{
			outline: polygon([
				[60, 40],
				[200, 40],
				[220, 150],
				[90, 130]
			]),
			holes: [],
			grey: 220
		},
		{ outline: at(circle([0, 0], 60), 380, 100), holes: [], grey: 210 }
	];
	const grey = photoOf(pieces, { width: 1160, height: 960, mmPerPx });
	const { pieces: found, specks } = traced(grey, mmPerPx);
	assert.equal(found.length, 4);
	assert.ok(specks < 5);
	assert.equal(found.filter((p) => p.holes.length).length, 1);
	for (const p of found) {
		assert.equal(checkPiece(p), null);
		const line = flatten(p.outline).points;
		const best = Math.min(...pieces.map((q) => rms(line, flatten(q.outline).points)));
		assert.ok(best < 0.5, `${best} mm`);
		assert.ok(p.outline.edges.length < 60, `${p.outline.edges.length} edges`);
	}
	// The four-sided one comes back with four straight sides.
	const square = found.find((p) => Math.abs(figuresOf(p).area - 13_250) < 100 && p.outline.edges.length < 8);
	assert.ok(square, found.map((p) => `${p.outline.edges.length} ${figuresOf(p).area}`).join('; '));
	const disc = found.find((p) => Math.abs(figuresOf(p).area - Math.PI * 3600) < 150);
	assert.ok(disc, 'the disc is as large as it is, within 1.5 %');
});

test('an empty mat, and one too dim to tell', () => {
	const empty = run(photoOf([], { width: 300, height: 200, mmPerPx: 1 }), 1);
	assert.ok(!empty.ok && empty.problem.code === 'traceNothing');
	const dim = run(
		photoOf([{ outline: circle([150, 100], 40), holes: [], grey: 94 }], {
			width: 300,
			height: 200,
			mmPerPx: 1
		}),
		1
	);
	assert.ok(!dim.ok && dim.problem.code === 'traceNothing');
});
