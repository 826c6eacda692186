import fitCurve from 'fit-curve';
import type { Edge } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import type { Way } from '../pattern/loops.ts';
import { lineThrough } from '../plane/line.ts';

/** A corner turns by more than this within `CORNER_ARM` to both sides, radians. */
const CORNER = 0.6;
const CORNER_ARM = 3;

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
export function curved(
	points: readonly Point[],
	{ mmPerPx, tolerance }: { mmPerPx: number; tolerance: number }
): Way {
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
