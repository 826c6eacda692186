import { backwards, boxOf, edgesOf, flatten, goesRound, signedArea } from './outline.ts';
import { distance, type Point } from '../../units/point.ts';
import type { Edge, Outline } from '../../facts/piece.ts';
import { piece } from './piece.ts';
import type { InnerLine, Piece } from '../../facts/piece.ts';

/** What files of lines become: closed ways are pieces and holes in them, open ones are lines on a piece. */

/** A run of edges from its start; closed when its last edge ends there. */
export interface Way {
	start: Point;
	edges: Edge[];
	name: string;
	/** Not to be cut: a line on the piece that it lies in. */
	use: InnerLine['use'] | null;
}

/** Ends nearer than this are one point, mm. */
const JOIN = 0.05;
/** Less than this is a speck, mm². */
const SPECK = 4;

const endOf = (way: Way): Point => way.edges.at(-1)?.to ?? way.start;
const isClosed = (way: Way): boolean => way.edges.length > 1 && distance(way.start, endOf(way)) <= JOIN;

const turned = (way: Way): Way => ({
	...way,
	start: endOf(way),
	edges: edgesOf({ start: way.start, edges: way.edges }).reverse().map(backwards)
});

/** Open ways whose ends meet become one, turned as needed. */
export function chained(ways: readonly Way[]): Way[] {
	const out = ways.filter(isClosed);
	const cell = (p: Point) => `${Math.round(p[0] / JOIN)} ${Math.round(p[1] / JOIN)}`;
	const around = (p: Point) => {
		const [x, y] = [Math.round(p[0] / JOIN), Math.round(p[1] / JOIN)];
		return [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => `${x + dx} ${y + dy}`));
	};
	const ends = new Map<string, Set<Way>>();
	const put = (way: Way, p: Point) => {
		const key = cell(p);
		if (!ends.has(key)) ends.set(key, new Set());
		ends.get(key)!.add(way);
	};
	const take = (way: Way) => {
		for (const p of [way.start, endOf(way)]) ends.get(cell(p))?.delete(way);
	};
	for (const way of ways) {
		if (isClosed(way) || way.edges.length === 0) continue;
		put(way, way.start);
		put(way, endOf(way));
	}
	const meeting = (p: Point, use: Way['use']): Way | null => {
		for (const key of around(p))
			for (const other of ends.get(key) ?? [])
				if (other.use === use && (distance(other.start, p) <= JOIN || distance(endOf(other), p) <= JOIN))
					return other;
		return null;
	};
	for (const way of ways) {
		if (isClosed(way) || !ends.get(cell(way.start))?.has(way)) continue;
		take(way);
		let its = way;
		for (const side of [0, 1]) {
			for (
				let next = meeting(endOf(its), its.use);
				next && !isClosed(its);
				next = meeting(endOf(its), its.use)
			) {
				take(next);
				const on = distance(next.start, endOf(its)) <= JOIN ? next : turned(next);
				its = { ...its, edges: [...its.edges, ...on.edges] };
			}
			if (side === 0 && !isClosed(its)) its = turned(its);
		}
		out.push(its);
	}
	return out;
}

/** Closed to the last digit, counter-clockwise. */
function closed(way: Way): Outline {
	const edges = way.edges.map((e, i): Edge => (i === way.edges.length - 1 ? { ...e, to: way.start } : e));
	const outline = {
		start: way.start,
		edges: edges.filter((e, i) => distance(e.to, i ? edges[i - 1]!.to : way.start) > 1e-9)
	};
	return signedArea(outline) >= 0 ? outline : reversed(outline);
}
export function reversed(outline: Outline): Outline {
	const way = turned({ ...outline, edges: [...outline.edges], name: '', use: null });
	return { start: way.start, edges: way.edges };
}

const isSame = (a: readonly Point[], b: readonly Point[]): boolean =>
	a.length === b.length && a.every((p, i) => distance(p, b[i]!) <= JOIN);

export interface FromWays {
	pieces: Piece[];
	/** Closed ways too small to be a piece, and open lines that lie on no piece. */
	specks: number;
	loose: number;
}

/** Pieces with their holes and inner lines. What lies in a hole is a piece again. */
export function piecesFromWays(ways: readonly Way[], progress: (share: number) => void = () => {}): FromWays {
	const all = chained(ways);
	const rings = all
		.filter((w) => isClosed(w) && w.use === null)
		.map((w) => ({ name: w.name, outline: closed(w) }))
		.filter((r) => r.outline.edges.length > 1)
		.map((r) => ({ ...r, area: signedArea(r.outline), points: flatten(r.outline).points }))
		.sort((a, b) => b.area - a.area)
		// Drawn twice over it is one line: cut twice it would be no better.
		.filter((r, i, all) => i === 0 || !isSame(r.points, all[i - 1]!.points));
	const large = rings.filter((r) => r.area >= SPECK);
	const boxes = large.map((r) => boxOf(r.points));
	const parents = large.map((r, i) => {
		if (i % 100 === 99) progress(i / large.length);
		const p = r.points[0]!;
		const [x, y] = p;
		for (let j = i - 1; j >= 0; j--) {
			const b = boxes[j]!;
			if (x >= b.left && x <= b.right && y >= b.bottom && y <= b.top && goesRound(large[j]!.points, p))
				return j;
		}
		return -1;
	});
	// What lies round another one is larger, and stands before it.
	const depths: number[] = [];
	parents.forEach((parent, i) => (depths[i] = parent < 0 ? 0 : 1 + depths[parent]!));
	const depth = (i: number): number => depths[i]!;
	const made = new Map<number, Piece>();
	large.forEach((r, i) => {
		if (depth(i) % 2 === 0) made.set(i, piece(r.name || `piece ${made.size + 1}`, r.outline));
	});
	large.forEach((r, i) => {
		const its = made.get(parents[i]!);
		if (depth(i) % 2 === 1 && its)
			made.set(parents[i]!, { ...its, holes: [...its.holes, reversed(r.outline)] });
	});
	let loose = 0;
	for (const way of all) {
		if (isClosed(way) && way.use === null) continue;
		const points: Point[] = flatten({ start: way.start, edges: way.edges }).points;
		const line = isClosed(way) ? [...points, points[0]!] : [...points, endOf(way)];
		const middle = line[Math.floor(line.length / 2)]!;
		const at = [...made.keys()].reverse().find((i) => goesRound(large[i]!.points, middle));
		if (at === undefined || line.length < 2) {
			loose++;
			continue;
		}
		const its = made.get(at)!;
		made.set(at, { ...its, lines: [...its.lines, { use: way.use ?? 'detail', points: line }] });
	}
	return { pieces: [...made.values()], specks: rings.length - large.length, loose };
}
