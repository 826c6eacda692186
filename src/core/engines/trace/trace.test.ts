import assert from 'node:assert/strict';
import { test } from 'node:test';
import { blob, strays } from '$tests/support/outlines.ts';
import { photoOf, slantPhotoOf } from '$tests/support/photo.ts';
import { offset } from '../pattern/allowance.ts';
import { circle, flatten, placed, placedOutline, polygon, signedArea } from '../pattern/outline.ts';
import type { Outline } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { checkPiece, sizesOfPiece, notchPlace, piece } from '../pattern/piece.ts';
import { runJob } from '../../formats/jobs.ts';
import { homographyOf } from '../plane/homography.ts';
import { rectify, withinReference, type Pixels } from '../plane/rectify.ts';
import { blurred, contours, type Grey } from './contour.ts';
import { joinByMarks, markNear, withMark } from './mark.ts';
import { otsu } from './seen.ts';
import { trace, type Traced, type TraceOptions } from './trace.ts';

const near = (a: number, b: number, by: number) => assert.ok(Math.abs(a - b) <= by, `${a}, not ${b}`);
/** Grey to the step, as a picture has it. */
const pixelsOf = ({ width, height, data }: Grey): Pixels => ({
	width,
	height,
	data: Uint8ClampedArray.from({ length: 4 * data.length }, (_, i) => (i % 4 === 3 ? 255 : data[i >> 2]!))
});
const run = (picture: Grey | Pixels, mmPerPx: number, more: Partial<TraceOptions> = {}) => {
	const pixels = picture.data instanceof Float32Array ? pixelsOf(picture as Grey) : (picture as Pixels);
	const work = trace(pixels, { mmPerPx, speck: 40, tolerance: 0.3, ...more });
	let turn = work.next();
	let last = 0;
	while (!turn.done) {
		assert.ok(turn.value >= last);
		last = turn.value;
		turn = work.next();
	}
	return turn.value;
};
const traced = (picture: Grey | Pixels, mmPerPx: number, more: Partial<TraceOptions> = {}): Traced => {
	const done = run(picture, mmPerPx, more);
	assert.ok(done.ok, JSON.stringify(done));
	return done.value;
};
const at = (outline: Outline, x: number, y: number) => placedOutline(outline, { move: [x, y] });
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
		const best = Math.min(...pieces.map((q) => strays(line, flatten(q.outline).points).rms));
		assert.ok(best < 0.5, `${best} mm`);
		assert.ok(p.outline.edges.length < 60, `${p.outline.edges.length} edges`);
	}
	// The four-sided one comes back with four straight sides.
	const square = found.find(
		(p) => Math.abs(sizesOfPiece(p).area - 13_250) < 100 && p.outline.edges.length < 8
	);
	assert.ok(square, found.map((p) => `${p.outline.edges.length} ${sizesOfPiece(p).area}`).join('; '));
	const disc = found.find((p) => Math.abs(sizesOfPiece(p).area - Math.PI * 3600) < 150);
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

test('a photo at a slant of 30°, its corners clicked to whole pixels: pieces and a hole within half a millimetre', () => {
	const [wide, high] = [600, 400];
	const truth = [
		{ outline: at(blob(3), 160, 220), holes: [at(circle([0, 0], 20, true), 160, 220)], grey: 215 },
		{ outline: at(blob(8), 440, 200), holes: [], grey: 205 }
	];
	const { photo, corners } = slantPhotoOf(truth, { wide, high, width: 2000, height: 1500, mmPerPx: 0.25 });
	const toPlane = homographyOf(corners, [
		[0, 0],
		[wide, 0],
		[wide, high],
		[0, high]
	]);
	const view = withinReference(toPlane, corners);
	const laying = rectify(photo, toPlane, view);
	let flat = laying.next();
	while (!flat.done) flat = laying.next();
	const { pieces, blurred: soft } = traced(flat.value, 1 / view.pixelsPerMm);
	assert.equal(soft, false);
	assert.deepEqual(pieces.map((p) => p.holes.length).sort(), [0, 1]);
	for (const p of pieces) {
		const line = flatten(p.outline).points.map(([x, y]): Point => [
			x + view.left,
			y + high - view.top - view.height
		]);
		const best = Math.min(...truth.map((q) => strays(line, flatten(q.outline).points).rms));
		assert.ok(best < 0.5, `${best} mm`);
	}
});

test('the job traces a picture that it is given as bytes, and names the field that is wrong', () => {
	const [wide, high] = [300, 200];
	const { photo, corners } = slantPhotoOf([{ outline: circle([150, 100], 60), holes: [], grey: 210 }], {
		wide,
		high,
		width: 900,
		height: 700,
		tilt: 20,
		from: 800,
		mmPerPx: 0.4
	});
	const grey = Buffer.from(photo.data.filter((_, i) => i % 4 === 0)).toString('base64');
	const job = {
		kind: 'trace',
		picture: { width: 900, height: 700, grey },
		reference: { kind: 'rectangle', points: corners, width: wide, height: high }
	};
	const done = runJob(job, () => 0);
	assert.ok(done.ok, JSON.stringify(done));
	const { pieces, blurred: soft } = done.result as { pieces: { area: number }[]; blurred: boolean };
	assert.equal(soft, false);
	assert.equal(pieces.length, 1);
	near(pieces[0]!.area, Math.PI * 3600, 120);
	const short = runJob({ ...job, picture: { width: 900, height: 701, grey } }, () => 0);
	assert.ok(!short.ok && short.words.startsWith('picture.grey: '), JSON.stringify(short));
	const [a, b, c, d] = corners;
	const crossed = runJob({ ...job, reference: { ...job.reference, points: [a, c, b, d] } }, () => 0);
	assert.ok(!crossed.ok && /corners cross/.test(crossed.words), JSON.stringify(crossed));
});

test('an outline of one corner only, a drop, comes back whole', () => {
	const drop: Outline = {
		start: [150, 180],
		edges: [{ kind: 'cubic', c1: [40, 20], c2: [260, 20], to: [150, 180] }]
	};
	const { pieces } = traced(
		photoOf([{ outline: drop, holes: [], grey: 210 }], { width: 600, height: 400, mmPerPx: 0.5 }),
		0.5
	);
	assert.equal(pieces.length, 1);
	near(sizesOfPiece(pieces[0]!).area, signedArea(drop), signedArea(drop) * 0.01);
});

/** Lines 1.2 mm wide on paper: what lies between an outline a little larger and one a little smaller. */
const stroke = (outline: Outline) => ({
	outline: polygon(offset(outline, 0.6)),
	holes: [polygon([...offset(outline, -0.6)].reverse())],
	grey: 20
});

test('pieces drawn as lines on paper: the middle of the line is the edge; inner lines are holes or lines', () => {
	const square = polygon([
		[30, 30],
		[130, 30],
		[130, 110],
		[30, 110]
	]);
	const paper = photoOf([stroke(square), stroke(circle([80, 70], 25)), stroke(circle([210, 70], 45))], {
		width: 1100,
		height: 600,
		mmPerPx: 0.25,
		mat: 240,
		shade: 10
	});
	const { pieces } = traced(paper, 0.25, { look: 'drawn', innerLines: false });
	assert.deepEqual(pieces.map((p) => p.holes.length).sort(), [0, 1]);
	const its = pieces.find((p) => p.holes.length)!;
	assert.equal(its.outline.edges.length, 4);
	assert.ok(strays(flatten(its.outline).points, flatten(square).points).rms < 0.15);
	near(-signedArea(its.holes[0]!), Math.PI * 625, 25);
	// Unless it is said to be cut, a line drawn in a piece is a line on it.
	const lined = traced(paper, 0.25, { look: 'drawn' });
	assert.deepEqual(
		lined.pieces.map((p) => [p.holes.length, p.lines.map((l) => l.use)]),
		pieces.map((p) => [0, p.holes.map(() => 'detail')])
	);
});

test('a dashed line is one line once its gaps are closed', () => {
	const dashes = [0, 1, 2, 3].flatMap((side) =>
		Array.from({ length: 10 }, (_, i) => {
			const from = 40 + 10 * i;
			const bar: Outline = polygon([
				[from, 40],
				[from + 8, 40],
				[from + 8, 41],
				[from, 41]
			]);
			// Round the middle of a square of 100 mm that begins at 40, 40.
			const turn = { turn: 90 * side, move: placed([-90, -90], { turn: 90 * side }) };
			return {
				outline: placedOutline(bar, { ...turn, move: [turn.move[0] + 90, turn.move[1] + 90] as const }),
				holes: [],
				grey: 15
			};
		})
	);
	const paper = photoOf(dashes, { width: 720, height: 720, mmPerPx: 0.25, mat: 240, shade: 5, noise: 3 });
	const open = run(paper, 0.25, { look: 'drawn' });
	assert.ok(!open.ok && open.problem.code === 'traceNothing');
	const { pieces } = traced(paper, 0.25, { look: 'drawn', gap: 3 });
	assert.equal(pieces.length, 1);
	near(sizesOfPiece(pieces[0]!).area, 99 * 99, 120);
});

test('a picture out of focus is told by its edges, and traced all the same', () => {
	const sharpOne = photoOf([{ outline: circle([150, 100], 60), holes: [], grey: 210 }], {
		width: 600,
		height: 400,
		mmPerPx: 0.5
	});
	let soft: Grey = sharpOne;
	for (let i = 0; i < 3; i++) soft = blurred(soft, 4);
	const [a, b] = [traced(sharpOne, 0.5), traced(soft, 0.5)];
	assert.equal(a.blurred, false);
	assert.equal(b.blurred, true);
	// Three means over 9 pixels: σ² = 3 · (81 − 1)/12 px², and an edge is √(2π)·σ wide.
	near(b.softness, Math.sqrt(2 * Math.PI * 20) * 0.5, 1);
	near(sizesOfPiece(b.pieces[0]!).area, Math.PI * 3600, 250);
});

test('the middle of a mark is found from a click beside it; nothing is found on the bare mat', () => {
	const bar = (w: number, h: number) =>
		polygon([
			[50 - w, 40.2 - h],
			[50 + w, 40.2 - h],
			[50 + w, 40.2 + h],
			[50 - w, 40.2 + h]
		]);
	const grey = photoOf(
		[
			{ outline: bar(4, 0.5), holes: [], grey: 30 },
			{ outline: bar(0.5, 4), holes: [], grey: 30 }
		],
		{ width: 400, height: 320, mmPerPx: 0.25, mat: 230, shade: 20 }
	);
	const found = markNear(grey, [208, 164], 16)!;
	near(found[0], 199.5, 0.2);
	near(found[1], 319.5 - 40.2 * 4, 0.2);
	assert.equal(markNear(grey, [60, 60], 16), null);
});

test('a mark near an edge is a notch, one on the face is a cross, one beside the piece is none', () => {
	const square = piece(
		'square',
		polygon([
			[0, 0],
			[100, 0],
			[100, 80],
			[0, 80]
		])
	);
	const notched = withMark(square, [96, 30], '3')!;
	assert.deepEqual(notched.notches, [{ edge: 1, along: 30, pair: '3' }]);
	assert.deepEqual(notchPlace(notched, notched.notches[0]!).at, [100, 30]);
	assert.equal(withMark(square, [50, 40], '3')!.lines.length, 2);
	assert.equal(withMark(square, [150, 40], '3'), null);
	assert.equal(checkPiece(notched), null);
});

test('a page is laid to a sheet by two marks, turned and moved, and tells how badly they agree', () => {
	const truth = { turn: 3, move: [210, -4] as const };
	const page: [Point, Point] = [
		[10, 20],
		[12, 260]
	];
	const laid = joinByMarks([placed(page[0], truth), placed(page[1], truth)], page)!;
	near(laid.turn, 3, 1e-9);
	near(laid.move[0], 210, 1e-9);
	near(laid.move[1], -4, 1e-9);
	near(laid.misfit, 0, 1e-9);
	near(
		joinByMarks(
			[
				[0, 0],
				[0, 100]
			],
			[
				[0, 0],
				[0, 101]
			]
		)!.misfit,
		1,
		1e-9
	);
	assert.equal(
		joinByMarks(
			[
				[0, 0],
				[0, 0]
			],
			page
		),
		null
	);
});
