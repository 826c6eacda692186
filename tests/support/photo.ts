import { homographyOf, project } from '../../src/core/engines/plane/homography.ts';
import type { Pixels } from '../../src/core/engines/plane/rectify.ts';
import { circle, flatten, placedOutline } from '../../src/core/engines/pattern/outline.ts';
import type { Outline } from '../../src/core/facts/piece.ts';
import type { Point } from '../../src/core/units/point.ts';
import type { Grey } from '../../src/core/engines/trace/contour.ts';
import { blob, random } from './outlines.ts';

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
			const y = (height - (row + 0.5) / S) * mmPerPx;
			const xs: number[] = [];
			for (const ring of rings)
				ring.forEach((a: Point, i) => {
					const b = ring[(i + 1) % ring.length]!;
					if (a[1] > y !== b[1] > y) xs.push(a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]));
				});
			xs.sort((a, b) => a - b);
			for (let k = 0; k + 1 < xs.length; k += 2)
				for (
					let s = Math.max(0, Math.ceil((xs[k]! / mmPerPx) * S - 0.5));
					s < Math.min(width * S, (xs[k + 1]! / mmPerPx) * S - 0.5);
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
			const its = mat * (1 - cover[i]!) + tone[i]! * cover[i]!;
			data[i] = Math.max(0, Math.min(255, its * light + noise * (next() + next() + next() - 1.5)));
		}
	return { width, height, data };
}

/** Where a camera sees points of a mat whose middle it looks at: tilted about the mat's long side, `from` mm away. */
export function cameraAt(
	{ wide, high }: { wide: number; high: number },
	photo: { width: number; height: number },
	tilt: number,
	from: number
): (p: Point) => Point {
	const angle = (tilt * Math.PI) / 180;
	// The long side fills nine tenths of the picture where the mat is nearest.
	const nearest = from - (high / 2) * Math.sin(angle);
	const focal = (0.9 * photo.width * nearest) / wide;
	return ([x, y]) => {
		const [dx, dy] = [x - wide / 2, y - high / 2];
		const depth = from + dy * Math.sin(angle);
		return [
			photo.width / 2 + (focal * dx) / depth,
			photo.height / 2 - (focal * dy * Math.cos(angle)) / depth
		];
	};
}

/**
 * A synthetic photo of pieces on a mat, taken at a slant. The mat is drawn square on with lamp and shadow (as `photoOf`,
 * without noise), a dark table around it; then every pixel of the photo looks up, between four pixels, where its ray
 * meets the mat. Noise comes last, as a camera's does. Corners are told as careful clicks tell them: to a whole pixel.
 */
export function slantPhotoOf(
	pieces: Parameters<typeof photoOf>[0],
	{
		wide,
		high,
		width,
		height,
		tilt = 30,
		from = 1400,
		mmPerPx = 0.2,
		noise = 8,
		seed = 1,
		...light
	}: {
		wide: number;
		high: number;
		width: number;
		height: number;
		tilt?: number;
		from?: number;
		mmPerPx?: number;
		noise?: number;
		seed?: number;
		mat?: number;
		shade?: number;
	}
): { photo: Pixels; corners: Point[] } {
	const flat = photoOf(pieces, {
		...light,
		width: Math.round(wide / mmPerPx),
		height: Math.round(high / mmPerPx),
		mmPerPx,
		noise: 0
	});
	const see = cameraAt({ wide, high }, { width, height }, tilt, from);
	// From the upper left round, y of the mat up.
	const round: Point[] = [
		[0, high],
		[wide, high],
		[wide, 0],
		[0, 0]
	];
	const seen = round.map(see);
	const back = homographyOf(seen, round);
	const data = new Uint8ClampedArray(width * height * 4);
	const next = random(seed);
	const TABLE = 40;
	for (let row = 0; row < height; row++)
		for (let column = 0; column < width; column++) {
			const [x, y] = project(back, [column + 0.5, row + 0.5]).point;
			const [u, v] = [x / mmPerPx - 0.5, flat.height - 1 - (y / mmPerPx - 0.5)];
			const [u0, v0] = [Math.floor(u), Math.floor(v)];
			let grey = TABLE;
			if (x >= 0 && y >= 0 && x <= wide && y <= high) {
				const at = (i: number, j: number) =>
					flat.data[
						Math.max(0, Math.min(flat.height - 1, j)) * flat.width + Math.max(0, Math.min(flat.width - 1, i))
					]!;
				const [fu, fv] = [u - u0, v - v0];
				grey =
					(at(u0, v0) * (1 - fu) + at(u0 + 1, v0) * fu) * (1 - fv) +
					(at(u0, v0 + 1) * (1 - fu) + at(u0 + 1, v0 + 1) * fu) * fv;
			}
			const its = grey + noise * (next() + next() + next() - 1.5);
			const i = (row * width + column) * 4;
			data[i] = data[i + 1] = data[i + 2] = its;
			data[i + 3] = 255;
		}
	return {
		photo: { data, width, height },
		corners: seen.map(([x, y]): Point => [Math.round(x), Math.round(y)])
	};
}

/** Twelve pieces on a mat of 1100 × 800 mm: curved, straight, round, two with a hole. */
export function twelvePieces(): Parameters<typeof photoOf>[0] {
	return Array.from({ length: 12 }, (_, i) => {
		const [x, y] = [145 + 270 * (i % 4), 130 + 265 * Math.floor(i / 4)];
		const at = (o: Outline) => placedOutline(o, { move: [x, y] });
		const its = i % 4 === 3 ? circle([0, 0], 70 + 5 * i) : blob(i + 3, i % 4 === 2);
		return {
			outline: at(its),
			holes: i === 0 || i === 5 ? [at(circle([0, 0], 20, true))] : [],
			grey: 200 + 2 * i
		};
	});
}
