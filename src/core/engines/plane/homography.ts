import { Matrix, SVD } from 'ml-matrix';
import { distance, type Point } from '../../units/point.ts';

/** A 3×3 matrix, row by row, that takes homogeneous points of one plane to another. */
export type Homography = readonly number[];

/**
 * The point's image, and its third coordinate: its sign changes at the horizon, beyond which a point of
 * the picture does not lie on the plane at all.
 */
export function project(h: Homography, [x, y]: Point): { point: Point; w: number } {
	const w = h[6]! * x + h[7]! * y + h[8]!;
	return { point: [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w], w };
}

/** Moves the middle of the points to the origin and their mean distance from it to √2. */
function normaliser(points: readonly Point[]): Matrix {
	const n = points.length;
	const cx = points.reduce((sum, p) => sum + p[0], 0) / n;
	const cy = points.reduce((sum, p) => sum + p[1], 0) / n;
	const mean = points.reduce((sum, p) => sum + distance(p, [cx, cy]), 0) / n;
	const s = Math.SQRT2 / mean;
	return new Matrix([
		[s, 0, -s * cx],
		[0, s, -s * cy],
		[0, 0, 1]
	]);
}

/**
 * The homography that takes `from` to `to`, by the normalised direct linear transform: exact for four
 * pairs, least squares for more.
 * Source: R. Hartley, A. Zisserman, Multiple View Geometry in Computer Vision, 2nd ed., algorithm 4.2.
 *
 * @param from at least four points, no three of them in line
 * @param to as many points
 * @throws RangeError when there are fewer than four pairs
 */
export function homographyOf(from: readonly Point[], to: readonly Point[]): Homography {
	if (from.length < 4 || from.length !== to.length)
		throw new RangeError('needs four pairs of points or more');
	const [a, b] = [normaliser(from), normaliser(to)];
	const rows: number[][] = [];
	from.forEach((p, i) => {
		const { point: u } = project(a.to1DArray(), p);
		const { point: v } = project(b.to1DArray(), to[i]!);
		rows.push([0, 0, 0, -u[0], -u[1], -1, v[1] * u[0], v[1] * u[1], v[1]]);
		rows.push([u[0], u[1], 1, 0, 0, 0, -v[0] * u[0], -v[0] * u[1], -v[0]]);
	});
	// The last right singular vector; a row of zeros makes the matrix square, so that there are nine.
	if (rows.length === 8) rows.push([0, 0, 0, 0, 0, 0, 0, 0, 0]);
	const v = new SVD(new Matrix(rows)).rightSingularVectors.getColumn(8);
	const normalised = new Matrix([v.slice(0, 3), v.slice(3, 6), v.slice(6, 9)]);
	const inverseB = new Matrix(invert3(b.to1DArray(), true));
	const h = inverseB.mmul(normalised).mmul(a).to1DArray();
	const scale = Math.abs(h[8]!) > 1e-12 * Math.max(...h.map(Math.abs)) ? h[8]! : 1;
	return h.map((value) => value / scale);
}

/** The homography back. */
export function inverse(h: Homography): Homography {
	return invert3(h, false).flat();
}

type Nine = [number, number, number, number, number, number, number, number, number];
/** Row by row. */
export const nineOf = (matrix: readonly number[]): Nine => [...matrix] as Nine;

/** By cofactors; `exact` divides by the determinant, which a homography does not need. */
function invert3(m: readonly number[], exact: boolean): number[][] {
	const [a, b, c, d, e, f, g, h, i] = nineOf(m);
	const rows = [
		[e * i - f * h, c * h - b * i, b * f - c * e],
		[f * g - d * i, a * i - c * g, c * d - a * f],
		[d * h - e * g, b * g - a * h, a * e - b * d]
	];
	const det = a * rows[0]![0]! + b * rows[1]![0]! + c * rows[2]![0]!;
	const by = exact ? det : Math.sign(det) || 1;
	return rows.map((row) => row.map((value) => value / by));
}
