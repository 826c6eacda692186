import { bad, good, type Parsed } from '../../units/problem.ts';
import { arcOf, edgeLength, edgesOf, flatten, goesRound, signedArea } from './outline.ts';
import { distance, type Point } from '../../units/point.ts';
import type { Edge, EdgeMarks, Outline } from '../../facts/piece.ts';
import type { InnerLine, Notch, Piece } from '../../facts/piece.ts';

/** Shorter edges than this come only from rounding, mm. */
const SLIVER = 1e-4;
/** A piece smaller than this is no piece, mm². */
const LEAST_AREA = 1;

/** The point of an edge at t of its parameter, 0 to 1. */
export function pointAt(from: Point, edge: Edge, t: number): Point {
	const mix = (a: Point, b: Point, s = t): Point => [a[0] + (b[0] - a[0]) * s, a[1] + (b[1] - a[1]) * s];
	if (edge.kind === 'cubic') {
		const [ab, bc, cd] = [mix(from, edge.c1), mix(edge.c1, edge.c2), mix(edge.c2, edge.to)];
		return mix(mix(ab, bc), mix(bc, cd));
	}
	if (edge.kind === 'line' || edge.bulge === 0) return mix(from, edge.to);
	const { turn, radius, centre } = arcOf(from, edge.to, edge.bulge);
	const angle = Math.atan2(from[1] - centre[1], from[0] - centre[0]) + turn * t;
	return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
}

/** The part of an edge between two values of its parameter: exact, an arc stays an arc. */
export function partOf(from: Point, edge: Edge, a: number, b: number): Edge {
	const to = b === 1 ? edge.to : pointAt(from, edge, b);
	if (edge.kind === 'line') return { ...edge, to };
	if (edge.kind === 'arc') return { ...edge, to, bulge: Math.tan(Math.atan(edge.bulge) * (b - a)) };
	// The polar form of the cubic gives the control points of any part of it.
	const polar = (u: number, v: number, w: number): Point => {
		const mix = (p: Point, q: Point, s: number): Point => [
			p[0] + (q[0] - p[0]) * s,
			p[1] + (q[1] - p[1]) * s
		];
		const [p, q, r] = [mix(from, edge.c1, u), mix(edge.c1, edge.c2, u), mix(edge.c2, edge.to, u)];
		return mix(mix(p, q, v), mix(q, r, v), w);
	};
	return { ...edge, c1: polar(a, a, b), c2: polar(a, b, b), to };
}

/** Where an edge goes through a line, as values of its parameter in order. */
function crossingsOf(from: Point, edge: Edge, side: (p: Point) => number): number[] {
	const parts = edge.kind === 'line' ? 1 : 48;
	const found: number[] = [];
	for (let i = 0; i < parts; i++) {
		let [low, high] = [i / parts, (i + 1) / parts];
		const start = side(pointAt(from, edge, low));
		if (start > 0 === side(pointAt(from, edge, high)) > 0) continue;
		for (let n = 0; n < 60; n++) {
			const middle = (low + high) / 2;
			if (side(pointAt(from, edge, middle)) > 0 === start > 0) low = middle;
			else high = middle;
		}
		found.push((low + high) / 2);
	}
	return found;
}

/** A part of an edge, and which edge of the outline it was. */
interface Part {
	from: Point;
	edge: Edge;
	/** Of the outline: the edge, and how far from its beginning the part starts, mm. */
	was: { edge: number; offset: number } | null;
}

interface Run {
	parts: Part[];
	/** Crossings where it begins and ends; −1 for a loop that the line does not meet. */
	begin: number;
	end: number;
}

/** A loop in runs that lie wholly on one side of the line. */
function runsOf(loop: Outline, outer: boolean, side: (p: Point) => number, crossings: Point[]) {
	const runs: (Run & { left: boolean })[] = [];
	const parts: (Part & { crossing: number })[] = [];
	edgesOf(loop).forEach(({ from, edge }, index) => {
		const ts = [0, ...crossingsOf(from, edge, side), 1];
		let offset = 0;
		for (let i = 1; i < ts.length; i++) {
			const begin = pointAt(from, edge, ts[i - 1]!);
			const part = partOf(from, edge, ts[i - 1]!, ts[i]!);
			const crossing = i < ts.length - 1 ? crossings.push(part.to) - 1 : -1;
			parts.push({ from: begin, edge: part, was: outer ? { edge: index, offset } : null, crossing });
			offset += edgeLength(begin, part);
		}
	});
	const first = parts.findIndex((p) => p.crossing >= 0);
	const isLeft = (p: Part) => side(pointAt(p.from, p.edge, 0.5)) > 0;
	if (first < 0) return [{ parts, begin: -1, end: -1, left: isLeft(parts[0]!) }];
	const turned = [...parts.slice(first + 1), ...parts.slice(0, first + 1)];
	let begin = parts[first]!.crossing;
	let its: Part[] = [];
	for (const part of turned) {
		its.push(part);
		if (part.crossing < 0) continue;
		runs.push({
			parts: its,
			begin,
			end: part.crossing,
			left: isLeft(its[Math.floor(its.length / 2)]!)
		});
		begin = part.crossing;
		its = [];
	}
	return runs;
}

/** Lines of the piece that lie on one side. */
function linesOn(lines: readonly InnerLine[], side: (p: Point) => number): InnerLine[] {
	return lines.flatMap((line): InnerLine[] => {
		const kept: Point[][] = [];
		let its: Point[] = [];
		line.points.forEach((p, i) => {
			const before = line.points[i - 1];
			if (before && side(before) > 0 !== side(p) > 0) {
				const t = side(before) / (side(before) - side(p));
				const at: Point = [before[0] + (p[0] - before[0]) * t, before[1] + (p[1] - before[1]) * t];
				if (side(p) > 0) its = [at];
				else {
					kept.push([...its, at]);
					its = [];
				}
			}
			if (side(p) > 0) its.push(p);
		});
		return [...kept, its].filter((points) => points.length > 1).map((points) => ({ ...line, points }));
	});
}

/**
 * Cuts a piece along the line through two points into what lies left of it and what lies right. Both sides
 * of each cut get the same seam, the allowance, and notches that pair; curves stay curves.
 *
 * @param cut which cut this is, for the names of its seam and notches
 * @param marks notches on each cut
 */
export function cutByLine(
	piece: Piece,
	a: Point,
	b: Point,
	{ cut: nth, allowance, marks }: { cut: number; allowance: number; marks: number }
): Parsed<Piece[]> {
	const length = distance(a, b);
	if (length < 1e-6) return bad('splitPoints');
	const out: Point = [-(b[1] - a[1]) / length, (b[0] - a[0]) / length];
	const loops = [piece.outline, ...piece.holes];
	const corners = loops.flatMap((l) => [l.start, ...l.edges.map((e) => e.to)]);
	// A line that goes exactly through a corner is moved by a millionth of a millimetre: then it is on one side.
	let shift = 0;
	const side = (p: Point) => (p[0] - a[0]) * out[0] + (p[1] - a[1]) * out[1] - shift;
	while (corners.some((p) => Math.abs(side(p)) < 1e-7)) shift += 1.7e-6;
	const crossings: Point[] = [];
	const runs = loops.flatMap((l, i) => runsOf(l, i === 0, side, crossings));
	const along = crossings
		.map((p, i) => ({ i, at: (p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1]) }))
		.sort((p, q) => p.at - q.at);
	const partner = new Map<number, { other: number; cut: number; low: boolean }>();
	along.forEach(({ i }, n) =>
		partner.set(i, { other: along[n ^ 1]?.i ?? -1, cut: n >> 1, low: n % 2 === 0 })
	);
	/** `2`, or `2a` and `2b` where the line goes through twice. */
	const cutName = (n: number) => `${nth}${crossings.length > 2 ? letter(n) : ''}`;
	if (crossings.length < 2 || crossings.length % 2) return bad('splitMisses');
	const pieces = [true, false].flatMap((left) => {
		const its = runs.filter((r) => r.left === left);
		const whole = its.filter((r) => r.begin < 0);
		const starts = new Map(its.filter((r) => r.begin >= 0).map((r) => [r.begin, r]));
		const made: Piece[] = [];
		while (starts.size) {
			const first = starts.values().next().value!;
			const parts: (Part & { cut?: { n: number; low: boolean } })[] = [];
			for (let run: Run | undefined = first; run && starts.delete(run.begin);) {
				parts.push(...run.parts);
				const { other, cut, low } = partner.get(run.end)!;
				const edge: Edge & EdgeMarks = {
					kind: 'line',
					to: crossings[other]!,
					seam: `cut ${cutName(cut)}`,
					...(allowance ? { allowance } : {})
				};
				parts.push({ from: crossings[run.end]!, edge, was: null, cut: { n: cut, low } });
				run = starts.get(other);
			}
			const kept = parts.filter((p) => edgeLength(p.from, p.edge) > SLIVER);
			if (kept.length < 2) continue;
			const start = kept.at(-1)!.edge.to;
			const outline: Outline = { start, edges: kept.map((p) => p.edge) };
			if (signedArea(outline) < LEAST_AREA) continue;
			const notches = [
				...piece.notches.flatMap((n): Notch[] => {
					const edge = kept.findIndex(
						(p) =>
							p.was?.edge === n.edge &&
							n.along >= p.was.offset - 1e-6 &&
							n.along <= p.was.offset + edgeLength(p.from, p.edge) + 1e-6
					);
					return edge < 0 ? [] : [{ ...n, edge, along: Math.max(0, n.along - kept[edge]!.was!.offset) }];
				}),
				...kept.flatMap((p, edge) => {
					if (!p.cut) return [];
					const { n, low } = p.cut;
					const long = edgeLength(p.from, p.edge);
					return Array.from({ length: marks }, (_, m): Notch => {
						const from = (long * (m + 1)) / (marks + 1);
						return { edge, along: low ? from : long - from, pair: `${cutName(n)}.${m + 1}` };
					});
				})
			];
			const fold = kept.findIndex((p) => p.was !== null && p.was.edge === piece.foldEdge);
			made.push({
				...piece,
				outline,
				holes: [],
				notches,
				foldEdge: piece.foldEdge === null || fold < 0 ? null : fold,
				lines: linesOn(piece.lines, left ? side : (p) => -side(p))
			});
		}
		const flats = made.map((m) => flatten(m.outline).points);
		for (const run of whole) {
			const at = flats.findIndex((points) => goesRound(points, run.parts[0]!.from));
			if (at < 0) continue;
			const hole: Outline = { start: run.parts[0]!.from, edges: run.parts.map((p) => p.edge) };
			made[at] = { ...made[at]!, holes: [...made[at]!.holes, hole] };
		}
		return made;
	});
	if (pieces.length < 2) return bad('splitMisses');
	return good(pieces.map((p, i) => ({ ...withoutFittings(p, piece), name: `${piece.name} ${letter(i)}` })));
}

/** Eyelets go with their holes where these are all that the piece has; where on it a bone goes nobody has said. */
function withoutFittings({ eyelets: _, boned: _b, ...part }: Piece, { eyelets, holes }: Piece): Piece {
	const its = eyelets === holes.length ? part.holes.length : 0;
	return its > 0 ? { ...part, eyelets: its } : part;
}

const letter = (i: number) => String.fromCharCode(97 + (i % 26)).repeat(1 + Math.floor(i / 26));
