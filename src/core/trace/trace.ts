import fitCurve from 'fit-curve';
import { Matrix, solve } from 'ml-matrix';
import { piecesFromWays, type Way } from '../formats/loops.ts';
import type { Edge, Point } from '../pattern/outline.ts';
import type { Piece } from '../pattern/piece.ts';
import { bad, good, type Parsed } from '../problem.ts';
import { blurred, contours, type Grey } from './contour.ts';

export interface TraceOptions {
	/** Of one pixel of the flat view, mm. */
	mmPerPx: number;
	/** Less than this is a speck, mm². */
	speck: number;
	/** The curve strays from what was seen by at most this, mm. */
	tolerance: number;
}

export interface Traced {
	pieces: Piece[];
	specks: number;
	/** Of what was seen: mean grey of the mat, and how far the pieces lie from it. */
	mat: number;
	contrast: number;
}

/** The least that pieces must differ from the mat, of 255 steps of grey. */
const LEAST_CONTRAST = 14;
/** A corner turns by more than this within `CORNER_ARM` to both sides, radians. */
const CORNER = 0.6;
const CORNER_ARM = 3;
const BORDER = 0.04;

/** x and y from −1 to 1: the terms of a surface that shadow and lamp light make on a mat. */
const terms = (x: number, y: number) => [1, x, y, x * x, x * y, y * y];

/**
 * The mat's own light, as a surface of second degree: fitted to the border first, then to everything that lies near it,
 * again and again, so that pieces drop out.
 */
export function matLight({ width, height, data }: Grey): Float32Array {
	const step = Math.max(1, Math.round(Math.max(width, height) / 160));
	const samples: { t: number[]; v: number; border: boolean }[] = [];
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
		const a = new Matrix(chosen.map((s) => s.t));
		k = solve(a, Matrix.columnVector(chosen.map((s) => s.v))).to1DArray();
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
	const most = values.reduce((a, b) => Math.max(a, b), 0) || 1;
	const bins = new Float64Array(256);
	for (const v of values) bins[Math.min(255, Math.floor((v / most) * 256))]!++;
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
	const cuts = found.length ? found : [0, Math.floor(n / 2)];
	const arm = Math.max(2, Math.round(CORNER_ARM / mmPerPx));
	const at = (i: number) => points[((i % n) + n) % n]!;
	const stretch = (from: number, count: number) => Array.from({ length: count }, (_, k) => at(from + k));
	// What the blur has rounded, to both sides of a corner, is not looked at.
	const trim = found.length ? Math.ceil(arm / 2) : 0;
	const ends = cuts.map((c) =>
		found.length
			? sharp(at(c), stretch(c - 3 * arm, 3 * arm - trim), stretch(c + trim + 1, 3 * arm - trim), 4 * mmPerPx)
			: at(c)
	);
	const edges: Edge[] = [];
	cuts.forEach((from, i) => {
		const to = cuts[(i + 1) % cuts.length]!;
		const count = (to - from + n) % n || n;
		const [a, b] = [ends[i]!, ends[(i + 1) % cuts.length]!];
		const between = stretch(from + trim + 1, Math.max(0, count - 2 * trim - 1));
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

/**
 * The outlines of what lies on a mat: its light is taken out, pieces are what differs, light or dark; their edge lies half
 * way between both, between the pixels. Specks go, holes stay.
 * @param grey the flat view, to scale
 */
export function* trace(grey: Grey, options: TraceOptions): Generator<number, Parsed<Traced>> {
	const soft = blurred(blurred(grey, 1), 1);
	yield 0.15;
	const light = matLight(soft);
	yield 0.35;
	const off = soft.data.map((v, i) => Math.abs(v - light[i]!));
	const { level, low, high } = otsu(off);
	if (high - low < LEAST_CONTRAST) return bad('traceNothing');
	yield 0.5;
	const lines = contours({ ...grey, data: off }, level);
	yield 0.7;
	const { mmPerPx } = options;
	const ways: Way[] = [];
	let specks = 0;
	for (const [i, line] of lines.entries()) {
		const mm = line.map(([x, y]): Point => [x * mmPerPx, (grey.height - 1 - y) * mmPerPx]);
		let twice = 0;
		mm.forEach((p, k) => {
			const q = mm[(k + 1) % mm.length]!;
			twice += p[0] * q[1] - q[0] * p[1];
		});
		if (Math.abs(twice) / 2 < options.speck) specks++;
		else ways.push(curved(mm, options));
		if (i % 50 === 0) yield 0.7 + (0.3 * i) / lines.length;
	}
	const found = piecesFromWays(ways);
	if (found.pieces.length === 0) return bad('traceNothing');
	const mean = light.reduce((sum, v) => sum + v, 0) / light.length;
	return good({ pieces: found.pieces, specks: specks + found.specks, mat: mean, contrast: high - low });
}
