import { piecesFromWays, type Way } from '../pattern/loops.ts';
import { distance, type Point } from '../../units/point.ts';
import { flatten, goesRound } from '../pattern/outline.ts';
import type { Outline, Piece } from '../../facts/piece.ts';
import type { Pixels } from '../plane/rectify.ts';
import { bad, good, problem, type Parsed, type Problem } from '../../units/problem.ts';
import { coloursOf, distanceFromMat, smoothed, type Colour, type Colours } from './colour.ts';
import { contours, greyOf, type Grey } from './contour.ts';
import { curved } from './curves.ts';
import { laidDown, type Above } from './high.ts';
import { labelled, shareOfPieces, unlike, type Laid } from './laid.ts';
import { matSurfaces, type Surfaces } from './mat.ts';
import { enclosed, grown, twiceArea } from './strokes.ts';

export const LOOKS = ['laid', 'drawn'] as const;
/** Pieces that lie on a mat, or pieces drawn on paper as lines. */
export type Look = (typeof LOOKS)[number];

export interface TraceOptions {
	/** Of one pixel of the flat view, mm. */
	mmPerPx: number;
	/** Less than this is a speck, mm². */
	speck: number;
	/** The curve strays from what was seen by at most this, mm. */
	tolerance: number;
	look?: Look;
	/** Of drawn lines: gaps up to this are closed, mm, so that dashes become a line. */
	gap?: number;
	/** Of drawn lines: a closed line in a piece is a line on it, unless this is false: then it is a hole. */
	innerLines?: boolean;
	/** How high what is laid stands above the mat, mm, and from where it was seen; without that it is taken as flat. */
	high?: number;
	above?: Above | null;
	/** The known rectangle that lies on the mat among the pieces, mm, y up: what is beside it is mat. Without one the border of the view is. */
	known?: readonly Point[] | null;
}

export interface Traced {
	pieces: Piece[];
	specks: number;
	/** Steps between what was traced and what it lies on: of grey where it is drawn, ΔE where it is laid. */
	contrast: number;
	/** How wide the change from one to the other is, mm: twice what a blurred edge may be off. */
	softness: number;
	/** Whether that is more than a sharp picture shows. */
	blurred: boolean;
	/** What may not be as it looks. */
	warnings: Problem[];
}

/** The least that drawn lines must differ from the paper, of 255 steps of grey. */
const LEAST_CONTRAST = 14;
/** A sharp edge comes out about three pixels wide, after the smoothing against noise. */
const SHARP_PX = 7;
/** An edge less wide than this is good enough to cut by, mm. */
const SHARP_MM = 2;
/** From so far to so far beside a known rectangle is mat, mm. */
const BESIDE = [4, 25] as const;
/** A piece is looked at so far within its edge, and the mat so far beyond it, mm. */
const ASIDE = 3;
/** There it is of another colour when it differs by more, ΔE; over so much of the outline it is told, mm. */
const OTHER = 22;
const TOLD = 8;

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
interface Seen {
	/** What the outlines run round, at `level`. */
	field: Grey;
	level: number;
	contrast: number;
	/** How wide the change from mat to piece is, px. */
	soft: number;
	laid: {
		colours: Colours;
		matAt: (x: number, y: number) => Colour;
		its: Laid;
		off: Grey;
		shadows: boolean;
	} | null;
}

/** Lines drawn on paper: what is darker or lighter than its light. */
function seenDrawn(picture: Pixels, gapPx: number): Seen | null {
	const grey = greyOf(picture);
	const light = matSurfaces(grey, [grey.data]);
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

function distanceToRing(ring: readonly Point[], p: Point): number {
	return ring.reduce((least, a, i) => {
		const b = ring[(i + 1) % ring.length]!;
		const long = distance(a, b) ** 2 || 1;
		const t = ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / long;
		const held = Math.max(0, Math.min(1, t));
		return Math.min(least, distance(p, [a[0] + (b[0] - a[0]) * held, a[1] + (b[1] - a[1]) * held]));
	}, Infinity);
}

/** Above it a pixel may be piece: what nine of ten at the border of the view stray, three times, and at least a little. */
function matLevel({ width, height, data }: Grey): number {
	const strays: number[] = [];
	const inset = Math.max(1, Math.round(Math.min(width, height) * 0.03));
	for (let y = 0; y < height; y += 2)
		for (
			let x = 0;
			x < width;
			x += y < inset || y >= height - inset ? 2 : x < inset ? 1 : x >= width - inset ? 1 : width - 2 * inset
		)
			strays.push(data[y * width + x]!);
	strays.sort((a, b) => a - b);
	return Math.max(5, Math.min(12, 3 * strays[Math.floor(strays.length * 0.75)]!));
}

/**
 * Pieces on a mat: what differs from it in colour, its shadows taken for mat wherever hue tells them apart; where something lies by
 * itself that is only darker, what differs in brightness too.
 */
function seenLaid(picture: Pixels, { mmPerPx, speck, known }: TraceOptions): Seen | null {
	const colours = smoothed(coloursOf(picture));
	const beside = (x: number, y: number) => {
		const at: Point = [(x + 0.5) * mmPerPx, (picture.height - 0.5 - y) * mmPerPx];
		const off = distanceToRing(known!, at);
		return off > BESIDE[0] && off < BESIDE[1] && !goesRound(known!, at);
	};
	const mat = matSurfaces(colours, colours.planes, known ? beside : undefined);
	const matAt = (x: number, y: number) => mat.at(x, y) as unknown as Colour;
	const least = Math.max(9, speck / mmPerPx ** 2);
	const seen = (shadows: boolean): Seen | null => {
		const off = distanceFromMat(colours, mat, shadows);
		const level = matLevel(off);
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
	const byHue = seen(true);
	if (byHue && !liesByItself(byHue.laid!, mat, least)) return byHue;
	return seen(false) ?? byHue;
}

/** Whether something that is only darker than the mat lies where there is nothing of another hue: then it is no shadow of that. */
function liesByItself({ colours, its }: NonNullable<Seen['laid']>, mat: Surfaces, least: number): boolean {
	const off = distanceFromMat(colours, mat, false);
	const dark = labelled(off, Math.max(2 * matLevel(off), 14));
	const pixels: number[] = [];
	const touches = new Set<number>();
	dark.forEach((d, i) => {
		if (d < 0) return;
		pixels[d] = (pixels[d] ?? 0) + 1;
		if (its.label[i]! >= 0) touches.add(d);
	});
	return pixels.some((n, d) => n >= least && !touches.has(d));
}

/** What lies at a border and is not what the piece is, mm of its outline: a label, a shadow that grew onto it, or one beside it. */
function doubts(
	lines: readonly (readonly Point[])[],
	laid: NonNullable<Seen['laid']>,
	{ mmPerPx, high = 0 }: TraceOptions,
	soft: number
): Problem[] {
	const { colours, matAt, its, off, shadows } = laid;
	const { width, height } = off;
	let [other, beside] = [0, 0];
	for (const line of lines) {
		const n = line.length;
		const arm = Math.max(2, Math.round(1.5 / mmPerPx));
		if (n < 4 * arm) continue;
		for (let i = 0; i < n; i++) {
			const [a, p, b] = [line[(i - arm + n) % n]!, line[i]!, line[(i + arm) % n]!];
			const along = distance(a, b) || 1;
			const long = distance(p, line[(i + 1) % n]!) * mmPerPx;
			// With y down the piece lies to the right of the way.
			const at = (mm: number) => {
				const by = mm / mmPerPx / along;
				const [x, y] = [Math.round(p[0] - (b[1] - a[1]) * by), Math.round(p[1] + (b[0] - a[0]) * by)];
				return x < 0 || y < 0 || x >= width || y >= height ? -1 : y * width + x;
			};
			const inside = at(ASIDE + high / 4);
			const patch = inside < 0 ? -1 : its.label[inside]!;
			if (
				patch >= 0 &&
				unlike(colours, matAt(inside % width, Math.floor(inside / width)), its.patches[patch]!, inside) >
					OTHER
			)
				other += long;
			const outside = at(-(1.5 + soft));
			const edge = patch >= 0 ? its.patches[patch]!.off * 0.2 : Infinity;
			if (!shadows && outside >= 0 && off.data[outside]! > edge) beside += long;
		}
	}
	const told: Problem[] = [];
	if (other > TOLD) told.push(problem('otherColourAtEdge', { mm: Math.round(other) }));
	const darker = its.patches.some((p) => p.off >= 7 && p.colour[1] < p.mat[1]);
	if (!shadows && darker) told.push(problem('brightnessAlone'));
	if (beside > TOLD) told.push(problem('shadowAtEdge', { mm: Math.round(beside) }));
	return told;
}

/**
 * The outlines of what lies on a mat or is drawn on paper: the light is taken out, pieces are what differs; their edge lies half
 * way between both, between the pixels. Specks go, holes stay.
 * @param picture the flat view, to scale
 * @returns outlines in mm from its lower left corner, y up
 */
export function* trace(picture: Pixels, options: TraceOptions): Generator<number, Parsed<Traced>> {
	const { mmPerPx, look = 'laid', gap = 0, innerLines = true, high = 0, above = null } = options;
	yield 0.15;
	const seen =
		look === 'drawn' ? seenDrawn(picture, Math.ceil(gap / mmPerPx / 2)) : seenLaid(picture, options);
	if (!seen) return bad('traceNothing');
	yield 0.5;
	const lines = contours(seen.field, seen.level);
	yield 0.7;
	const wide = seen.soft;
	const round = lines.filter((line) => (Math.abs(twiceArea(line)) / 2) * mmPerPx ** 2 >= options.speck);
	const warnings = seen.laid ? doubts(round, seen.laid, options, wide * mmPerPx) : [];
	// A pixel's value is that of its middle.
	const onMat = lines.map((line) =>
		line.map(([x, y]): Point => [(x + 0.5) * mmPerPx, (picture.height - 0.5 - y) * mmPerPx])
	);
	const rings =
		look === 'drawn' ? enclosed(onMat, mmPerPx) : above && high > 0 ? laidDown(onMat, high, above) : onMat;
	const ways: Way[] = [];
	let specks = 0;
	for (const [i, ring] of rings.entries()) {
		if (ring.length < 3 || Math.abs(twiceArea(ring)) / 2 < options.speck) specks++;
		else ways.push(curved(ring, options));
		if (i % 50 === 0) yield 0.7 + (0.3 * i) / rings.length;
	}
	const found = piecesFromWays(ways);
	if (found.pieces.length === 0) return bad('traceNothing');
	const flat = (hole: Outline) => {
		const { points } = flatten(hole);
		return { use: 'detail' as const, points: [...points, points[0]!] };
	};
	return good({
		// What lies on a mat shows the mat through its holes; what is drawn on a piece is a line until it is said to be cut.
		pieces:
			look === 'drawn' && innerLines
				? found.pieces.map((p) => ({ ...p, holes: [], lines: [...p.lines, ...p.holes.map(flat)] }))
				: found.pieces,
		specks: specks + found.specks,
		contrast: seen.contrast,
		softness: wide * mmPerPx,
		blurred: wide > SHARP_PX && wide * mmPerPx > SHARP_MM,
		warnings
	});
}
