import { flatten, type Outline, type Point } from '../../src/core/pattern/outline.ts';
import type { Grey } from '../../src/core/trace/contour.ts';
import { random } from './outlines.ts';

/**
 * A synthetic photo of pieces on a mat, laid flat: edges by 4 × 4 samples a pixel, a lamp's light that falls off, a
 * soft shadow, and noise by the sum of uniform numbers.
 */
export function photoOf(
	pieces: readonly { outline: Outline; holes: readonly Outline[]; grey: number }[],
	{
		width,
		height,
		mmPerPx,
		mat = 90,
		shade = 45,
		noise = 8,
		seed = 1
	}: {
		width: number;
		height: number;
		mmPerPx: number;
		mat?: number;
		shade?: number;
		noise?: number;
		seed?: number;
	}
): Grey {
	const next = random(seed);
	const data = new Float32Array(width * height);
	const cover = new Float32Array(width * height);
	const tone = new Float32Array(width * height);
	const S = 4;
	for (const p of pieces) {
		const rings = [p.outline, ...p.holes].map((o) => flatten(o, 0.02).points);
		// Crossings of each sampled row, for the even-odd rule.
		for (let row = 0; row < height * S; row++) {
			const y = (height - 1 - (row + 0.5) / S + 0.5) * mmPerPx;
			const xs: number[] = [];
			for (const ring of rings)
				ring.forEach((a: Point, i) => {
					const b = ring[(i + 1) % ring.length]!;
					if (a[1] > y !== b[1] > y) xs.push(a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]));
				});
			xs.sort((a, b) => a - b);
			for (let k = 0; k + 1 < xs.length; k += 2)
				for (
					let s = Math.max(0, Math.ceil((xs[k]! / mmPerPx + 0.5) * S - 0.5));
					s < Math.min(width * S, (xs[k + 1]! / mmPerPx + 0.5) * S - 0.5);
					s++
				) {
					const at = Math.floor(row / S) * width + Math.floor(s / S);
					cover[at]! += 1 / (S * S);
					tone[at] = p.grey;
				}
		}
	}
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			const i = y * width + x;
			const [u, v] = [x / width, y / height];
			const light =
				1 -
				(shade / 255) * (u * 0.7 + v * 0.5) -
				(shade / 400) * Math.exp(-(((u - 0.8) / 0.5) ** 2) - ((v - 0.9) / 0.5) ** 2);
			const own = mat * (1 - cover[i]!) + tone[i]! * cover[i]!;
			data[i] = Math.max(0, Math.min(255, own * light + noise * (next() + next() + next() - 1.5)));
		}
	return { width, height, data };
}
