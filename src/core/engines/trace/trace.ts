import fitCurve from 'fit-curve';
import { Matrix, solve } from 'ml-matrix';
import { piecesFromWays, type Way } from '../pattern/loops.ts';
import { offset } from '../pattern/allowance.ts';
import { distance, type Point } from '../../units/point.ts';
import { flatten, polygon } from '../pattern/outline.ts';
import type { Edge, Outline } from '../../facts/piece.ts';
import type { Piece } from '../../facts/piece.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { blurred, contours, type Grey } from './contour.ts';

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
}

export interface Traced {
	pieces: Piece[];
	specks: number;
	/** Steps of grey between what was traced and what it lies on. */
	contrast: number;
	/** How wide the change from one to the other is, mm: twice what a blurred edge may be off. */
	softness: number;
	/** Whether that is more than a sharp picture shows. */
	blurred: boolean;
}

/** The least that pieces must differ from the mat, of 255 steps of grey. */
const LEAST_CONTRAST = 14;
/** A corner turns by more than this within `CORNER_ARM` to both sides, radians. */
const CORNER = 0.6;
const CORNER_ARM = 3;
const BORDER = 0.04;
/** A sharp edge comes out about three pixels wide, after the smoothing against noise. */
const SHARP_PX = 7;
/** An edge less wide than this is good enough to cut by, mm. */
const SHARP_MM = 2;

/** x and y from −1 to 1: the terms of a surface that shadow and lamp light make on a mat. */
const terms = (x: number, y: number) => [1, x, y, x * x, x * y, y * y];

/** Coefficients of the terms that come nearest to the values: least squares by the normal equations. */
function fitted(samples: readonly { t: readonly number[]; v: number }[]): number[] {
	const n = samples[0]!.t.length;
	const a = Matrix.zeros(n, n);
	const b = Matrix.zeros(n, 1);
	for (const { t, v } of samples)
		for (let i = 0; i < n; i++) {
			b.set(i, 0, b.get(i, 0) + t[i]! * v);
			for (let j = 0; j < n; j++) a.set(i, j, a.get(i, j) + t[i]! * t[j]!);
		}
	return solve(a, b).to1DArray();
}

/**
 * The mat's own light, as a surface of second degree: fitted to the border first, then to everything that lies near it,
 * again and again, so that pieces drop out.
 */
export function matLight({ width, height, data }: Grey): Float32Array {
	const step = Math.max(1, Math.round(Math.max(width, height) / 160));
	const samples: { t: readonly number[]; v: number; border: boolean }[] = [];
	for (let y = 0; y < height; y += step)
		for (let x = 0; x < width; x += step) {
			const edge = Math.min(x / width, y / height, 1 - x / width, 1 - y / height);
			samples.push({
				t: terms((2 * x) / width - 1, (2 * y) / height - 1),
				v: data[y * width + x]!,
				border: edge < BORDER
			});
		}
	let chosen = samples.filter((s) => s.border);
	let k = [128, 0, 0, 0, 0, 0];
	for (let round = 0; round < 6; round++) {
		k = fitted(chosen);
		const off = (s: (typeof samples)[number]) =>
			Math.abs(s.v - s.t.reduce((sum, t, i) => sum + t * k[i]!, 0));
		const sorted = chosen.map(off).sort((p, q) => p - q);
		// Twice the median deviation and a little: what noise does, and no piece.
		const most = 3 * 1.4826 * (sorted[Math.floor(sorted.length / 2)] ?? 0) + 4;
		const now = samples.filter((s) => off(s) <= most);
		if (now.length < 30) break;
		chosen = now;
	}
	const light = new Float32Array(data.length);
	for (let y = 0; y < height; y++) {
		const v = (2 * y) / height - 1;
		const [c0, c1, c2] = [k[0]! + k[2]! * v + k[5]! * v * v, k[1]! + k[4]! * v, k[3]!];
		for (let x = 0; x < width; x++) {
			const u = (2 * x) / width - 1;
			light[y * width + x] = c0 + c1 * u + c2 * u * u;
		}
	}
	return light;
}

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

/** Places along a closed line where it turns sharply. */
function cornersOf(points: readonly Point[], mmPerPx: number): number[] {
	const n = points.length;
	const arm = Math.max(2, Math.round(CORNER_ARM / mmPerPx));
	if (n < 4 * arm) return [];
	const turn = points.map((p, i) => {
		const [a, b] = [points[(i - arm + n) % n]!, points[(i + arm) % n]!];
		const [u, v] = [Math.atan2(p[1] - a[1], p[0] - a[0]), Math.atan2(b[1] - p[1], b[0] - p[0])];
		return Math.abs(((v - u + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
	});
	return turn.flatMap((t, i) => {
		if (t < CORNER) return [];
		for (let k = 1; k <= arm; k++) {
			if (turn[(i + k) % n]! > t || turn[(i - k + n) % n]! >= t) return [];
		}
		return [i];
	});
}

/** The straight line that lies nearest to points, through their middle: total least squares. */
function lineThrough(points: readonly Point[]): { at: Point; along: Point } {
	const n = points.length;
	const at: Point = [points.reduce((s, p) => s + p[0], 0) / n, points.reduce((s, p) => s + p[1], 0) / n];
	let [xx, xy, yy] = [0, 0, 0];
	for (const [x, y] of points) {
		xx += (x - at[0]) ** 2;
		xy += (x - at[0]) * (y - at[1]);
		yy += (y - at[1]) ** 2;
	}
	const angle = Math.atan2(2 * xy, xx - yy) / 2;
	return { at, along: [Math.cos(angle), Math.sin(angle)] };
}

/** A corner is blurred round: its place is where the lines of both sides meet, if that is near. */
function sharp(seen: Point, before: readonly Point[], after: readonly Point[], near: number): Point {
	if (before.length < 3 || after.length < 3) return seen;
	const [p, q] = [lineThrough(before), lineThrough(after)];
	const cross = p.along[0] * q.along[1] - p.along[1] * q.along[0];
	if (Math.abs(cross) < 0.2) return seen;
	const t = ((q.at[0] - p.at[0]) * q.along[1] - (q.at[1] - p.at[1]) * q.along[0]) / cross;
	const meet: Point = [p.at[0] + p.along[0] * t, p.at[1] + p.along[1] * t];
	return Math.hypot(meet[0] - seen[0], meet[1] - seen[1]) <= near ? meet : seen;
}

/** Few curves within the tolerance, straight where it is straight (P. Schneider's fitting, Graphics Gems, 1990). */
function curved(points: readonly Point[], { mmPerPx, tolerance }: TraceOptions): Way {
	const n = points.length;
	const found = cornersOf(points, mmPerPx);
	// A line that begins and ends at one place would be of no length: it is cut half way round as well.
	const [first = 0] = found;
	const cuts = found.length > 1 ? found : [first, (first + Math.floor(n / 2)) % n].sort((a, b) => a - b);
	const isCorner = (i: number) => found.includes(i);
	const arm = Math.max(2, Math.round(CORNER_ARM / mmPerPx));
	const at = (i: number) => points[((i % n) + n) % n]!;
	const stretch = (from: number, count: number) => Array.from({ length: count }, (_, k) => at(from + k));
	// What the blur has rounded, to both sides of a corner, is not looked at.
	const trim = Math.ceil(arm / 2);
	const trimAt = (i: number) => (isCorner(i) ? trim : 0);
	const ends = cuts.map((c) =>
		isCorner(c)
			? sharp(at(c), stretch(c - 3 * arm, 3 * arm - trim), stretch(c + trim + 1, 3 * arm - trim), 4 * mmPerPx)
			: at(c)
	);
	const edges: Edge[] = [];
	cuts.forEach((from, i) => {
		const to = cuts[(i + 1) % cuts.length]!;
		const count = (to - from + n) % n || n;
		const [a, b] = [ends[i]!, ends[(i + 1) % cuts.length]!];
		const [skip, stop] = [trimAt(from), trimAt(to)];
		const between = stretch(from + skip + 1, Math.max(0, count - skip - stop - 1));
		const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
		const stray = between.reduce(
			(most, p) =>
				Math.max(most, Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / long),
			0
		);
		if (stray <= tolerance) edges.push({ kind: 'line', to: b });
		else
			for (const [, c1, c2, end] of fitCurve(
				[a, ...between, b].map((p) => [p[0], p[1]]),
				tolerance * tolerance
			))
				edges.push({ kind: 'cubic', c1: pair(c1!), c2: pair(c2!), to: pair(end!) });
	});
	return { start: ends[0]!, edges, name: '', use: null };
}
const pair = (p: readonly number[]): Point => [p[0]!, p[1]!];

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

/** The largest value within so many pixels across and down: dark lines grow, and gaps between them close. */
function grown({ width, height, data }: Grey, radius: number): Grey {
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

const twiceArea = (points: readonly Point[]) =>
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
function enclosed(rings: readonly Point[][], spacing: number): Point[][] {
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

/**
 * The outlines of what lies on a mat or is drawn on paper: the light is taken out, pieces are what differs, light or
 * dark; their edge lies half way between both, between the pixels. Specks go, holes stay.
 * @param grey the flat view, to scale
 */
export function* trace(grey: Grey, options: TraceOptions): Generator<number, Parsed<Traced>> {
	const { mmPerPx, look = 'laid', gap = 0, innerLines = true } = options;
	const soft = look === 'laid' ? blurred(blurred(grey, 1), 1) : grey;
	yield 0.15;
	const light = matLight(soft);
	yield 0.35;
	let off: Grey = { ...grey, data: new Float32Array(light.length) };
	for (let i = 0; i < light.length; i++) off.data[i] = Math.abs(soft.data[i]! - light[i]!);
	const { level, low, high } = otsu(off.data);
	if (high - low < LEAST_CONTRAST) return bad('traceNothing');
	yield 0.5;
	const close = look === 'drawn' ? Math.ceil(gap / mmPerPx / 2) : 0;
	if (close > 0) off = grown(off, close);
	const lines = contours(off, level);
	yield 0.7;
	const wide = softnessOf(off, lines, high - low);
	const seen = lines.map((line) =>
		line.map(([x, y]): Point => [x * mmPerPx, (grey.height - 1 - y) * mmPerPx])
	);
	const rings = look === 'laid' ? seen : enclosed(seen, mmPerPx);
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
		contrast: high - low,
		softness: wide * mmPerPx,
		blurred: wide > SHARP_PX && wide * mmPerPx > SHARP_MM
	});
}
