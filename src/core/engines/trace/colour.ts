import type { Pixels } from '../plane/rectify.ts';
import { blurred, type Grey } from './contour.ts';
import type { Surfaces } from './mat.ts';

/** A picture in its three colours, 0 to 255, row by row from the top left. */
export interface Colours {
	width: number;
	height: number;
	/** Red, green, blue. */
	planes: readonly [Float32Array, Float32Array, Float32Array];
	/** 1 where the picture shows something. */
	shown: Uint8Array;
}
export type Colour = readonly [red: number, green: number, blue: number];
/** Lightness 0 to 100, and how far to red from green, to yellow from blue. */
export type Lab = readonly [l: number, a: number, b: number];

/** What the picture does not show is taken for the middle of what it does, in each colour. */
export function coloursOf({ data, width, height }: Pixels): Colours {
	const shown = new Uint8Array(width * height);
	let count = 0;
	for (let i = 0; i < shown.length; i++) if (data[4 * i + 3] !== 0) count += shown[i] = 1;
	const planes = [0, 1, 2].map((channel) => {
		const plane = new Float32Array(width * height);
		const bins = new Uint32Array(256);
		for (let i = 0; i < plane.length; i++) {
			if (!shown[i]) continue;
			plane[i] = data[4 * i + channel]!;
			bins[data[4 * i + channel]!]!++;
		}
		let [middle, below] = [0, 0];
		while (middle < 255 && below + bins[middle]! < count / 2) below += bins[middle++]!;
		if (count < plane.length) for (let i = 0; i < plane.length; i++) if (!shown[i]) plane[i] = middle;
		return plane;
	});
	return { width, height, planes: planes as unknown as Colours['planes'], shown };
}

export const smoothed = ({ width, height, planes, shown }: Colours): Colours => ({
	width,
	height,
	shown,
	planes: planes.map((data) => blurred(blurred({ width, height, data }, 1), 1).data) as never
});

/** Linear light of each of 256 steps (IEC 61966-2-1). */
const LINEAR = Float64Array.from({ length: 256 }, (_, i) => {
	const v = i / 255;
	return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
});
const linear = (v: number) => {
	const held = v < 0 ? 0 : v > 254.999 ? 254.999 : v;
	const i = Math.floor(held);
	return LINEAR[i]! + (LINEAR[i + 1]! - LINEAR[i]!) * (held - i);
};
const f = (t: number) => (t > 216 / 24389 ? Math.cbrt(t) : (24389 / 27 / 116) * t + 16 / 116);

/** CIE 1976 L*a*b* of a colour of a screen, white D65. Source: CIE 15:2004; matrix of IEC 61966-2-1. */
export function labOf([red, green, blue]: Colour): Lab {
	const [r, g, b] = [linear(red), linear(green), linear(blue)];
	const x = f((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505);
	const y = f(0.2126 * r + 0.7152 * g + 0.0722 * b);
	const z = f((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089);
	return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** The same f by steps, between which it is straight to 0.01 ΔE: three cube roots a pixel are what tracing would wait for. */
const STEPS = 2048;
const ROOTS = Float64Array.from({ length: STEPS + 2 }, (_, i) => f(i / STEPS));
const root = (t: number) => {
	const at = t < 0 ? 0 : t > 1 ? STEPS : t * STEPS;
	const i = Math.floor(at);
	return ROOTS[i]! + (ROOTS[i + 1]! - ROOTS[i]!) * (at - i);
};

/** ΔE*ab of 1976 between two colours. Written out, as it is asked of every pixel. */
export function apart(
	red: number,
	green: number,
	blue: number,
	otherRed: number,
	otherGreen: number,
	otherBlue: number
): number {
	const [r, g, b] = [linear(red), linear(green), linear(blue)];
	const [p, q, s] = [linear(otherRed), linear(otherGreen), linear(otherBlue)];
	const x = root((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505);
	const y = root(0.2126 * r + 0.7152 * g + 0.0722 * b);
	const z = root((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089);
	const u = root((0.4124 * p + 0.3576 * q + 0.1805 * s) / 0.9505);
	const v = root(0.2126 * p + 0.7152 * q + 0.0722 * s);
	const w = root((0.0193 * p + 0.1192 * q + 0.9505 * s) / 1.089);
	const [dl, da, db] = [116 * (y - v), 500 * (x - y - u + v), 200 * (y - z - v + w)];
	return Math.sqrt(dl * dl + da * da + db * db);
}

export const dot = (p: Colour, q: Colour): number => p[0] * q[0] + p[1] * q[1] + p[2] * q[2];
export const scaledBy = ([r, g, b]: Colour, by: number): Colour => [r * by, g * by, b * by];
export const colourAt = ({ planes }: Colours, i: number): Colour => [
	planes[0][i]!,
	planes[1][i]!,
	planes[2][i]!
];

/** The darkest that a shadow makes a mat, of its light. */
const DARKEST = 0.25;
/** Nearer than this in every colour it is the mat: no need to look closer. */
const SAME = 5;

/**
 * How far each pixel is from the mat, in ΔE: `plain`, and `byHue`, where a mat in shadow is the mat: of all that it may be from its
 * full light down, the nearest counts.
 * @param mat its own colour
 */
export function distancesFromMat(colours: Colours, mat: Surfaces): { plain: Grey; byHue: Grey } {
	const { width, height, planes, shown } = colours;
	const [reds, greens, blues] = planes;
	const plain = new Float32Array(width * height);
	const byHue = new Float32Array(width * height);
	for (let y = 0; y < height; y++) {
		const [kr, kg, kb] = mat.row(y) as [Row, Row, Row];
		for (let x = 0; x < width; x++) {
			const i = y * width + x;
			// What the picture does not show is no piece.
			if (!shown[i]) continue;
			const u = mat.across(x);
			const [r, g, b] = [reds[i]!, greens[i]!, blues[i]!];
			const p = kr[0] + u * (kr[1] + u * kr[2]);
			const q = kg[0] + u * (kg[1] + u * kg[2]);
			const s = kb[0] + u * (kb[1] + u * kb[2]);
			const most = Math.max(Math.abs(r - p), Math.abs(g - q), Math.abs(b - s));
			if (most < SAME) {
				plain[i] = byHue[i] = most * 0.4;
				continue;
			}
			plain[i] = apart(r, g, b, p, q, s);
			const share = (r * p + g * q + b * s) / (p * p + q * q + s * s);
			const light = share > 1 ? 1 : share < DARKEST ? DARKEST : share;
			byHue[i] = light === 1 ? plain[i]! : apart(r, g, b, p * light, q * light, s * light);
		}
	}
	return { plain: { width, height, data: plain }, byHue: { width, height, data: byHue } };
}
type Row = readonly [number, number, number];
