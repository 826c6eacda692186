import type { Pixels } from '../../src/core/engines/plane/rectify.ts';
import type { Colour } from '../../src/core/engines/trace/colour.ts';
import type { Point } from '../../src/core/units/point.ts';
import { random } from './outlines.ts';

/** What is laid over what was there: a colour, or a shadow that leaves so much of the light. */
export interface Layer {
	rings: readonly (readonly Point[])[];
	colour?: Colour;
	keeps?: number;
}

/** A flat view of a mat with layers on it, 2 × 2 samples a pixel, a lamp that falls off towards one corner, and noise. */
export function matPhoto(
	layers: readonly Layer[],
	{
		wide,
		high,
		mmPerPx,
		mat,
		noise = 6,
		shade = 0.2
	}: { wide: number; high: number; mmPerPx: number; mat: Colour; noise?: number; shade?: number }
): Pixels {
	const [width, height] = [Math.round(wide / mmPerPx), Math.round(high / mmPerPx)];
	const S = 2;
	const fine = new Float32Array(width * S * height * S * 3);
	for (let i = 0; i < fine.length; i++) fine[i] = mat[i % 3]!;
	for (const { rings, colour, keeps = 1 } of layers) {
		const ys = rings.flatMap((ring) => ring.map((p) => p[1]));
		const [low, top] = [Math.min(...ys), Math.max(...ys)];
		for (let row = 0; row < height * S; row++) {
			const y = high - ((row + 0.5) / S) * mmPerPx;
			if (y < low || y > top) continue;
			const xs = rings
				.flatMap((ring) =>
					ring.flatMap((a, i) => {
						const b = ring[(i + 1) % ring.length]!;
						return a[1] > y !== b[1] > y ? [a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])] : [];
					})
				)
				.sort((a, b) => a - b);
			for (let k = 0; k + 1 < xs.length; k += 2)
				for (
					let s = Math.max(0, Math.ceil((xs[k]! / mmPerPx) * S - 0.5));
					s < Math.min(width * S, (xs[k + 1]! / mmPerPx) * S - 0.5);
					s++
				)
					for (let c = 0; c < 3; c++) {
						const at = (row * width * S + s) * 3 + c;
						fine[at] = colour ? colour[c]! : fine[at]! * keeps;
					}
		}
	}
	const next = random(3);
	const data = new Uint8ClampedArray(width * height * 4);
	for (let y = 0; y < height; y++)
		for (let x = 0; x < width; x++) {
			const light = 1 - shade * (0.6 * (x / width) + 0.4 * (y / height));
			for (let c = 0; c < 3; c++) {
				let sum = 0;
				for (let j = 0; j < S; j++)
					for (let i = 0; i < S; i++) sum += fine[((y * S + j) * width * S + x * S + i) * 3 + c]!;
				data[(y * width + x) * 4 + c] = (sum / (S * S)) * light + noise * (next() + next() + next() - 1.5);
			}
			data[(y * width + x) * 4 + 3] = 255;
		}
	return { data, width, height };
}

/**
 * What a camera straight above `foot`, `far` up, sees of a block that stands `tall` on the mat, laid on the mat: its sides, then its
 * top, which is moved out from the foot by far ÷ (far − tall). Closed form.
 */
export function blockSeen(
	ring: readonly Point[],
	tall: number,
	{ foot, far, top, side }: { foot: Point; far: number; top: Colour; side: Colour }
): Layer[] {
	const by = far / (far - tall);
	const raised = ring.map(([x, y]): Point => [foot[0] + (x - foot[0]) * by, foot[1] + (y - foot[1]) * by]);
	const sides = ring.map((p, i): Layer => {
		const j = (i + 1) % ring.length;
		return { rings: [[p, ring[j]!, raised[j]!, raised[i]!]], colour: side };
	});
	return [{ rings: [ring], colour: side }, ...sides, { rings: [raised], colour: top }];
}
