import assert from 'node:assert/strict';
import { test } from 'node:test';
import { FillRule, areaD, intersectD } from 'clipper2-ts';
import { blob, random } from '$tests/support/outlines.ts';
import { cutByLine, partOf, pointAt } from './cut.ts';
import {
	boxOf,
	circle,
	edgeLength,
	edgesOf,
	flatten,
	outlineLength,
	polygon,
	signedArea
} from './outline.ts';
import type { Point } from '../../units/point.ts';
import { checkPiece, sizesOfPiece, piece } from './piece.ts';
import type { Piece } from '../../facts/piece.ts';
import { rectangle, sector } from './sector.ts';

const near = (a: number, b: number, by = 1e-6) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const plain = { cut: 1, allowance: 0, marks: 0 };
const cut = (p: Piece, a: Point, b: Point, how = plain) => {
	const done = cutByLine(p, a, b, how);
	assert.ok(done.ok, JSON.stringify(done));
	return done.value;
};
const area = (p: Piece) => sizesOfPiece(p).area;

test('a part of an edge is exactly that part: lengths add up and the points lie on it', () => {
	for (let seed = 1; seed <= 40; seed++)
		for (const { from, edge } of edgesOf(blob(seed))) {
			const [one, two] = [partOf(from, edge, 0, 0.37), partOf(from, edge, 0.37, 1)];
			near(edgeLength(from, one) + edgeLength(one.to, two), edgeLength(from, edge), 1e-7);
			const [x, y] = pointAt(one.to, two, 0.5);
			const [u, v] = pointAt(from, edge, 0.37 + 0.63 / 2);
			near(x, u, 1e-7);
			near(y, v, 1e-7);
		}
});

test('a bracer split at its middle: half the area each, arcs stay arcs, the cut is the slant', () => {
	const band = piece('bracer', sector(200, 180, 60));
	const box = boxOf(flatten(band.outline).points);
	const middle = (box.left + box.right) / 2;
	const halves = cut(band, [middle, box.bottom], [middle, box.top]);
	assert.equal(halves.length, 2);
	for (const half of halves) {
		near(area(half), area(band) / 2);
		assert.equal(half.outline.edges.filter((e) => e.kind === 'arc').length, 2);
		const seam = edgesOf(half.outline).find(({ edge }) => edge.seam === 'cut 1')!;
		near(edgeLength(seam.from, seam.edge), 20);
	}
	assert.deepEqual(
		halves.map((h) => h.name),
		['bracer a', 'bracer b']
	);
});

test('the parts of 200 random outlines cover them once, by an independent library', () => {
	for (let seed = 1; seed <= 200; seed++) {
		const next = random(seed);
		const whole = piece('blob', blob(seed), { holes: [circle([0, 0], 12, true)] });
		const angle = next() * Math.PI;
		const off = 30 * next() - 15;
		const a: Point = [-off * Math.sin(angle), off * Math.cos(angle)];
		const parts = cut(whole, a, [a[0] + Math.cos(angle), a[1] + Math.sin(angle)]);
		near(
			parts.reduce((sum, p) => sum + area(p), 0),
			area(whole)
		);
		const seam = parts.map((p) =>
			edgesOf(p.outline)
				.filter(({ edge }) => edge.seam?.startsWith('cut'))
				.reduce((sum, { from, edge }) => sum + edgeLength(from, edge), 0)
		);
		near(
			seam.reduce((sum, s) => sum + s, 0) / 2,
			(parts.reduce((sum, p) => sum + all(p), 0) - all(whole)) / 2
		);
		for (const [i, p] of parts.entries()) {
			assert.equal(checkPiece(p), null, `${seed}: ${JSON.stringify(checkPiece(p))}`);
			for (const q of parts.slice(i + 1)) {
				const overlap = intersectD(paths(p), paths(q), FillRule.EvenOdd, 4);
				assert.ok(Math.abs(overlap.reduce((sum, o) => sum + areaD(o), 0)) < 1, `${seed} overlaps`);
			}
		}
	}
});
const all = (p: Piece) => outlineLength(p.outline) + p.holes.reduce((sum, h) => sum + outlineLength(h), 0);
const paths = (p: Piece) => [p.outline, ...p.holes].map((o) => flatten(o).points.map(([x, y]) => ({ x, y })));

test('a line through corners or along an edge gives no slivers', () => {
	const square = piece('square', rectangle(100, 100));
	const [one, two] = cut(square, [0, 0], [100, 100]);
	assert.equal(one!.outline.edges.length, 3);
	near(area(one!), 5000, 1e-5);
	near(area(two!), 5000, 1e-5);
	const missed = cutByLine(square, [0, 0], [100, 0], plain);
	assert.equal(missed.ok, false);
	const outside = cutByLine(square, [0, 200], [100, 200], plain);
	assert.ok(!outside.ok && outside.problem.code === 'splitMisses');
	const none = cutByLine(square, [5, 5], [5, 5], plain);
	assert.ok(!none.ok && none.problem.code === 'splitPoints');
});

test('a U is cut through both legs into three', () => {
	const u = piece(
		'u',
		polygon([
			[0, 0],
			[90, 0],
			[90, 100],
			[60, 100],
			[60, 30],
			[30, 30],
			[30, 100],
			[0, 100]
		])
	);
	const parts = cut(u, [-10, 60], [200, 60], { cut: 1, allowance: 10, marks: 1 });
	assert.equal(parts.length, 3);
	near(
		parts.reduce((sum, p) => sum + area(p), 0),
		area(u)
	);
	// Two cuts, each with its pair of notches.
	const pairs = parts.flatMap((p) => p.notches.map((n) => n.pair)).sort();
	assert.deepEqual(pairs, ['1a.1', '1a.1', '1b.1', '1b.1']);
	for (const p of parts)
		for (const e of p.outline.edges) assert.equal(e.allowance, e.seam?.startsWith('cut') ? 10 : undefined);
});

test('register marks of both sides meet, and notches, lines and holes stay where they were', () => {
	const whole = piece('panel', rectangle(200, 100), {
		notches: [
			{ edge: 0, along: 40, pair: 'a' },
			{ edge: 0, along: 160, pair: 'b' }
		],
		lines: [
			{
				use: 'detail',
				points: [
					[20, 50],
					[180, 50]
				]
			}
		],
		holes: [circle([50, 30], 5, true), circle([150, 30], 5, true)]
	});
	const [left, right] = cut(whole, [100, 0], [100, 100], { cut: 1, allowance: 0, marks: 2 });
	for (const [part, from, to] of [
		[left!, 0, 100],
		[right!, 100, 200]
	] as const) {
		const placed = part.notches.map((n) => {
			const { from: begin, edge } = edgesOf(part.outline)[n.edge]!;
			return { pair: n.pair, at: pointAt(begin, edge, n.along / edgeLength(begin, edge)) };
		});
		for (const n of placed.filter((n) => /^1\./.test(n.pair))) {
			near(n.at[0], 100, 1e-6);
			near(n.at[1], n.pair.endsWith('.1') ? 100 / 3 : 200 / 3, 1e-6);
		}
		const its = placed.find((n) => !/^1\./.test(n.pair))!;
		near(its.at[0], its.pair === 'a' ? 40 : 160, 1e-6);
		assert.ok(its.at[0] >= from && its.at[0] <= to);
		assert.equal(part.holes.length, 1);
		near(Math.abs(signedArea(part.holes[0]!)), Math.PI * 25);
		assert.equal(part.lines.length, 1);
		near(Math.abs(part.lines[0]!.points[1]![0] - part.lines[0]!.points[0]![0]), 80, 1e-5);
	}
});
