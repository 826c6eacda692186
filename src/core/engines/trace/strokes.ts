import { offset } from '../pattern/allowance.ts';
import { polygon } from '../pattern/outline.ts';
import { distance, type Point } from '../../units/point.ts';
import type { Grey } from './contour.ts';

/** The largest value within so many pixels across and down: dark lines grow, and gaps between them close. */
export function grown({ width, height, data }: Grey, radius: number): Grey {
	const across = new Float32Array(data.length);
	const out = new Float32Array(data.length);
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			let most = 0;
			for (let k = Math.max(0, x - radius); k <= Math.min(width - 1, x + radius); k++)
				most = Math.max(most, data[y * width + k]!);
			across[y * width + x] = most;
		}
	for (let y = 0; y < height; y++) {
		const [from, to] = [Math.max(0, y - radius), Math.min(height - 1, y + radius)];
		for (let k = from; k <= to; k++)
			for (let x = 0; x < width; x++)
				out[y * width + x] = Math.max(out[y * width + x]!, across[k * width + x]!);
	}
	return { width, height, data: out };
}

export const twiceArea = (points: readonly Point[]) =>
	points.reduce((sum, p, i) => {
		const q = points[(i + 1) % points.length]!;
		return sum + p[0] * q[1] - q[0] * p[1];
	}, 0);
const around = (points: readonly Point[]) =>
	points.reduce((sum, p, i) => sum + distance(p, points[(i + 1) % points.length]!), 0);

/**
 * Of lines drawn on paper, what they enclose: the inside of each stroke, grown to the middle of it. A stroke is as wide as
 * its area over half of what goes round it.
 */
export function enclosed(rings: readonly Point[][], spacing: number): Point[][] {
	const inside = rings.filter((r) => twiceArea(r) > 0);
	const strokes = rings.reduce((sum, r) => sum - twiceArea(r) / 2, 0);
	const width =
		(2 * strokes) /
		Math.max(
			1e-9,
			rings.reduce((sum, r) => sum + around(r), 0)
		);
	return inside.map((ring) => resampled(offset(polygon(ring), width / 2), spacing));
}

/** The same line with its points so far apart, as a contour has them. */
function resampled(points: readonly Point[], spacing: number): Point[] {
	const out: Point[] = [];
	let left = 0;
	points.forEach((p, i) => {
		const q = points[(i + 1) % points.length]!;
		const long = distance(p, q);
		for (; left < long; left += spacing)
			out.push([p[0] + ((q[0] - p[0]) * left) / long, p[1] + ((q[1] - p[1]) * left) / long]);
		left -= long;
	});
	return out;
}
