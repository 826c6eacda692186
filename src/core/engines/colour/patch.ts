import type { Lab } from '../../units/lab.ts';
import type { Point } from '../../units/point.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { difference } from './difference.ts';
import { labOf } from './lab.ts';

/** Red, green, blue and opacity of each pixel, row by row, 0 to 255. */
export interface Picture {
	data: ArrayLike<number>;
	width: number;
	height: number;
}
export interface Patch {
	/** The mean of its light. */
	lab: Lab;
	/** How far its pixels stray from that, ΔE00 in the mean. */
	spread: number;
	pixels: number;
	/** Share of its pixels that are as bright, or as dark, as the picture goes: there the camera did not see the colour. */
	clipped: number;
}

type Rgb = [number, number, number];
const linear = (v: number) => (v > 10.31475 ? ((v / 255 + 0.055) / 1.055) ** 2.4 : v / 255 / 12.92);
const companded = (v: number) => 255 * (v > 0.0031308 ? 1.055 * v ** (1 / 2.4) - 0.055 : v * 12.92);
const labOfLight = (light: Rgb): Lab => labOf(light.map(companded) as Rgb);

/** The light of each pixel of a disc; whole pixels whose middle lies in it. */
function* disc({ data, width, height }: Picture, [cx, cy]: Point, radius: number): Generator<[Rgb, boolean]> {
	for (let y = Math.max(0, Math.floor(cy - radius)); y <= Math.min(height - 1, cy + radius); y++)
		for (let x = Math.max(0, Math.floor(cx - radius)); x <= Math.min(width - 1, cx + radius); x++) {
			if ((x + 0.5 - cx) ** 2 + (y + 0.5 - cy) ** 2 > radius ** 2) continue;
			const at = 4 * (y * width + x);
			const rgb = [data[at]!, data[at + 1]!, data[at + 2]!] as const;
			if (data[at + 3]! < 128) continue;
			yield [
				[linear(rgb[0]), linear(rgb[1]), linear(rgb[2])],
				rgb.some((v) => v >= 255) || rgb.every((v) => v <= 0)
			];
		}
}

function meanOf(lights: readonly Rgb[]): Rgb {
	const sum: Rgb = [0, 0, 0];
	for (const light of lights) for (const k of [0, 1, 2] as const) sum[k] += light[k] / lights.length;
	return sum;
}

/**
 * The colour of a patch of a picture, by the mean of its light; what is neutral in truth takes the picture’s own tint out of it: each
 * channel is scaled so that the neutral has no colour and is as light as before.
 *
 * @param centre pixels from the top left
 * @param radius pixels, at least a half
 * @param neutral middle of a patch, of the same size, that is grey or white in truth
 * @returns a problem for a patch that is off the picture, and for a neutral that is black or burnt out
 */
export function measurePatch(
	picture: Picture,
	centre: Point,
	radius: number,
	neutral: Point | null = null
): Parsed<Patch> {
	const found = [...disc(picture, centre, radius)];
	if (found.length === 0) return bad('patchOffPicture');
	let gains: Rgb = [1, 1, 1];
	if (neutral) {
		const grey = [...disc(picture, neutral, radius)];
		if (grey.length === 0) return bad('patchOffPicture');
		const mean = meanOf(grey.map(([light]) => light));
		const y = 0.2126 * mean[0] + 0.7152 * mean[1] + 0.0722 * mean[2];
		if (Math.min(...mean) < 0.01 || grey.filter(([, clipped]) => clipped).length > grey.length / 2)
			return bad('neutralUnusable');
		gains = mean.map((v) => y / v) as Rgb;
	}
	const lights = found.map(([light]) => light.map((v, k) => Math.min(1, v * gains[k]!)) as Rgb);
	const lab = labOfLight(meanOf(lights));
	const strays = lights.reduce((sum, light) => sum + difference(labOfLight(light), lab), 0);
	return good({
		lab,
		spread: strays / lights.length,
		pixels: lights.length,
		clipped: found.filter(([, clipped]) => clipped).length / found.length
	});
}
