import assert from 'node:assert/strict';
import { test } from 'node:test';
import { circle, outlineLength } from './outline.ts';
import type { Outline } from '../../facts/piece.ts';
import { checkPiece, sizesOfPiece, piece } from './piece.ts';
import { resized } from './resized.ts';
import { rectangle } from './sector.ts';

const near = (a: number, b: number, share = 1e-9) =>
	assert.ok(Math.abs(a - b) <= share * Math.max(1, Math.abs(b)), `${a}, not ${b}`);

test('a rectangle of 200 × 100 at 110 % × 90 % is 220 × 90; its allowance, bevel and hole keep their size', () => {
	const one = piece('front', rectangle(200, 100, [{ allowance: 13 }, { bevel: 45 }]), {
		holes: [circle([50, 50], 4, true)],
		notches: [{ edge: 0, along: 50, pair: 'a' }]
	});
	const now = resized(one, [1.1, 0.9]);
	near(sizesOfPiece({ ...now, holes: [] }).area, 220 * 90);
	assert.deepEqual(
		now.outline.edges.map((e) => [e.allowance, e.bevel]),
		[
			[13, undefined],
			[undefined, 45],
			[undefined, undefined],
			[undefined, undefined]
		]
	);
	near(outlineLength(now.holes[0]!), outlineLength(one.holes[0]!));
	// The hole moves with its middle: 50 mm from the left is 55, from below 45.
	near(now.holes[0]!.start[0] - one.holes[0]!.start[0], 5);
	near(now.holes[0]!.start[1] - one.holes[0]!.start[1], -5);
	near(now.notches[0]!.along, 55);
	assert.equal(checkPiece(now), null);
});

test('evenly, arcs stay arcs and areas go by the square', () => {
	const disc = piece('disc', circle([0, 0], 50));
	const now = resized(disc, [1.04, 1.04]);
	assert.ok(now.outline.edges.every((e) => e.kind === 'arc'));
	near(sizesOfPiece(now).area, Math.PI * 52 * 52);
});

test('unevenly, a disc becomes an ellipse: area π·a·b, way round by Ramanujan (1914)', () => {
	const disc = piece('disc', circle([10, 20], 50), { notches: [{ edge: 1, along: 30, pair: 'b' }] });
	const now = resized(disc, [1.3, 0.8]);
	const [a, b] = [65, 40];
	near(sizesOfPiece(now).area, Math.PI * a * b, 1e-5);
	const h = ((a - b) / (a + b)) ** 2;
	near(outlineLength(now.outline), Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h))), 1e-5);
	assert.ok(now.notches[0]!.edge < now.outline.edges.length);
	assert.equal(checkPiece(now), null);
	const line: Outline = {
		start: [0, 0],
		edges: [
			{ kind: 'line', to: [10, 0] },
			{ kind: 'line', to: [5, 9] },
			{ kind: 'line', to: [0, 0] }
		]
	};
	assert.equal(resized(piece('tri', line, { foldEdge: 2 }), [2, 1]).foldEdge, 2);
});
