import assert from 'node:assert/strict';
import { test } from 'node:test';
import { blob } from '$tests/support/outlines.ts';
import {
	bendEdge,
	directionOf,
	insertPoint,
	moveHandle,
	movePoint,
	removePoint,
	riseOf,
	setEdge,
	snap
} from './edit.ts';
import { edgeLength, edgesOf, outlineLength, signedArea } from './outline.ts';
import { checkPiece, notchPlace, piece } from './piece.ts';
import { rectangle } from './sector.ts';

const near = (a: number, b: number, by = 1e-9) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const square = rectangle(100, 100);

test('a moved point moves both its edges and leaves the rest; the outline stays closed', () => {
	const moved = movePoint(square, 0, [-20, -10]);
	assert.deepEqual(moved.start, [-20, -10]);
	assert.deepEqual(moved.edges.at(-1)!.to, [-20, -10]);
	near(signedArea(movePoint(square, 2, [120, 130])), 100 * 100 + (20 * 100) / 2 + (30 * 100) / 2);
	assert.deepEqual(square.start, [0, 0], 'the old outline stays');
	for (let seed = 1; seed <= 30; seed++) {
		const outline = blob(seed);
		const { from } = edgesOf(outline)[1]!;
		assert.deepEqual(movePoint(outline, 1, from), outline);
	}
});

test('a new point changes neither length nor area; notches stay where they are', () => {
	for (let seed = 1; seed <= 40; seed++) {
		const whole = piece('blob', blob(seed));
		const edge = seed % whole.outline.edges.length;
		const along = 0.8 * edgeLength(edgesOf(whole.outline)[edge]!.from, whole.outline.edges[edge]!);
		const marked = { ...whole, notches: [{ edge, along, pair: 'a' }], foldEdge: edge === 0 ? null : 0 };
		const more = insertPoint(marked, edge, 0.3);
		assert.equal(more.outline.edges.length, whole.outline.edges.length + 1);
		near(outlineLength(more.outline), outlineLength(whole.outline), 1e-6);
		near(signedArea(more.outline), signedArea(whole.outline));
		const [before, after] = [notchPlace(marked, marked.notches[0]!), notchPlace(more, more.notches[0]!)];
		assert.ok(Math.hypot(before.at[0] - after.at[0], before.at[1] - after.at[1]) < 0.3, `${seed}`);
	}
});

test('a point taken out leaves one straight edge; the first one too; two edges stay', () => {
	for (let i = 0; i < 4; i++) {
		const less = removePoint(piece('square', square), i);
		assert.ok(less.ok);
		assert.equal(checkPiece(less.value), null);
		near(signedArea(less.value.outline), 5000);
	}
	const two = piece('two', {
		start: [0, 0],
		edges: [
			{ kind: 'arc', to: [10, 0], bulge: 1 },
			{ kind: 'line', to: [0, 0] }
		]
	});
	const none = removePoint(two, 0);
	assert.ok(!none.ok && none.problem.code === 'edgeCount');
});

test('an edge bent by its rise: outwards adds the segment, a curve rises as far', () => {
	const bent = bendEdge(square, 1, 'arc', 20);
	const at = edgesOf(bent)[1]!;
	near(riseOf(at.from, at.edge), 20);
	// A segment of chord 100 and rise 20: r = 72.5; area = r²·asin(50/r) − 50·52.5.
	near(signedArea(bent), 10_000 + 72.5 ** 2 * Math.asin(50 / 72.5) - 50 * 52.5, 1e-9);
	const curve = bendEdge(square, 1, 'cubic', 20);
	// Handles 4/3 of the rise out, so that its middle is 20 out: y = 3t(1 − t)·h over 100 encloses 100·h/2.
	near(signedArea(curve) - 10_000, (100 * (80 / 3)) / 2, 1e-6);
	near(riseOf(edgesOf(curve)[1]!.from, curve.edges[1]!), 20);
	assert.equal(bendEdge(curve, 1, 'line').edges[1]!.kind, 'line');
	const handled = moveHandle(curve, 1, 'c1', [150, 10]);
	assert.deepEqual((handled.edges[1] as { c1: unknown }).c1, [150, 10]);
});

test('a straight edge is given a length and a direction', () => {
	const set = setEdge(square, 0, 140, 30);
	const at = edgesOf(set)[0]!;
	near(edgeLength(at.from, at.edge), 140);
	near(directionOf(at.from, at.edge), 30);
});

test('what a moved point catches on: points, then middles, then levels, then the grid', () => {
	assert.deepEqual(snap(square, [99, 2], 5, 1, null), { at: [100, 0], to: 'point' });
	assert.deepEqual(snap(square, [52, 98], 5, 1, null), { at: [50, 100], to: 'middle' });
	assert.deepEqual(snap(square, [30.4, 99], 5, 1, null), { at: [30, 100], to: 'level' });
	assert.deepEqual(snap(square, [30.4, 71.6], 5, 5, null), { at: [30, 70], to: 'grid' });
	assert.deepEqual(snap(square, [30.4, 71.6], 5, 0, null), { at: [30.4, 71.6], to: null });
	// A point does not catch on itself.
	assert.equal(snap(square, [1, 1], 5, 0, 0).to, 'level');
});
