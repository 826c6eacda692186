import { Matrix, solve } from 'ml-matrix';
import type { MeasureKind, Reference } from '../../facts/picture.ts';
import { distance, type Point } from '../../units/point.ts';
import { type Homography, inverse, project } from './homography.ts';
import { type Camera, cameraOf, offPlaneFactor } from './camera.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { planeOf } from './reference.ts';

export const LEAST_POINTS: Record<MeasureKind, number> = {
	length: 2,
	circle: 3,
	angle: 3,
	area: 3,
	heads: 2
};
const MOST_POINTS: Partial<Record<MeasureKind, number>> = { angle: 3, heads: 2 };

export interface PictureMeasure {
	kind: MeasureKind;
	/** Pixels of the picture. */
	points: readonly Point[];
	/** How far the thing stands off the reference's plane, mm towards the camera. */
	offPlane: number;
}

/** How sure the inputs are: standard deviations. */
export interface Precision {
	/** Of a click, in pixels of the picture, in x and in y. */
	click: number;
	/** Of the known lengths of the reference, mm. */
	reference: number;
}

export type MeasureWarning =
	{ code: 'farFromReference'; times: number } | { code: 'offPlane'; percent: number; assumed: boolean };

export interface Measured {
	/** mm, degrees, mm² or heads. */
	value: number;
	/** One standard deviation, in the same unit. */
	sigma: number;
	warnings: MeasureWarning[];
}

/** A calibrated picture: the plane, and the planes that it might have been. */
export interface Plane {
	reference: Reference;
	picture: { width: number; height: number };
	precision: Precision;
	toPlane: Homography;
	/** For each uncertain input of the reference: the plane when it is one deviation more, and less. */
	variants: readonly { more: Homography; less: Homography; reference: readonly [Reference, Reference] }[];
	camera: Camera;
}

const nudged = (points: readonly Point[], i: number, axis: 0 | 1, by: number): Point[] =>
	points.map((p, j) => (j !== i ? p : axis === 0 ? [p[0] + by, p[1]] : [p[0], p[1] + by]));

/** The reference with each of its uncertain inputs moved by one deviation up and down. */
function variantsOf(reference: Reference, { click, reference: mm }: Precision): [Reference, Reference][] {
	const pairs = reference.points.flatMap((_, i) =>
		([0, 1] as const).map((axis): [Reference, Reference] => {
			const at = (by: number) =>
				({ ...reference, points: nudged(reference.points, i, axis, by) }) as unknown as Reference;
			return [at(click), at(-click)];
		})
	);
	if (mm === 0) return pairs;
	const known = reference.kind === 'rectangle' ? (['width', 'height'] as const) : (['mm'] as const);
	for (const key of known) {
		const at = (by: number) =>
			({ ...reference, [key]: (reference as never as Record<string, number>)[key]! + by }) as Reference;
		pairs.push([at(mm), at(-mm)]);
	}
	return pairs;
}

/**
 * Calibrates a picture.
 * @param picture its size in pixels
 * @returns the plane, or `offPicture`, `zeroLength`, `cornersInLine`, `cornersCross`
 */
export function calibrate(
	reference: Reference,
	picture: { width: number; height: number },
	precision: Precision
): Parsed<Plane> {
	if (reference.points.some((p) => !onPicture(p, picture))) return bad('offPicture');
	const plane = planeOf(reference);
	if (!plane.ok) return plane;
	const variants: Plane['variants'][number][] = [];
	for (const pair of variantsOf(reference, precision)) {
		const [more, less] = [planeOf(pair[0]), planeOf(pair[1])];
		// A reference so small that one click more or less makes it nothing gives no scale.
		if (!more.ok || !less.ok) return bad('referenceTooSmall');
		variants.push({ more: more.value, less: less.value, reference: pair });
	}
	return good({
		reference,
		picture,
		precision,
		toPlane: plane.value,
		variants,
		camera: cameraOf(plane.value, reference, picture)
	});
}

export const onPicture = ([x, y]: Point, { width, height }: { width: number; height: number }): boolean =>
	x >= 0 && y >= 0 && x <= width && y <= height;

/**
 * Measures on the plane. The deviation is propagated to first order from every click and every known
 * length, by central differences one deviation to each side.
 * Source: JCGM 100:2008 (GUM), 5.1.2, uncorrelated inputs.
 * @returns or `offPicture`, `beyondHorizon`, `tooFewPoints`, `samePoint`, `pointsInLine`, `crossing`, `needsHeight`
 */
export function measure(plane: Plane, what: PictureMeasure): Parsed<Measured> {
	const { points, kind } = what;
	if (points.length < LEAST_POINTS[kind] || points.length > (MOST_POINTS[kind] ?? Infinity))
		return bad('pointCount', { least: LEAST_POINTS[kind] });
	if (points.some((p) => !onPicture(p, plane.picture))) return bad('offPicture');
	if (kind === 'heads' && plane.reference.kind !== 'height') return bad('needsHeight');
	if (beyondHorizon(plane, points)) return bad('beyondHorizon');
	const checked = checkShape(kind, points);
	if (!checked.ok) return checked;
	const at = (h: Homography, ps: readonly Point[], reference: Reference) =>
		valueOn(
			kind,
			ps.map((p) => project(h, p).point),
			reference
		);
	const value = at(plane.toPlane, points, plane.reference);
	let variance = 0;
	for (const v of plane.variants)
		variance += ((at(v.more, points, v.reference[0]) - at(v.less, points, v.reference[1])) / 2) ** 2;
	const { click } = plane.precision;
	points.forEach((_, i) => {
		for (const axis of [0, 1] as const) {
			const more = at(plane.toPlane, nudged(points, i, axis, click), plane.reference);
			const less = at(plane.toPlane, nudged(points, i, axis, -click), plane.reference);
			variance += ((more - less) / 2) ** 2;
		}
	});
	return good(withOffPlane(plane, what, value, Math.sqrt(variance)));
}

/** How the value grows with the scale of what is measured: an area by its square, an angle not at all. */
const POWER: Record<MeasureKind, number> = { length: 1, circle: 1, area: 2, angle: 0, heads: 0 };

/**
 * A thing `offPlane` nearer to the camera, parallel to the plane, is seen larger by distance ÷
 * (distance − offPlane): exact for a pinhole camera. How sure the distance is goes into the deviation.
 */
function withOffPlane(
	plane: Plane,
	{ kind, offPlane, points }: PictureMeasure,
	value: number,
	sigma: number
): Measured {
	const warnings: MeasureWarning[] = [];
	const times = farAway(plane, points);
	if (times > 3) warnings.push({ code: 'farFromReference', times });
	if (offPlane === 0 || POWER[kind] === 0) return { value, sigma, warnings };
	const { distance: far, relativeSigma, assumed } = plane.camera;
	const factor = offPlaneFactor(plane.camera, offPlane) ** POWER[kind];
	const slope = (POWER[kind] * value * offPlane) / far;
	warnings.push({ code: 'offPlane', percent: (1 / factor - 1) * 100, assumed });
	return { value: value * factor, sigma: Math.hypot(sigma * factor, slope * relativeSigma), warnings };
}

/** How many sizes of the reference the farthest point lies from its middle. */
function farAway(plane: Plane, points: readonly Point[]): number {
	const at = (p: Point) => project(plane.toPlane, p).point;
	const reference = plane.reference.points.map(at);
	const middle = mean(reference);
	const size = Math.max(...reference.map((p) => distance(p, middle)));
	return Math.max(...points.map((p) => distance(at(p), middle))) / size;
}

const mean = (points: readonly Point[]): Point => [
	points.reduce((sum, p) => sum + p[0], 0) / points.length,
	points.reduce((sum, p) => sum + p[1], 0) / points.length
];

function beyondHorizon(plane: Plane, points: readonly Point[]): boolean {
	const side = Math.sign(project(plane.toPlane, plane.reference.points[0]).w);
	return points.some((p) => Math.sign(project(plane.toPlane, p).w) !== side);
}

function checkShape(kind: MeasureKind, points: readonly Point[]): Parsed<true> {
	const closed = kind === 'area';
	const sides = points.map((p, i) => [p, points[(i + 1) % points.length]!] as const);
	if ((closed || kind === 'circle' ? sides : sides.slice(0, -1)).some(([p, q]) => distance(p, q) === 0))
		return bad('samePoint');
	if (kind === 'circle' && inLine(points)) return bad('pointsInLine');
	if (closed)
		for (let i = 0; i < sides.length; i++)
			for (let j = i + 2; j < sides.length; j++)
				if (!(i === 0 && j === sides.length - 1) && cross(sides[i]!, sides[j]!)) return bad('crossing');
	return good(true);
}

const turn = (p: Point, q: Point, r: Point) => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
const inLine = (points: readonly Point[]) =>
	points
		.slice(2)
		.every(
			(p) =>
				Math.abs(turn(points[0]!, points[1]!, p)) <
				1e-3 * distance(points[0]!, points[1]!) * distance(points[0]!, p)
		);
const cross = ([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]) =>
	turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;

/** The value of points that lie on the plane, in mm, degrees, mm² or heads. */
export function valueOn(kind: MeasureKind, points: readonly Point[], reference?: Reference): number {
	switch (kind) {
		case 'length':
			return points.slice(1).reduce((sum, p, i) => sum + distance(points[i]!, p), 0);
		case 'angle': {
			const [a, b, c] = points as [Point, Point, Point];
			const between = Math.atan2(c[1] - b[1], c[0] - b[0]) - Math.atan2(a[1] - b[1], a[0] - b[0]);
			return (Math.acos(Math.cos(between)) * 180) / Math.PI;
		}
		case 'area':
			return Math.abs(
				points.reduce((sum, p, i) => {
					const q = points[(i + 1) % points.length]!;
					return sum + (p[0] * q[1] - q[0] * p[1]) / 2;
				}, 0)
			);
		case 'circle':
			return 2 * circleThrough(points).radius;
		case 'heads':
			return (
				(reference === undefined || reference.kind === 'rectangle' ? NaN : reference.mm) /
				distance(points[0]!, points[1]!)
			);
	}
}

/**
 * The circle nearest to the points: an algebraic fit (Kåsa), then Gauss–Newton steps on the true distances,
 * because the algebraic one comes out small on short arcs. Exact for three points.
 */
export function circleThrough(points: readonly Point[]): { centre: Point; radius: number } {
	const [mx, my] = mean(points);
	const rows = points.map((p) => [p[0] - mx, p[1] - my, 1]);
	const squares = points.map((p) => [(p[0] - mx) ** 2 + (p[1] - my) ** 2]);
	const [a, b, c] = solve(new Matrix(rows), new Matrix(squares), true).to1DArray() as [
		number,
		number,
		number
	];
	let [x, y, r] = [a / 2, b / 2, Math.sqrt(c + (a * a + b * b) / 4)];
	for (let i = 0; points.length > 3 && i < 12; i++) {
		const away = points.map((p) => Math.hypot(p[0] - mx - x, p[1] - my - y));
		const jacobian = points.map((p, j) => [-(p[0] - mx - x) / away[j]!, -(p[1] - my - y) / away[j]!, -1]);
		const step = solve(new Matrix(jacobian), new Matrix(away.map((d) => [r - d])), true).to1DArray();
		x += step[0]!;
		y += step[1]!;
		r += step[2]!;
		if (Math.hypot(...step) < 1e-9 * r) break;
	}
	return { centre: [x + mx, y + my], radius: r };
}

/** The fitted circle as it looks in the picture: 64 points of its rim. */
export function circleOnPicture(plane: Plane, points: readonly Point[]): Point[] {
	const { centre, radius } = circleThrough(points.map((p) => project(plane.toPlane, p).point));
	const back = inverse(plane.toPlane);
	return Array.from({ length: 64 }, (_, i) => {
		const turn = (2 * Math.PI * i) / 64;
		return project(back, [centre[0] + radius * Math.cos(turn), centre[1] + radius * Math.sin(turn)]).point;
	});
}
