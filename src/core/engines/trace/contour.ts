import type { Pixels } from '../plane/rectify.ts';
import type { Point } from '../../units/point.ts';

/** A picture in grey, row by row from the top left. */
export interface Grey {
	width: number;
	height: number;
	/** 0 black to 255 white. */
	data: Float32Array;
}

/**
 * The grey of a picture (luma of ITU-R BT.601). What the picture does not show is taken for the middle of what it does:
 * neither light nor dark.
 */
export function greyOf({ data, width, height }: Pixels): Grey {
	const grey = new Float32Array(width * height);
	const bins = new Uint32Array(256);
	for (let i = 0; i < grey.length; i++) {
		if (data[4 * i + 3] === 0) continue;
		grey[i] = 0.299 * data[4 * i]! + 0.587 * data[4 * i + 1]! + 0.114 * data[4 * i + 2]!;
		bins[Math.round(grey[i]!)]!++;
	}
	const shown = bins.reduce((a, b) => a + b, 0);
	let [middle, below] = [0, 0];
	while (middle < 255 && below + bins[middle]! < shown / 2) below += bins[middle++]!;
	for (let i = 0; i < grey.length; i++) if (data[4 * i + 3] === 0) grey[i] = middle;
	return { width, height, data: grey };
}

/** A mean over the square of so many pixels to every side, by running sums; the border repeats. */
export function blurred({ width, height, data }: Grey, radius: number): Grey {
	const across = new Float32Array(data.length);
	const out = new Float32Array(data.length);
	const n = 2 * radius + 1;
	const clamp = (i: number, most: number) => (i < 0 ? 0 : i > most ? most : i);
	for (let y = 0; y < height; y++) {
		const row = y * width;
		let sum = 0;
		for (let k = -radius; k <= radius; k++) sum += data[row + clamp(k, width - 1)]!;
		// Near the border what lies beyond is its last pixel; between, nothing is asked.
		const [left, right] = [Math.min(radius, width), Math.max(0, width - radius - 1)];
		const near = (x: number) =>
			data[row + clamp(x + radius + 1, width - 1)]! - data[row + clamp(x - radius, width - 1)]!;
		let x = 0;
		for (; x < left; x++) {
			across[row + x] = sum / n;
			sum += near(x);
		}
		for (; x < right; x++) {
			across[row + x] = sum / n;
			sum += data[row + x + radius + 1]! - data[row + x - radius]!;
		}
		for (; x < width; x++) {
			across[row + x] = sum / n;
			sum += near(x);
		}
	}
	// Down all columns at once: row by row is how the memory lies.
	const sums = new Float64Array(width);
	const add = (y: number, sign: number) => {
		const row = clamp(y, height - 1) * width;
		for (let x = 0; x < width; x++) sums[x]! += sign * across[row + x]!;
	};
	for (let k = -radius; k <= radius; k++) add(k, 1);
	for (let y = 0; y < height; y++) {
		for (let x = 0; x < width; x++) out[y * width + x] = sums[x]! / n;
		add(y + radius + 1, 1);
		add(y - radius, -1);
	}
	return { width, height, data: out };
}

/**
 * Lines of equal level round what is above it, by marching squares (W. Lorensen and H. Cline's marching cubes of 1987 in
 * the plane), between pixels by straight interpolation. Beyond the border lies nothing.
 * @returns closed lines in pixels, y down, what is above the level to their left as seen with y down
 */
export function contours({ width, height, data }: Grey, level: number): Point[][] {
	const at = (x: number, y: number) =>
		x < 0 || y < 0 || x >= width || y >= height ? level - 1e3 : data[y * width + x]!;
	// Each cell has its corners at pixel centres; a crossing lies on a side between two of them. It is keyed by the
	// pixel that the side begins at, and whether it goes across or down.
	const w = width + 2;
	const key = (x: number, y: number, down: number) => ((y + 1) * w + x + 1) * 2 + down;
	const next = new Map<number, number>();
	const place = new Map<number, Point>();
	const share = (a: number, b: number) => (a === b ? 0.5 : (level - a) / (b - a));
	for (let y = -1; y < height; y++)
		for (let x = -1; x < width; x++) {
			if (x >= 0 && y >= 0 && x < width - 1 && y < height - 1) {
				// Most cells are plainly within or without: told first, and without a call.
				const i = y * width + x;
				const above = data[i]! >= level;
				if (
					above === data[i + 1]! >= level &&
					above === data[i + width]! >= level &&
					above === data[i + width + 1]! >= level
				)
					continue;
			}
			const [a, b, c, d] = [at(x, y), at(x + 1, y), at(x + 1, y + 1), at(x, y + 1)];
			const kind = (a >= level ? 1 : 0) | (b >= level ? 2 : 0) | (c >= level ? 4 : 0) | (d >= level ? 8 : 0);
			if (kind === 0 || kind === 15) continue;
			const top = key(x, y, 0);
			const right = key(x + 1, y, 1);
			const bottom = key(x, y + 1, 0);
			const left = key(x, y, 1);
			if (a >= level !== b >= level) place.set(top, [x + clamped(share(a, b)), y]);
			if (b >= level !== c >= level) place.set(right, [x + 1, y + clamped(share(b, c))]);
			if (d >= level !== c >= level) place.set(bottom, [x + clamped(share(d, c)), y + 1]);
			if (a >= level !== d >= level) place.set(left, [x, y + clamped(share(a, d))]);
			const middle = (a + b + c + d) / 4 >= level;
			const go = (from: number, to: number) => next.set(from, to);
			switch (kind) {
				case 1:
					go(top, left);
					break;
				case 2:
					go(right, top);
					break;
				case 3:
					go(right, left);
					break;
				case 4:
					go(bottom, right);
					break;
				case 5:
					if (middle) {
						go(top, right);
						go(bottom, left);
					} else {
						go(top, left);
						go(bottom, right);
					}
					break;
				case 6:
					go(bottom, top);
					break;
				case 7:
					go(bottom, left);
					break;
				case 8:
					go(left, bottom);
					break;
				case 9:
					go(top, bottom);
					break;
				case 10:
					if (middle) {
						go(left, top);
						go(right, bottom);
					} else {
						go(right, top);
						go(left, bottom);
					}
					break;
				case 11:
					go(right, bottom);
					break;
				case 12:
					go(left, right);
					break;
				case 13:
					go(top, right);
					break;
				case 14:
					go(left, top);
					break;
			}
		}
	const lines: Point[][] = [];
	while (next.size) {
		const [first] = next.keys();
		const line: Point[] = [];
		let k = first!;
		while (next.has(k)) {
			line.push(place.get(k)!);
			const to = next.get(k)!;
			next.delete(k);
			k = to;
		}
		if (line.length > 2) lines.push(line);
	}
	return lines;
}
/** The border stands for nothing at all: a crossing there lies half way. */
const clamped = (s: number) => (s < 0.02 ? 0.02 : s > 0.98 ? 0.98 : s);
