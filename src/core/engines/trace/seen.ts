import { alongStretch, distance, type Point } from '../../units/point.ts';
import { goesRound } from '../pattern/outline.ts';
import type { Pixels } from '../plane/rectify.ts';
import { coloursOf, distancesFromMat, smoothed, type Colour, type Colours } from './colour.ts';
import { contours, greyOf, type Grey } from './contour.ts';
import { labelled, shareOfPieces, type Laid } from './laid.ts';
import { atBorder, matSurfaces, type IsMat } from './mat.ts';
import { grown } from './strokes.ts';

/** The least that drawn lines must differ from the paper, of 255 steps of grey. */
const LEAST_CONTRAST = 14;
/** A sharp edge comes out about three pixels wide, after the smoothing against noise. */
export const SHARP_PX = 7;
/** From so far to so far beside a known rectangle is mat, mm. */
const BESIDE = [4, 25] as const;
/** What is only darker than the mat is looked at where it is so far off, ΔE. */
const DARK = 14;

/** The level between two kinds of values that parts them best (N. Otsu, 1979), and the mean of both kinds. */
export function otsu(values: Float32Array): { level: number; low: number; high: number } {
	let most = 0;
	for (let i = 0; i < values.length; i++) most = Math.max(most, values[i]!);
	most ||= 1;
	const bins = new Float64Array(256);
	for (let i = 0; i < values.length; i++) bins[Math.min(255, Math.floor((values[i]! / most) * 256))]!++;
	const total = values.length;
	const all = bins.reduce((sum, n, i) => sum + n * i, 0);
	let [count, sum, best, low, high] = [0, 0, -1, 0, 0];
	for (let i = 0; i < 255; i++) {
		count += bins[i]!;
		sum += bins[i]! * i;
		if (count === 0 || count === total) continue;
		const [m0, m1] = [sum / count, (all - sum) / (total - count)];
		const between = count * (total - count) * (m0 - m1) ** 2;
		if (between > best) [best, low, high] = [between, m0, m1];
	}
	const scale = most / 256;
	return { level: ((low + high) / 2 + 0.5) * scale, low: (low + 0.5) * scale, high: (high + 0.5) * scale };
}

/** How wide the change at an outline is, px: the contrast over the steepness there, in the middle of all. */
function softnessOf(off: Grey, lines: readonly (readonly Point[])[], contrast: number): number {
	const { width, height, data } = off;
	const every = Math.max(1, Math.floor(lines.reduce((n, l) => n + l.length, 0) / 2000));
	const steep: number[] = [];
	for (const line of lines)
		for (let i = 0; i < line.length; i += every) {
			const [x, y] = [Math.round(line[i]![0]), Math.round(line[i]![1])];
			if (x < 1 || y < 1 || x >= width - 1 || y >= height - 1) continue;
			const at = y * width + x;
			steep.push(Math.hypot(data[at + 1]! - data[at - 1]!, data[at + width]! - data[at - width]!) / 2);
		}
	steep.sort((a, b) => a - b);
	return contrast / Math.max(1e-3, steep[Math.floor(steep.length / 2)] ?? contrast);
}

/** What a picture shows as pieces, before their outlines are drawn. */
export interface Seen {
	/** What the outlines run round, at `level`. */
	field: Grey;
	level: number;
	contrast: number;
	/** How wide the change from mat to piece is, px. */
	soft: number;
	/** Of what is laid on a mat. */
	laid: OnMat | null;
}

export interface OnMat {
	colours: Colours;
	matAt: (x: number, y: number) => Colour;
	its: Laid;
	/** How far each pixel is from the mat, ΔE. */
	off: Grey;
	/** Whether the mat in shadow was taken for mat. */
	shadows: boolean;
}

/** Lines drawn on paper: what is darker or lighter than its light. */
export function seenDrawn(picture: Pixels, gapPx: number): Seen | null {
	const grey = greyOf(picture);
	const light = matSurfaces(grey, [grey.data], atBorder(grey));
	let field: Grey = { ...grey, data: new Float32Array(grey.data.length) };
	for (let y = 0; y < grey.height; y++) {
		const [[a, b, c]] = light.row(y) as [readonly [number, number, number]];
		for (let x = 0; x < grey.width; x++) {
			const i = y * grey.width + x;
			field.data[i] = Math.abs(grey.data[i]! - (a + light.across(x) * (b + light.across(x) * c)));
		}
	}
	const { level, low, high } = otsu(field.data);
	if (high - low < LEAST_CONTRAST) return null;
	if (gapPx > 0) field = grown(field, gapPx);
	const contrast = high - low;
	return { field, level, contrast, soft: softnessOf(field, contours(field, level), contrast), laid: null };
}

/**
 * Above it a pixel may be piece: half as much again as what is mat strays, its printed grid included, which takes some six of a hundred
 * pixels; at least a little.
 */
function matLevel({ width, height, data }: Grey, isMat: IsMat): number {
	const all = new Float32Array(Math.ceil(height / 2) * Math.ceil(width / 2));
	let n = 0;
	for (let y = 0; y < height; y += 2)
		for (let x = 0; x < width; x += 2) if (isMat(x, y)) all[n++] = data[y * width + x]!;
	const strays = all.subarray(0, n).sort();
	return Math.max(5, Math.min(12, 1.5 * (strays[Math.floor(strays.length * 0.94)] ?? 0)));
}

/** What is beside a known rectangle that lies among the pieces, mm, y up. */
function besideKnown(known: readonly Point[], height: number, mmPerPx: number): IsMat {
	return (x, y) => {
		const at: Point = [(x + 0.5) * mmPerPx, (height - 0.5 - y) * mmPerPx];
		if (goesRound(known, at)) return false;
		const off = Math.min(
			...known.map((a, i) => {
				const b = known[(i + 1) % known.length]!;
				const t = alongStretch(at, a, b);
				return distance(at, [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]);
			})
		);
		return off > BESIDE[0] && off < BESIDE[1];
	};
}

/**
 * Pieces on a mat: what differs from it in colour, its shadows taken for mat wherever hue tells them apart; where something lies by
 * itself that is only darker, what differs in brightness too.
 */
export function seenLaid(
	picture: Pixels,
	{ mmPerPx, speck, known }: { mmPerPx: number; speck: number; known?: readonly Point[] | null }
): Seen | null {
	const colours = smoothed(coloursOf(picture));
	const isMat = known ? besideKnown(known, picture.height, mmPerPx) : atBorder(picture);
	const mat = matSurfaces(colours, colours.planes, isMat);
	const matAt = (x: number, y: number) => mat.at(x, y) as unknown as Colour;
	const least = Math.max(9, speck / mmPerPx ** 2);
	const seen = (off: Grey, shadows: boolean): Seen | null => {
		const level = matLevel(off, isMat);
		const its = shareOfPieces(colours, matAt, off, level, least);
		if (!its) return null;
		const contrast = its.patches.reduce((a, b) => (b.pixels > a.pixels ? b : a)).off;
		const soft = softnessOf(off, contours(off, contrast / 2), contrast);
		const laid = { colours, matAt, its, off, shadows };
		// What is that soft is not so much of this and of that within a few pixels.
		return soft > SHARP_PX
			? { field: off, level: contrast / 2, contrast, soft, laid }
			: { field: its.share, level: 0.5, contrast, soft, laid };
	};
	const { plain, byHue: hued } = distancesFromMat(colours, mat);
	const byHue = seen(hued, true);
	const dark = Math.max(DARK, 2 * matLevel(plain, isMat));
	if (byHue && !liesByItself(labelled(plain, dark), byHue.laid!.its.label, least)) return byHue;
	return seen(plain, false) ?? byHue;
}

/** Whether one of the patches of what is darker lies where there is nothing of another hue: then it is no shadow of that. */
function liesByItself(dark: Int32Array, hued: Int32Array, least: number): boolean {
	const pixels: number[] = [];
	const touches = new Set<number>();
	dark.forEach((d, i) => {
		if (d < 0) return;
		pixels[d] = (pixels[d] ?? 0) + 1;
		if (hued[i]! >= 0) touches.add(d);
	});
	return pixels.some((n, d) => n >= least && !touches.has(d));
}
