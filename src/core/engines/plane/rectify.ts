import { distance, type Point } from '../../units/point.ts';
import { bent } from './lens.ts';
import { inverse, project, type Homography, nineOf } from './homography.ts';

export interface Pixels {
	/** Red, green, blue, alpha of each pixel, row by row. */
	data: Uint8ClampedArray;
	width: number;
	height: number;
}

/** A piece of the plane, mm, and how many pixels a mm it is drawn with. */
export interface FlatView {
	left: number;
	top: number;
	width: number;
	height: number;
	pixelsPerMm: number;
}

/** The longest side of a flat view, pixels. */
const LONGEST = 3000;
/** How far the view reaches beyond the reference, in sizes of it: farther out a slant picture smears. */
const REACH = 2;

/**
 * The part of the plane that the picture shows, no farther than twice the reference's size from it, with
 * about as many pixels as the picture has there.
 */
export function flatViewOf(
	toPlane: Homography,
	picture: { width: number; height: number },
	reference: readonly Point[]
): FlatView {
	const known = reference.map((p) => project(toPlane, p).point);
	const [minX, maxX] = [Math.min(...known.map((p) => p[0])), Math.max(...known.map((p) => p[0]))];
	const [minY, maxY] = [Math.min(...known.map((p) => p[1])), Math.max(...known.map((p) => p[1]))];
	const reach = REACH * Math.max(maxX - minX, maxY - minY);
	const side = Math.sign(project(toPlane, reference[0]!).w);
	const seen: Point[] = [];
	for (let i = 0; i <= 40; i++)
		for (let j = 0; j <= 40; j++) {
			const { point, w } = project(toPlane, [(picture.width * i) / 40, (picture.height * j) / 40]);
			if (Math.sign(w) === side) seen.push(point);
		}
	const clamp = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value));
	const xs = seen.map((p) => clamp(p[0], minX - reach, maxX + reach));
	const ys = seen.map((p) => clamp(p[1], minY - reach, maxY + reach));
	const [left, top] = [Math.min(...xs), Math.min(...ys)];
	const [width, height] = [Math.max(...xs) - left, Math.max(...ys) - top];
	return { left, top, width, height, pixelsPerMm: finest(around(reference) / around(known), width, height) };
}
/** Round through the points and back. */
const around = (points: readonly Point[]) =>
	points.reduce((sum, p, i) => sum + distance(p, points[(i + 1) % points.length]!), 0);
/** No finer than the picture is, and no larger than can be worked with. */
const finest = (pixelsPerMm: number, width: number, height: number) =>
	Math.min(pixelsPerMm, LONGEST / Math.max(width, height));

/**
 * The picture as if seen square on, to scale: every pixel of the flat view looks up where it lies in the
 * picture, between its four neighbours there. Yields the share done after every few rows, so that the caller
 * can show progress and stop. About 60 ns a pixel.
 * @param lens the radial term that it bends by
 */
export function* rectify(
	picture: Pixels,
	toPlane: Homography,
	view: FlatView,
	lens = 0
): Generator<number, Pixels> {
	const width = Math.max(1, Math.round(view.width * view.pixelsPerMm));
	const height = Math.max(1, Math.round(view.height * view.pixelsPerMm));
	const out = new Uint8ClampedArray(width * height * 4);
	const back = inverse(toPlane);
	const [a, b, c, d, e, f, g, h, i] = nineOf(back);
	const behind = Math.sign(project(back, [view.left + view.width / 2, view.top + view.height / 2]).w);
	for (let row = 0; row < height; row++) {
		const y = view.top + (row + 0.5) / view.pixelsPerMm;
		for (let column = 0; column < width; column++) {
			const x = view.left + (column + 0.5) / view.pixelsPerMm;
			const w = g * x + h * y + i;
			if (w * behind <= 0) continue;
			const straight: Point = [(a * x + b * y + c) / w, (d * x + e * y + f) / w];
			const [u, v] = lens === 0 ? straight : bent(straight, picture, lens);
			sample(picture, u - 0.5, v - 0.5, out, (row * width + column) * 4);
		}
		if (row % 64 === 63) yield (row + 1) / height;
	}
	return { data: out, width, height };
}

/** Between four pixels; outside of the picture it stays clear. */
function sample(
	{ data, width, height }: Pixels,
	x: number,
	y: number,
	out: Uint8ClampedArray,
	at: number
): void {
	const [x0, y0] = [Math.floor(x), Math.floor(y)];
	if (x0 < -1 || y0 < -1 || x0 >= width || y0 >= height) return;
	const [fx, fy] = [x - x0, y - y0];
	const left = Math.max(0, x0);
	const right = Math.min(width - 1, x0 + 1);
	const upper = Math.max(0, y0) * width;
	const lower = Math.min(height - 1, y0 + 1) * width;
	for (let channel = 0; channel < 4; channel++) {
		const top = data[(upper + left) * 4 + channel]! * (1 - fx) + data[(upper + right) * 4 + channel]! * fx;
		const bottom = data[(lower + left) * 4 + channel]! * (1 - fx) + data[(lower + right) * 4 + channel]! * fx;
		out[at + channel] = top * (1 - fy) + bottom * fy;
	}
}

/** A point of the plane in a flat view: mm from its lower left corner, y up. */
export const inView = ([x, y]: Point, { left, top, height }: FlatView): Point => [x - left, top + height - y];

/** The flat view of what lies between the corners of the reference, a little inside of them. */
export function withinReference(toPlane: Homography, reference: readonly Point[]): FlatView {
	const known = reference.map((p) => project(toPlane, p).point);
	const span = (axis: 0 | 1) => {
		const values = known.map((p) => p[axis]);
		const [low, high] = [Math.min(...values), Math.max(...values)];
		const inset = (high - low) * 0.015;
		return [low + inset, high - low - 2 * inset] as const;
	};
	const [[left, width], [top, height]] = [span(0), span(1)];
	return {
		left,
		top,
		width,
		height,
		pixelsPerMm: finest(around(reference) / around(known), width, height)
	};
}
