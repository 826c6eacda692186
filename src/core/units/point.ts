/** mm; x to the right, y up. */
export type Point = readonly [number, number];

/** Three dimensions, mm, z up. */
export type Point3 = readonly [number, number, number];

export const distance = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

/** How far along from a to b, 0 to 1, the point of that stretch lies that is nearest to p. */
export function alongStretch(p: Point, a: Point, b: Point): number {
	const long = distance(a, b) ** 2;
	const t = long ? ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / long : 0;
	return Math.max(0, Math.min(1, t));
}
