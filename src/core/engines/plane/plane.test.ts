import assert from 'node:assert/strict';
import { test } from 'node:test';
import { createRequire } from 'node:module';
import { normals, seen, type TestCamera } from '$tests/support/camera.ts';
import { seeded } from '$tests/support/planCases.ts';
import type { Parsed } from '../../units/problem.ts';
import { combine } from './combine.ts';
import { distance, type Point } from '../../units/point.ts';
import { homographyOf, inverse, project } from './homography.ts';
import { NO_LENS } from './lens.ts';
import { calibrate, circleThrough, measure, type Plane, type Precision } from './pictureMeasure.ts';
import type { MeasureKind } from '../../facts/picture.ts';
import { flatViewOf, rectify, type Pixels } from './rectify.ts';
import { KNOWN_RECTANGLES } from './reference.ts';
import type { Reference } from '../../facts/picture.ts';

/** An independent library that solves the eight equations by elimination. */
const perspective = createRequire(import.meta.url)('perspective-transform') as (
	from: number[],
	to: number[]
) => { coeffs: number[]; transform: (x: number, y: number) => [number, number] };

const CAMERA: TestCamera = {
	width: 4000,
	height: 3000,
	focal: 2900,
	tilt: 45,
	turn: 20,
	distance: 900,
	at: [150, 105]
};
const PICTURE = { width: CAMERA.width, height: CAMERA.height };
const EXACT: Precision = { click: 0.01, reference: 0 };
const A4: Point[] = [
	[0, 0],
	[297, 0],
	[297, 210],
	[0, 210]
];
const a4 = (camera: TestCamera, corners = A4.map((p) => seen(camera, p))): Reference => ({
	kind: 'rectangle',
	points: corners as never,
	width: 297,
	height: 210
});
function ok<T>(parsed: Parsed<T>): T {
	assert.ok(parsed.ok, parsed.ok ? '' : parsed.problem.code);
	return parsed.value;
}
const code = (parsed: Parsed<unknown>) => (parsed.ok ? 'ok' : parsed.problem.code);
const planeAt = (camera: TestCamera, precision = EXACT): Plane =>
	ok(calibrate(a4(camera), PICTURE, precision));
const read = (plane: Plane, kind: MeasureKind, points: Point[], offPlane = 0) =>
	ok(measure(plane, { kind, points, offPlane }));
const close = (got: number, wanted: number, share: number, what = '') =>
	assert.ok(Math.abs(got - wanted) <= share * Math.abs(wanted), `${what} ${got} is not ${wanted}`);

test('the homography agrees with an independent library on 200 random quadrilaterals', () => {
	const next = seeded(7);
	for (let round = 0; round < 200; round++) {
		const from = A4.map(([x, y]): Point => [x + next() * 90, y + next() * 60]);
		const to = A4.map(([x, y]): Point => [1000 + x * 9 + next() * 500, 700 + y * 7 + next() * 300]);
		const ours = homographyOf(from, to);
		const theirs = perspective(from.flat(), to.flat());
		for (const p of [
			[10, 20],
			[150, 100],
			[280, 190]
		] as Point[]) {
			const [x, y] = theirs.transform(...p);
			const { point } = project(ours, p);
			// It rounds its coefficients to ten digits.
			assert.ok(distance(point, [x, y]) < 1e-3, `round ${round}: ${point} and ${x},${y}`);
			assert.ok(distance(project(inverse(ours), point).point, p) < 1e-7);
		}
	}
});

test('a square to a trapezoid: the worked example of unit square to quadrilateral', () => {
	// Source: P. Heckbert, Fundamentals of Texture Mapping and Image Warping, 1989, section 2.2.3, formulas for
	// the unit square; worked here by hand for (0,0) (4,0) (3,2) (1,2): g = 0, h = 1, a = 4, b = 2, e = 4.
	const h = homographyOf(
		[
			[0, 0],
			[1, 0],
			[1, 1],
			[0, 1]
		],
		[
			[0, 0],
			[4, 0],
			[3, 2],
			[1, 2]
		]
	);
	const wanted = [4, 2, 0, 0, 4, 0, 0, 1, 1];
	h.forEach((value, i) => assert.ok(Math.abs(value - wanted[i]!) < 1e-9, `${i}: ${value}`));
});

test('more than four pairs: least squares lies between them', () => {
	const next = normals(seeded(3));
	const from = Array.from({ length: 25 }, (_, i): Point => [(i % 5) * 60, Math.floor(i / 5) * 40]);
	const to = from.map((p): Point => {
		const [x, y] = seen(CAMERA, p);
		return [x + next(), y + next()];
	});
	const h = homographyOf(to, from);
	const worst = Math.max(...from.map((p) => distance(project(h, seen(CAMERA, p)).point, p)));
	assert.ok(worst < 0.8, `${worst} mm`);
	assert.throws(() => homographyOf(from.slice(0, 3), to.slice(0, 3)), RangeError);
});

test('on a picture taken at 45°: lengths, angles, areas and circles within 0.5 %', () => {
	for (const turn of [0, 20, 90, 200]) {
		const camera = { ...CAMERA, turn };
		const plane = planeAt(camera);
		const at = (...ps: Point[]) => ps.map((p) => seen(camera, p));
		close(read(plane, 'length', at([20, 30], [220, 30])).value, 200, 0.005);
		close(read(plane, 'length', at([0, 0], [100, 0], [100, 150])).value, 250, 0.005);
		close(read(plane, 'angle', at([100, 0], [50, 50], [50, 120])).value, 135, 0.005);
		close(read(plane, 'area', at([0, 0], [120, 0], [120, 80], [0, 80])).value, 9600, 0.005);
		const rim = [0, 50, 140, 200, 290].map((a): Point => [
			150 + 60 * Math.cos((a * Math.PI) / 180),
			100 + 60 * Math.sin((a * Math.PI) / 180)
		]);
		close(read(plane, 'circle', at(...rim)).value, 120, 0.005);
		close(plane.camera.tilt, 45, 0.01, 'tilt');
	}
});

test('rectifying an A4 sheet gives the sides of ISO 216', () => {
	// ISO 216: A4 is 210 × 297 mm. Two other sheets lie in the picture too.
	const a4Known = KNOWN_RECTANGLES.find((r) => r.name === 'A4 sheet')!;
	assert.deepEqual([a4Known.width, a4Known.height], [297, 210]);
	const plane = planeAt({ ...CAMERA, tilt: 30 });
	const beside = (p: Point) => seen({ ...CAMERA, tilt: 30 }, p);
	close(read(plane, 'length', [beside([-60, 0]), beside([-60, 210])]).value, 210, 0.001);
	close(read(plane, 'length', [beside([-60, 0]), beside([237, 0])]).value, 297, 0.001);
});

test('of 500 sets of clicks the truth lies within ±2σ in 93 to 97 %', () => {
	const precision: Precision = { click: 2, reference: 0.3 };
	const rim = [10, 80, 150, 220, 300].map((a): Point => [
		150 + 45 * Math.cos((a * Math.PI) / 180),
		100 + 45 * Math.sin((a * Math.PI) / 180)
	]);
	const cases: [MeasureKind, Point[], number][] = [
		[
			'length',
			[
				[20, 30],
				[220, 30]
			],
			200
		],
		[
			'angle',
			[
				[100, 0],
				[50, 50],
				[50, 120]
			],
			135
		],
		[
			'area',
			[
				[20, 10],
				[180, 10],
				[180, 140],
				[20, 140]
			],
			20800
		],
		['circle', rim, 90]
	];
	for (const [kind, points, truth] of cases) {
		const next = normals(seeded(11));
		const shake = (p: Point): Point => [p[0] + precision.click * next(), p[1] + precision.click * next()];
		let inside = 0;
		for (let i = 0; i < 500; i++) {
			// The sheet is not cut to the hundredth either.
			const [w, h] = [297 + precision.reference * next(), 210 + precision.reference * next()];
			const reference = {
				...a4(
					CAMERA,
					A4.map((p) => shake(seen(CAMERA, p)))
				),
				width: w,
				height: h
			} as Reference;
			const plane = ok(calibrate(reference, PICTURE, precision));
			const { value, sigma } = read(
				plane,
				kind,
				points.map((p) => shake(seen(CAMERA, p)))
			);
			if (Math.abs(value - truth) <= 2 * sigma) inside++;
		}
		assert.ok(inside >= 465 && inside <= 485, `${kind}: ${inside / 5} %`);
	}
});

test('a known length and a standing figure give scale, and their doubt goes into the measure', () => {
	const reference: Reference = {
		kind: 'length',
		points: [
			[100, 100],
			[500, 100]
		],
		mm: 200
	};
	const plane = ok(calibrate(reference, PICTURE, { click: 0, reference: 4, tilt: 0 }, NO_LENS));
	const { value, sigma } = read(plane, 'length', [
		[0, 0],
		[0, 800]
	]);
	assert.equal(value, 400);
	// 4 mm in 200 is 2 %, and so is 8 in 400.
	close(sigma, 8, 1e-9);
	const figure: Reference = {
		kind: 'height',
		points: [
			[2000, 200],
			[2000, 2600]
		],
		mm: 1680
	};
	const standing = ok(calibrate(figure, PICTURE, { click: 2, reference: 5 }));
	// Common practice in drawing: a standing adult is seven to eight heads high.
	close(
		read(standing, 'heads', [
			[2000, 200],
			[2000, 520]
		]).value,
		7.5,
		1e-9
	);
	close(
		read(standing, 'length', [
			[2400, 1000],
			[2400, 2000]
		]).value,
		700,
		1e-9
	);
});

test('what stands off the plane reads too large by distance ÷ (distance − height), and is put right', () => {
	const camera = { ...CAMERA, tilt: 35, turn: 0 };
	const plane = planeAt(camera);
	// From the plane to the camera along the normal: 900 mm along the view.
	close(plane.camera.distance, 900 * Math.cos((35 * Math.PI) / 180), 0.01);
	assert.equal(plane.camera.assumed, false);
	const raised: Point[] = [seen(camera, [60, 80], 40), seen(camera, [240, 80], 40)];
	const naive = read(plane, 'length', raised);
	assert.ok(naive.value > 180 * 1.04);
	const put = read(plane, 'length', raised, 40);
	close(put.value, 180, 0.002);
	assert.ok(put.sigma > naive.sigma);
	assert.deepEqual(
		put.warnings.map((w) => w.code),
		['offPlane']
	);
	const far = read(plane, 'length', [seen(camera, [-350, 80]), seen(camera, [-300, 80])]);
	assert.equal(far.warnings.length, 0);
	const square = ok(calibrate(a4({ ...camera, tilt: 0 }), PICTURE, EXACT));
	assert.equal(square.camera.assumed, true, 'square on, the picture does not tell its lens');
});

test('a point far from the reference is warned of', () => {
	const small: Reference = {
		kind: 'length',
		points: [
			[100, 100],
			[150, 100]
		],
		mm: 50
	};
	const plane = ok(calibrate(small, PICTURE, { ...EXACT, tilt: 0 }, NO_LENS));
	const [warning] = read(plane, 'length', [
		[1000, 100],
		[1500, 100]
	]).warnings;
	assert.equal(warning!.code, 'farFromReference');
});

test('bad references and clicks are told apart', () => {
	const corners = (points: Point[]) => code(calibrate(a4(CAMERA, points), PICTURE, EXACT));
	assert.equal(
		corners([
			[100, 100],
			[900, 100],
			[100, 700],
			[900, 700]
		]),
		'cornersCross'
	);
	assert.equal(
		corners([
			[100, 100],
			[500, 100],
			[900, 100],
			[500, 700]
		]),
		'cornersInLine'
	);
	assert.equal(
		corners([
			[100, 100],
			[100, 100],
			[900, 700],
			[100, 700]
		]),
		'cornersInLine'
	);
	assert.equal(
		corners([
			[-5, 100],
			[900, 100],
			[900, 700],
			[100, 700]
		]),
		'offPicture'
	);
	const line = (points: [Point, Point], mm: number) =>
		code(calibrate({ kind: 'length', points, mm }, PICTURE, EXACT));
	assert.equal(
		line(
			[
				[5, 5],
				[5, 5]
			],
			100
		),
		'zeroLength'
	);
	assert.equal(
		line(
			[
				[5, 5],
				[9, 5]
			],
			0
		),
		'zeroLength'
	);
	assert.equal(
		code(
			calibrate(
				{
					kind: 'rectangle',
					points: A4.map(([x, y]): Point => [x + 10, y + 10]) as never,
					width: 0,
					height: 5
				},
				PICTURE,
				EXACT
			)
		),
		'zeroLength'
	);

	const steep = planeAt({ ...CAMERA, tilt: 84, turn: 0, distance: 500 });
	const upTo = (y: number) =>
		code(
			measure(steep, {
				kind: 'length',
				points: [
					[2000, 1500],
					[2000, y]
				],
				offPlane: 0
			})
		);
	// Its far side is above the horizon, one end of the picture only.
	assert.deepEqual([upTo(0), upTo(3000)].sort(), ['beyondHorizon', 'ok']);
	const plane = planeAt(CAMERA);
	const of = (kind: MeasureKind, points: Point[]) => code(measure(plane, { kind, points, offPlane: 0 }));
	assert.equal(of('length', [[1, 1]]), 'pointCount');
	assert.equal(
		of('angle', [
			[1, 1],
			[2, 2],
			[3, 1],
			[4, 4]
		]),
		'pointCount'
	);
	assert.equal(
		of('length', [
			[1, 1],
			[4001, 1]
		]),
		'offPicture'
	);
	assert.equal(
		of('length', [
			[10, 10],
			[10, 10]
		]),
		'samePoint'
	);
	assert.equal(
		of('circle', [
			[1000, 2000],
			[1100, 2000],
			[1200, 2000]
		]),
		'pointsInLine'
	);
	assert.equal(
		of('area', [
			[1000, 1000],
			[2000, 2000],
			[2000, 1000],
			[1000, 2000]
		]),
		'crossing'
	);
	assert.equal(
		of('heads', [
			[1000, 1000],
			[1000, 1200]
		]),
		'needsHeight'
	);
});

test('a circle through three points is exact, through many on a short arc not smaller', () => {
	const arc = (n: number, from: number, to: number, noise: () => number): Point[] =>
		Array.from({ length: n }, (_, i) => {
			const a = from + ((to - from) * i) / (n - 1);
			return [300 + 250 * Math.cos(a) + noise(), 80 + 250 * Math.sin(a) + noise()];
		});
	close(circleThrough(arc(3, 0, 1, () => 0)).radius, 250, 1e-9);
	const next = normals(seeded(5));
	let sum = 0;
	for (let i = 0; i < 60; i++) sum += circleThrough(arc(12, 0, 1.2, next)).radius;
	close(sum / 60, 250, 0.01);
});

test('readings combine by weight; disagreement widens the doubt', () => {
	// By hand: 10 ± 1 and 12 ± 2: weights 1 and 1/4, mean 10.4, σ = 1/√1.25; χ² = 0.16 + 0.64 = 0.8.
	const both = combine([
		{ value: 10, sigma: 1 },
		{ value: 12, sigma: 2 }
	]);
	close(both.value, 10.4, 1e-12);
	close(both.sigma, 1 / Math.sqrt(1.25), 1e-12);
	close(both.strays, Math.sqrt(0.8), 1e-12);
	const apart = combine([
		{ value: 10, sigma: 1 },
		{ value: 20, sigma: 1 }
	]);
	close(apart.strays, Math.sqrt(50), 1e-12);
	close(apart.sigma, Math.sqrt(50) / Math.SQRT2, 1e-12);
	assert.deepEqual(combine([{ value: 7, sigma: 0.5 }]), { value: 7, sigma: 0.5, count: 1, strays: 0 });
});

test('a flattened picture is to scale: drawn stripes come out at their places', () => {
	const camera: TestCamera = {
		width: 400,
		height: 300,
		focal: 290,
		tilt: 40,
		turn: 10,
		distance: 900,
		at: [150, 105]
	};
	const size = { width: 400, height: 300 };
	const plane = ok(calibrate(a4(camera), size, EXACT));
	// Painted from the truth: white, with a black band between x = 90 and 150 mm.
	const picture: Pixels = { ...size, data: new Uint8ClampedArray(400 * 300 * 4).fill(255) };
	for (let y = 0; y < 300; y++)
		for (let x = 0; x < 400; x++) {
			const { point } = project(plane.toPlane, [x + 0.5, y + 0.5]);
			if (point[0] > 90 && point[0] < 150) picture.data.fill(0, (y * 400 + x) * 4, (y * 400 + x) * 4 + 3);
		}
	const view = flatViewOf(plane.toPlane, size, plane.reference.points);
	const work = rectify(picture, plane.toPlane, view);
	let turn = work.next();
	const shares: number[] = [];
	while (!turn.done) {
		shares.push(turn.value);
		turn = work.next();
	}
	const flat = turn.value;
	assert.ok(shares.every((s, i) => s > (shares[i - 1] ?? 0) && s <= 1));
	const row = Math.round((105 - view.top) * view.pixelsPerMm);
	const dark = Array.from(
		{ length: flat.width },
		(_, x) => flat.data[(row * flat.width + x) * 4]! < 128 && flat.data[(row * flat.width + x) * 4 + 3]! > 0
	);
	const from = view.left + dark.indexOf(true) / view.pixelsPerMm;
	const to = view.left + (dark.lastIndexOf(true) + 1) / view.pixelsPerMm;
	assert.ok(Math.abs(from - 90) < 2 && Math.abs(to - 150) < 2, `${from} to ${to}`);
});
