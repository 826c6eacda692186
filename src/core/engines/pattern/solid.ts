import type { Point3 } from '../../units/point.ts';

/** A level round of points, closed. */
export const round = (radius: number, z: number, parts = 48): Point3[] =>
	Array.from({ length: parts + 1 }, (_, i): Point3 => {
		const a = (2 * Math.PI * i) / parts;
		return [radius * Math.cos(a), radius * Math.sin(a), z];
	});

/** Lines down a surface of revolution, `n` of them. `radiusAt` by z. */
export const meridians = (
	n: number,
	profile: readonly (readonly [radius: number, z: number])[]
): Point3[][] =>
	Array.from({ length: n }, (_, i) => {
		const a = (2 * Math.PI * i) / n;
		return profile.map(([r, z]): Point3 => [r * Math.cos(a), r * Math.sin(a), z]);
	});

/** The twelve edges of a box. */
export function boxLines(width: number, depth: number, height: number): Point3[][] {
	const level = (z: number): Point3[] => [
		[0, 0, z],
		[width, 0, z],
		[width, depth, z],
		[0, depth, z],
		[0, 0, z]
	];
	const posts = level(0)
		.slice(0, 4)
		.map(([x, y]): Point3[] => [
			[x, y, 0],
			[x, y, height]
		]);
	return [level(0), level(height), ...posts];
}

/** As drawn: seen from the front right and from above, x to the right and y up, mm. */
export const projected = (lines: readonly (readonly Point3[])[]): [number, number][][] => {
	const [turn, tilt] = [(-30 * Math.PI) / 180, (22 * Math.PI) / 180];
	return lines.map((line) =>
		line.map(([x, y, z]) => {
			const across = x * Math.cos(turn) - y * Math.sin(turn);
			const away = x * Math.sin(turn) + y * Math.cos(turn);
			return [across, z * Math.cos(tilt) + away * Math.sin(tilt)];
		})
	);
};
