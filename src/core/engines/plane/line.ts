import type { Point } from '../../units/point.ts';

/** The straight line that lies nearest to points, through their middle: total least squares. */
export function lineThrough(points: readonly Point[]): { at: Point; along: Point } {
	const n = points.length;
	const at: Point = [points.reduce((s, p) => s + p[0], 0) / n, points.reduce((s, p) => s + p[1], 0) / n];
	let [xx, xy, yy] = [0, 0, 0];
	for (const [x, y] of points) {
		xx += (x - at[0]) ** 2;
		xy += (x - at[0]) * (y - at[1]);
		yy += (y - at[1]) ** 2;
	}
	const angle = Math.atan2(2 * xy, xx - yy) / 2;
	return { at, along: [Math.cos(angle), Math.sin(angle)] };
}

/** How far each point lies off that line, with its side. */
export function offLine(points: readonly Point[]): number[] {
	const { at, along } = lineThrough(points);
	return points.map((p) => (p[1] - at[1]) * along[0] - (p[0] - at[0]) * along[1]);
}
