import assert from 'node:assert/strict';
import { test } from 'node:test';
import { areaD, EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import { cutLine } from './allowance.ts';
import {
	checkOutline,
	circle,
	crossesItself,
	edgesOf,
	flatten,
	outlineLength,
	placedOutline,
	polygon,
	signedArea
} from './outline.ts';
import type { Outline } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { checkPiece, sizesOfPiece, notchPlace, piece, placedPiece } from './piece.ts';
import { blob, random } from '$tests/support/outlines.ts';
import { rectangle, sector } from './sector.ts';

const near = (a: number, b: number, by = 1e-9) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const path = (points: readonly Point[]) => points.map(([x, y]) => ({ x, y }));

test('area and length of circles, sectors and rectangles are exact', () => {
	near(signedArea(circle([7, -3], 40)), Math.PI * 1600);
	near(outlineLength(circle([7, -3], 40)), 2 * Math.PI * 40);
	near(signedArea(circle([0, 0], 40, true)), -Math.PI * 1600);
	near(signedArea(sector(50, 0, 216)), Math.PI * 2500 * (216 / 360));
	near(outlineLength(sector(50, 20, 300)), 2 * Math.PI * 70 * (300 / 360) + 60);
	near(signedArea(rectangle(30, 20)), 600);
	// A quarter of a circle by one cubic (0.5522847 of the radius): known to lie within 0.03 % of it.
	const k = 0.5522847498;
	const quarter: Outline = {
		start: [0, 0],
		edges: [
			{ kind: 'line', to: [1, 0] },
			{ kind: 'cubic', c1: [1, k], c2: [k, 1], to: [0, 1] },
			{ kind: 'line', to: [0, 0] }
		]
	};
	near(signedArea(quarter), Math.PI / 4, 3e-4);
	near(outlineLength(quarter), Math.PI / 2 + 2, 3e-4);
});

test('area against an independent library, on 200 outlines of lines, arcs and curves', () => {
	for (let seed = 1; seed <= 200; seed++) {
		const outline = blob(seed);
		const flat = flatten(outline, 0.001);
		near(signedArea(outline), areaD(path(flat.points)), 2e-5);
		const mirrored = placedOutline(outline, { mirror: true, turn: 33, move: [12, -7] });
		near(signedArea(mirrored), signedArea(outline), 1e-9);
		near(outlineLength(mirrored), outlineLength(outline), 1e-9);
	}
});

test('flattened no farther off than asked', () => {
	for (const tolerance of [1, 0.1, 0.01]) {
		const { points } = flatten(circle([0, 0], 200), tolerance);
		points.forEach((p, i) => {
			const q = points[(i + 1) % points.length]!;
			const middle = Math.hypot((p[0] + q[0]) / 2, (p[1] + q[1]) / 2);
			assert.ok(200 - middle <= tolerance * 1.001, `${200 - middle} at ${tolerance}`);
		});
	}
});

test('crossing outlines are found, as by trying every pair, on 300 random polygons', () => {
	const side = (a: Point, b: Point, c: Point) =>
		(b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
	let found = 0;
	for (let seed = 1; seed <= 300; seed++) {
		const next = random(seed);
		const points = Array.from({ length: 4 + (seed % 5) }, (): Point => [next() * 100, next() * 100]);
		const n = points.length;
		let slow = false;
		for (let i = 0; i < n; i++)
			for (let j = i + 1; j < n; j++) {
				const [a, b, c, d] = [points[i]!, points[(i + 1) % n]!, points[j]!, points[(j + 1) % n]!];
				if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) slow = true;
			}
		assert.equal(crossesItself(points), slow, `seed ${seed}`);
		if (slow) found++;
	}
	assert.ok(found > 50 && found < 280);
});

test('one allowance all round, against the offset of an independent library, on 120 outlines', () => {
	for (let seed = 1; seed <= 120; seed++) {
		const plain = blob(seed, true);
		const wide = 3 + (seed % 12);
		const outline = { ...plain, edges: plain.edges.map((e) => ({ ...e, allowance: wide })) };
		for (const [corner, join] of [
			['miter', JoinType.Miter],
			['round', JoinType.Round]
		] as const) {
			const its = areaD(path(cutLine({ outline, corner }, 0.01)));
			const theirs = inflatePathsD(
				[path(flatten(plain).points)],
				wide,
				join,
				EndType.Polygon,
				4,
				4,
				0.01
			).reduce((sum, p) => sum + areaD(p), 0);
			// Where a corner passes the limit both cut it off, each in its own way.
			near(its, theirs, corner === 'round' ? 2e-4 : 6e-3);
		}
	}
});

test('an allowance of its own for every edge', () => {
	const outline = rectangle(100, 60, [{ allowance: 10 }, { allowance: 5 }, {}, { allowance: 20 }]);
	const points = cutLine({ outline });
	near(areaD(path(points)), (100 + 5 + 20) * (60 + 10), 1e-6);
	// A full turn of a curve: a ring's width wider.
	const disc = circle([0, 0], 50);
	const wider = { ...disc, edges: disc.edges.map((e) => ({ ...e, allowance: 10 })) };
	near(areaD(path(cutLine({ outline: wider }, 0.01))), Math.PI * 3600, 5e-4);
	// An inner corner: the moved edges meet inside it.
	const angle = polygon(
		[
			[0, 0],
			[100, 0],
			[100, 40],
			[40, 40],
			[40, 100],
			[0, 100]
		],
		Array.from({ length: 6 }, () => ({ allowance: 10 }))
	);
	near(areaD(path(cutLine({ outline: angle }))), 120 * 60 + 60 * 60, 1e-6);
});

test('figures of a piece: area, cut line, seams, bevels; twice as much on the fold', () => {
	const outline = rectangle(100, 60, [{ seam: 'a' }, { bevel: 45 }, { seam: 'b' }, {}]);
	const its = piece('p', outline, { holes: [circle([50, 30], 10, true)] });
	const f = sizesOfPiece(its);
	near(f.area, 6000 - Math.PI * 100);
	near(f.cutLength, 320 + 20 * Math.PI);
	assert.equal(f.seam, 200);
	assert.equal(f.bevelled, 60);
	const half = sizesOfPiece({ ...its, holes: [], foldEdge: 3 });
	assert.equal(half.area, 12_000);
	assert.equal(half.cutLength, 2 * 260);
	const sewn = sizesOfPiece(
		piece(
			's',
			rectangle(
				100,
				60,
				Array.from({ length: 4 }, () => ({ allowance: 10 }))
			)
		)
	);
	near(sewn.cutArea, 120 * 80, 1e-6);
	near(sewn.cutLength, 400, 1e-6);
});

test('a mirrored piece keeps its figures, its notches their places, its grain its side', () => {
	const its = piece('p', rectangle(100, 60, [{ seam: 'a' }]), {
		notches: [{ edge: 0, along: 30, pair: '1' }],
		grain: 80
	});
	const other = placedPiece(its, { mirror: true });
	assert.deepEqual(sizesOfPiece(other), sizesOfPiece(its));
	assert.deepEqual(notchPlace(its, its.notches[0]!).at, [30, 0]);
	const { at, out } = notchPlace(other, other.notches[0]!);
	assert.ok(Math.abs(at[0] + 30) < 1e-9 && Math.abs(at[1]) < 1e-9 && out[1] < 0);
	assert.equal(other.grain, 100);
});

test('outlines that cannot be cut are told apart', () => {
	const code = (outline: Outline, hole = false) => checkOutline(outline, hole)?.code;
	const bow: Point[] = [
		[0, 0],
		[100, 100],
		[100, 0],
		[0, 60]
	];
	assert.equal(code(rectangle(10, 10)), undefined);
	assert.equal(code(polygon(bow)), 'outlineCrosses');
	assert.equal(code(rectangle(NaN, 10)), 'outlineNumbers');
	assert.equal(code(rectangle(10, 0)), 'outlineArea');
	assert.equal(code(circle([0, 0], 5, true)), 'outlineReversed');
	assert.equal(code(circle([0, 0], 5, true), true), undefined);
	assert.equal(code(circle([0, 0], 5), true), 'holeReversed');
	assert.equal(
		code({
			start: [0, 0],
			edges: edgesOf(rectangle(9, 9))
				.slice(0, 3)
				.map((e) => e.edge)
		}),
		'outlineOpen'
	);
	const many = Array.from({ length: 25_000 }, (_, i): Point => [
		1e4 * Math.cos(i / 3979),
		1e4 * Math.sin(i / 3979)
	]);
	assert.equal(code(polygon(many)), 'outlinePoints');
	const fine = Array.from({ length: 10_000 }, (_, i): Point => [
		1e3 * Math.cos((2 * Math.PI * i) / 10_000),
		1e3 * Math.sin((2 * Math.PI * i) / 10_000)
	]);
	assert.equal(code(polygon(fine)), undefined);
	const wide = piece('p', rectangle(30, 20, [{ allowance: 25 }]));
	assert.deepEqual(checkPiece(wide), {
		code: 'allowanceTooLarge',
		path: ['outline', 'edges', 0],
		values: {}
	});
	const astray = piece('p', rectangle(30, 20), { notches: [{ edge: 0, along: 31, pair: '1' }] });
	assert.equal(checkPiece(astray)?.code, 'notchOffEdge');
	assert.deepEqual(checkPiece(piece('p', rectangle(30, 20), { holes: [circle([15, 10], 3)] })), {
		code: 'holeReversed',
		path: ['holes', 0],
		values: {}
	});
});
