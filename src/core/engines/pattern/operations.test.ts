import assert from 'node:assert/strict';
import { test } from 'node:test';
import { areaD, EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import { blob } from '$tests/support/outlines.ts';
import { offset } from './allowance.ts';
import { circle, edgesOf, flatten, outlineLength, polygon } from './outline.ts';
import type { Outline } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { checkPiece, sizesOfPiece, piece } from './piece.ts';
import type { Piece } from '../../facts/piece.ts';
import { rectangle, sector } from './sector.ts';
import { applyOperations, placeOn, shareOf, operationWords } from './operations.ts';
import { pieceOperation, type PieceOperation } from '../../facts/pieceOperation.ts';

const near = (a: number, b: number, by = 1e-6) =>
	assert.ok(Math.abs(a - b) <= by * Math.max(1, Math.abs(b)), `${a}, not ${b}`);
const done = (pieces: readonly Piece[], ...works: PieceOperation[]): Piece[] => {
	const all = applyOperations(
		pieces,
		works.map((w) => pieceOperation.parse(w))
	);
	assert.ok(all.ok, JSON.stringify(all));
	return all.value;
};
const problem = (pieces: readonly Piece[], ...works: PieceOperation[]) => {
	const all = applyOperations(pieces, works);
	assert.ok(!all.ok);
	return all.problem;
};
const panel = piece('panel', rectangle(200, 100));
const split: PieceOperation = {
	kind: 'split',
	piece: 0,
	from: [0.5, 0],
	to: [0.5, 1],
	allowance: 0,
	marks: 2
};

test('split and joined again is the piece it was', () => {
	for (let seed = 1; seed <= 60; seed++) {
		const whole = piece('blob', blob(seed));
		const parts = done([whole], { ...split, from: [0.45, 0], to: [0.55, 1] });
		if (parts.length !== 2) continue;
		const seam = (p: Piece) => p.outline.edges.findIndex((e) => e.seam === 'cut 1');
		const [again] = done(
			[whole],
			{ ...split, from: [0.45, 0], to: [0.55, 1] },
			{ kind: 'join', piece: 0, edge: seam(parts[0]!), other: 1, otherEdge: seam(parts[1]!) }
		);
		near(sizesOfPiece(again!).area, sizesOfPiece(whole).area);
		near(outlineLength(again!.outline), outlineLength(whole.outline));
		assert.equal(checkPiece(again!), null);
	}
});

test('places are shares of the piece, so a split keeps its meaning when the piece grows', () => {
	near(shareOf(panel, placeOn(panel, [0.3, 0.8]))[0], 0.3);
	for (const width of [200, 340]) {
		const parts = done([piece('panel', rectangle(width, 100))], { ...split, from: [0.25, 0], to: [0.25, 1] });
		const areas = parts.map((p) => sizesOfPiece(p).area).sort((a, b) => a - b);
		near(areas[0]!, width * 25);
		near(areas[1]!, width * 75);
	}
});

test('an allowance per edge, with its corners; none along the fold', () => {
	const [folded] = done(
		[panel],
		{ kind: 'fold', piece: 0, edge: 3 },
		{ kind: 'allowance', piece: 0, edges: [], mm: 13, corner: 'miter' }
	);
	const f = sizesOfPiece(folded!);
	// 200 × 100 on the fold: 400 × 100, and 13 mm at both ends, top and bottom.
	near(f.area, 40_000);
	near(f.cutArea, 426 * 126, 1e-5);
	near(f.cutLength, 2 * (426 + 126), 1e-5);
	const [round] = done([panel], { kind: 'allowance', piece: 0, edges: [], mm: 10, corner: 'round' });
	// A rectangle with round corners: the whole area, four strips and four quarters of a circle.
	near(sizesOfPiece(round!).cutArea, 20_000 + 600 * 10 + Math.PI * 100, 1e-3);
	const [one] = done([panel], { kind: 'allowance', piece: 0, edges: [0], mm: 10, corner: 'miter' });
	near(sizesOfPiece(one!).cutArea, 200 * 110, 1e-6);
});

test('half a piece mirrored into a whole; a curve on the fold is refused', () => {
	const half: Outline = {
		start: [0, 0],
		edges: [
			{ kind: 'arc', to: [0, 100], bulge: 0.6, seam: 'side' },
			{ kind: 'line', to: [0, 0] }
		]
	};
	const [whole] = done([piece('half', half, { notches: [{ edge: 0, along: 30, pair: 'x' }] })], {
		kind: 'unfold',
		piece: 0,
		edge: 1
	});
	near(sizesOfPiece(whole!).area, 2 * sizesOfPiece(piece('half', half)).area);
	near(outlineLength(whole!.outline), 2 * (outlineLength(half) - 100));
	assert.equal(whole!.notches.length, 2);
	assert.equal(problem([piece('half', half)], { kind: 'fold', piece: 0, edge: 0 }).code, 'foldStraight');
});

test('grown and shrunk pieces against an independent offset, 60 outlines', () => {
	for (let seed = 1; seed <= 60; seed++) {
		const outline = blob(seed, true);
		for (const mm of [12, -6]) {
			const path = flatten(outline).points.map(([x, y]) => ({ x, y }));
			const theirs = inflatePathsD([path], mm, JoinType.Miter, EndType.Polygon, 4, 4);
			const its = offset(outline, mm);
			const largest = Math.max(...theirs.map((p) => Math.abs(areaD(p))));
			near(areaD(its.map(([x, y]) => ({ x, y }))), largest, 1e-6);
		}
	}
	// A square by hand: every side moves.
	const [larger] = done([panel], { kind: 'grow', piece: 0, mm: 5 });
	near(sizesOfPiece(larger!).area, 210 * 110);
	assert.equal(problem([panel], { kind: 'grow', piece: 0, mm: -60 }).code, 'growGone');
});

test('what cannot be done says so at its work, and the pieces stay', () => {
	const two = [panel, piece('other', rectangle(150, 60))];
	assert.deepEqual(problem([panel], { kind: 'bevel', piece: 3, edges: [], degrees: 10 }), {
		code: 'workPiece',
		values: { number: 4 },
		path: ['works', 0]
	});
	assert.equal(problem([panel], { kind: 'bevel', piece: 0, edges: [9], degrees: 10 }).code, 'workEdge');
	assert.equal(problem(two, { kind: 'join', piece: 0, edge: 0, other: 1, otherEdge: 0 }).code, 'joinLength');
	assert.equal(problem(two, { kind: 'join', piece: 0, edge: 0, other: 0, otherEdge: 0 }).code, 'joinOther');
	const curved = piece('curved', sector(100, 50, 90));
	const arc = curved.outline.edges.findIndex((e) => e.kind === 'arc');
	const long = flatten({ start: edgesOf(curved.outline)[arc]!.from, edges: [curved.outline.edges[arc]!] });
	assert.ok(long.points.length > 3);
	assert.equal(
		problem([curved, { ...curved, name: 'same' }], {
			kind: 'join',
			piece: 0,
			edge: arc,
			other: 1,
			otherEdge: arc
		}).code,
		'joinCurve'
	);
	assert.equal(problem([panel], { kind: 'remove', piece: 0 }).code, 'lastPiece');
	assert.equal(
		problem([panel], { kind: 'pair', piece: 0 }, { kind: 'quantity', piece: 0, quantity: 3 }).code,
		'pairQuantity'
	);
	const late = problem([panel], split, { kind: 'notch', piece: 7, edge: 0, at: 0.5, pair: 'a' });
	assert.deepEqual(late.path, ['works', 1]);
	const wide = problem([panel], { kind: 'allowance', piece: 0, edges: [], mm: 150, corner: 'miter' });
	assert.equal(wide.code, 'allowanceTooLarge');
	for (const bad of [
		{ kind: 'hole', piece: 0, at: [0.5, Number.NaN], diameter: 5 },
		{ kind: 'allowance', piece: 0, edges: [], mm: -1, corner: 'miter' },
		{ kind: 'split', piece: 0.5, from: [0, 0], to: [1, 1], allowance: 0, marks: 0 }
	])
		assert.equal(pieceOperation.safeParse(bad).success, false);
});

test('holes, notches, lines, pairs, names and grain', () => {
	const [p] = done(
		[panel],
		{ kind: 'hole', piece: 0, at: [0.5, 0.5], diameter: 20 },
		{ kind: 'notch', piece: 0, edge: 0, at: 0.25, pair: 'a' },
		{ kind: 'line', piece: 0, use: 'fold', from: [0, 0.5], to: [1, 0.5] },
		{ kind: 'pair', piece: 0 },
		{ kind: 'name', piece: 0, name: 'front' },
		{ kind: 'grain', piece: 0, degrees: 90 },
		{ kind: 'bevel', piece: 0, edges: [1], degrees: 45 }
	);
	near(sizesOfPiece(p!).area, 20_000 - Math.PI * 100);
	near(sizesOfPiece(p!).bevelled, 100);
	assert.deepEqual(p!.notches, [{ edge: 0, along: 50, pair: 'a' }]);
	assert.deepEqual(p!.lines[0]!.points, [
		[0, 50],
		[200, 50]
	]);
	assert.deepEqual([p!.name, p!.quantity, p!.mirrored, p!.grain], ['front', 2, true, 90]);
});

test('a fastener is drawn where it goes: two strips of 20 × 50 beside each other, turned; off the piece or in a hole it is refused', () => {
	const strips = { kind: 'fastener', piece: 0, wide: 20, long: 50, count: 2, degrees: 0 } as const;
	const [p] = done([panel], { ...strips, at: [0.5, 0.5] });
	// Middle at 100, 50; one width between them: middles at 80 and 120.
	assert.deepEqual(
		p!.lines.map((l) => [l.use, ...l.points.slice(0, 3)]),
		[
			['placement', [70, 25], [90, 25], [90, 75]],
			['placement', [110, 25], [130, 25], [130, 75]]
		]
	);
	assert.equal(sizesOfPiece(p!).area, sizesOfPiece(panel).area, 'it cuts nothing');
	const [turned] = done([panel], { ...strips, count: 1, at: [0.5, 0.5], degrees: 90 });
	const xs = turned!.lines[0]!.points.map(([x]) => x);
	near(Math.max(...xs) - Math.min(...xs), 50);
	assert.equal(problem([panel], { ...strips, at: [1.2, 0.5] }).code, 'fastenerOff');
	const hole: PieceOperation = { kind: 'hole', piece: 0, at: [0.5, 0.5], diameter: 20 };
	assert.equal(problem([panel], hole, { ...strips, at: [0.52, 0.5] }).code, 'fastenerOff');
	assert.equal(
		operationWords({ ...strips, at: [0, 0] }, 'panel', (v) => `${v} mm`),
		'panel: place of 2 fasteners, 20 mm × 50 mm'
	);
});

test('the words of a work', () => {
	const mm = (v: number) => `${v} mm`;
	assert.equal(operationWords(split, 'panel', mm), 'panel: split, no allowance, 2 register marks');
	assert.equal(
		operationWords({ kind: 'allowance', piece: 0, edges: [1], mm: 13, corner: 'round' }, 'panel', mm),
		'panel: allowance of 13 mm on 1 edge, round corners'
	);
});

test('ten thousand points are split and grown without trouble', () => {
	const n = 10_000;
	const points = Array.from({ length: n }, (_, i): Point => {
		const a = (2 * Math.PI * i) / n;
		const r = 300 + 20 * Math.sin(a * 40);
		return [r * Math.cos(a), r * Math.sin(a)];
	});
	const parts = done([piece('ring', polygon(points), { holes: [circle([0, 0], 100, true)] })], split);
	assert.equal(parts.length, 2);
	near(
		parts.reduce((sum, p) => sum + sizesOfPiece(p).area, 0),
		sizesOfPiece(piece('ring', polygon(points))).area - Math.PI * 10_000
	);
});
