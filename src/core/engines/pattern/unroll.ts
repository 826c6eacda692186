import type { Point, Point3 } from '../../units/point.ts';

const apart = (a: Point3, b: Point3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/**
 * A band of triangles between two lines in space, laid flat without stretching any of their sides.
 * @param lower @param upper as many points each
 * @returns the same points in the plane, mm; the lower line runs to the right, the upper one lies above it
 */
export function unroll(
	lower: readonly Point3[],
	upper: readonly Point3[]
): { lower: Point[]; upper: Point[] } {
	const flat = { lower: [[0, 0] as Point], upper: [[0, apart(lower[0]!, upper[0]!)] as Point] };
	for (let i = 1; i < lower.length; i++) {
		const [p, q] = [flat.lower[i - 1]!, flat.upper[i - 1]!];
		const next = third(p, q, apart(lower[i - 1]!, lower[i]!), apart(upper[i - 1]!, lower[i]!));
		flat.lower.push(next);
		flat.upper.push(third(next, q, apart(lower[i]!, upper[i]!), apart(upper[i - 1]!, upper[i]!)));
	}
	return flat;
}

/** The corner of a triangle to the right of the way from a to b. */
function third(a: Point, b: Point, fromA: number, fromB: number): Point {
	const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
	const long = Math.hypot(dx, dy);
	const along = (fromA * fromA - fromB * fromB + long * long) / (2 * long);
	const off = Math.sqrt(Math.max(0, fromA * fromA - along * along));
	const [ux, uy] = [dx / long, dy / long];
	return [a[0] + ux * along + uy * off, a[1] + uy * along - ux * off];
}
