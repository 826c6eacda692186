import { Matrix, solve } from 'ml-matrix';
import type { MeasureKind, Reference, Taken } from '../../facts/picture.ts';
import { distance, type Point } from '../../units/point.ts';
import { type Homography, inverse, project } from './homography.ts';
import {
	bent,
	BORDER,
	lensOfLines,
	NO_LENS,
	type Lens,
	outwards,
	type Size,
	straightened,
	UNKNOWN_LENS
} from './lens.ts';
import { offLine } from './line.ts';
import { type Tilted, tiltedPlanes } from './tilt.ts';
import { type Camera, cameraOf, offPlaneFactor } from './camera.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { planeOf } from './reference.ts';

export const LEAST_POINTS: Record<MeasureKind, number> = {
	length: 2,
	circle: 3,
	angle: 3,
	area: 3,
	heads: 2,
	straight: 3
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
	/** Of how far off square a picture with one known length was taken, about each axis, degrees. */
	tilt?: number;
}

/**
 * How far off square a picture may have been taken, about each axis, one standard deviation, degrees: drawn or scanned; with care; by
 * hand over a table, which holds for one in a hundred that is tilted by more than 33°. Starting values, from memory.
 */
export const TILT: Record<Taken, number> = { flat: 0, level: 4, hand: 11 };

/** What is known of a picture's lens: from its straight lines, else nothing; what is drawn or scanned has none. */
export function lensOf(
	{ taken, width, height, clickPx }: Size & { taken: Taken; clickPx: number },
	lines: readonly (readonly Point[])[]
): Lens {
	const told = lines.length ? lensOfLines(lines, { width, height }, clickPx) : null;
	if (told?.ok) return told.value;
	return taken === 'flat' ? NO_LENS : UNKNOWN_LENS;
}

export type MeasureWarning =
	| { code: 'farFromReference'; times: number }
	| { code: 'offPlane'; percent: number; assumed: boolean }
	/** Of the doubt, what comes of not knowing how slantwise the picture was taken: four corners would tell. */
	| { code: 'tiltUnknown'; percent: number }
	/** An edge was marked as straight, and all that are do not tell the lens. */
	| { code: 'linesTellNothing' }
	/** The reference lies where a lens bends most, and nobody has marked what is straight. */
	| { code: 'referenceAtBorder' };

export interface Measured {
	/** mm, degrees, mm² or heads. */
	value: number;
	/** One standard deviation, in the same unit. */
	sigma: number;
	warnings: MeasureWarning[];
}

/** One way in which the picture may be read: how it lies on the plane, and by which lens. */
interface View {
	toPlane: Homography;
	k: number;
	reference: Reference;
}

/** A calibrated picture: the plane, and the planes that it might have been. */
export interface Plane extends View {
	picture: Size;
	precision: Precision;
	lens: Lens;
	/** For each uncertain input: the plane when it is one deviation more, and less. */
	variants: readonly { more: View; less: View }[];
	/** Planes that it may be too, where the reference does not tell the slant, by their weights. */
	tilted: readonly Tilted[];
	camera: Camera;
}

/** Where points of the picture lie on the plane, mm. */
export const onPlane = (view: Pick<Plane, 'toPlane' | 'k' | 'picture'>, points: readonly Point[]): Point[] =>
	points.map((p) => project(view.toPlane, straightened(p, view.picture, view.k)).point);

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

const withPoints = (reference: Reference, to: (p: Point) => Point): Reference =>
	({ ...reference, points: reference.points.map(to) }) as unknown as Reference;

/**
 * Calibrates a picture.
 * @param picture its size in pixels
 * @param lens what is known of it
 * @returns the plane, or `offPicture`, `zeroLength`, `cornersInLine`, `cornersCross`
 */
export function calibrate(
	reference: Reference,
	picture: Size,
	precision: Precision,
	lens: Lens = UNKNOWN_LENS
): Parsed<Plane> {
	if (reference.points.some((p) => !onPicture(p, picture))) return bad('offPicture');
	const viewOf = (reference: Reference, k: number): Parsed<View> => {
		const plane = planeOf(withPoints(reference, (p) => straightened(p, picture, k)));
		return plane.ok ? good({ toPlane: plane.value, k, reference }) : plane;
	};
	const view = viewOf(reference, lens.k);
	if (!view.ok) return view;
	const variants: Plane['variants'][number][] = [];
	const pairs = [
		...variantsOf(reference, precision).map(([a, b]) => [viewOf(a, lens.k), viewOf(b, lens.k)] as const),
		[viewOf(reference, lens.k + lens.sigma), viewOf(reference, lens.k - lens.sigma)] as const
	];
	for (const [more, less] of pairs) {
		// A reference so small that one click more or less makes it nothing gives no scale.
		if (!more.ok || !less.ok) return bad('referenceTooSmall');
		variants.push({ more: more.value, less: less.value });
	}
	const straight = withPoints(reference, (p) => straightened(p, picture, lens.k));
	return good({
		...view.value,
		picture,
		precision,
		lens,
		variants,
		tilted: straight.kind === 'rectangle' ? [] : tiltedPlanes(straight, picture, precision.tilt ?? TILT.hand),
		camera: cameraOf(view.value.toPlane, straight, picture)
	});
}

export const onPicture = ([x, y]: Point, { width, height }: Size): boolean =>
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
	const { picture } = plane;
	const at = ({ toPlane, k, reference }: View, ps: readonly Point[]) =>
		valueOn(kind, onPlane({ toPlane, k, picture }, ps), reference);
	const value = at(plane, points);
	let variance = 0;
	for (const { more, less } of plane.variants) variance += ((at(more, points) - at(less, points)) / 2) ** 2;
	const { click } = plane.precision;
	points.forEach((_, i) => {
		for (const axis of [0, 1] as const) {
			const more = at(plane, nudged(points, i, axis, click));
			const less = at(plane, nudged(points, i, axis, -click));
			variance += ((more - less) / 2) ** 2;
		}
	});
	// A tilt works by its square as well: not by differences, but by how far off each of its planes is.
	const slant = plane.tilted.reduce((sum, { toPlane, weight }) => {
		const tilted = { ...plane, toPlane };
		return sum + weight * (beyondHorizon(tilted, points) ? value : at(tilted, points) - value) ** 2;
	}, 0);
	const warnings: MeasureWarning[] = [];
	const percent = (200 * Math.sqrt(slant)) / value;
	if (kind !== 'straight' && percent > SLANT_WORTH_TELLING) warnings.push({ code: 'tiltUnknown', percent });
	if (
		plane.lens.sigma >= UNKNOWN_LENS.sigma &&
		plane.reference.points.some((p) => outwards(p, picture) > BORDER)
	)
		warnings.push({ code: 'referenceAtBorder' });
	if (kind === 'straight' && plane.lens.sigma >= UNKNOWN_LENS.sigma)
		warnings.push({ code: 'linesTellNothing' });
	return good(withOffPlane(plane, what, value, Math.sqrt(variance + slant), warnings));
}

/** Percent of a measure. */
const SLANT_WORTH_TELLING = 2;

/** How the value grows with the scale of what is measured: an area by its square, an angle not at all. */
const POWER: Record<MeasureKind, number> = { length: 1, circle: 1, area: 2, angle: 0, heads: 0, straight: 1 };

/**
 * A thing `offPlane` nearer to the camera, parallel to the plane, is seen larger by distance ÷
 * (distance − offPlane): exact for a pinhole camera. How sure the distance is goes into the deviation.
 */
function withOffPlane(
	plane: Plane,
	{ kind, offPlane, points }: PictureMeasure,
	value: number,
	sigma: number,
	warnings: MeasureWarning[]
): Measured {
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
	const reference = onPlane(plane, plane.reference.points);
	const middle = mean(reference);
	const size = Math.max(...reference.map((p) => distance(p, middle)));
	return Math.max(...onPlane(plane, points).map((p) => distance(p, middle))) / size;
}

const mean = (points: readonly Point[]): Point => [
	points.reduce((sum, p) => sum + p[0], 0) / points.length,
	points.reduce((sum, p) => sum + p[1], 0) / points.length
];

function beyondHorizon(plane: Plane, points: readonly Point[]): boolean {
	const side = (p: Point) => Math.sign(project(plane.toPlane, straightened(p, plane.picture, plane.k)).w);
	return points.some((p) => side(p) !== side(plane.reference.points[0]));
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
		case 'straight':
			return Math.max(...offLine(points).map(Math.abs));
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
	const { centre, radius } = circleThrough(onPlane(plane, points));
	const back = inverse(plane.toPlane);
	return Array.from({ length: 64 }, (_, i) => {
		const turn = (2 * Math.PI * i) / 64;
		const rim: Point = [centre[0] + radius * Math.cos(turn), centre[1] + radius * Math.sin(turn)];
		return bent(project(back, rim).point, plane.picture, plane.k);
	});
}
