import { polygonHull, polygonLength } from 'd3-polygon';
import type { Point, Point3 } from '../../units/point.ts';
import { cross, dot, norm, plus, sub, times, unit, type Vec } from '../../units/vec.ts';
import { type Mesh, pointOf, triangleCount } from '../mesh/mesh.ts';

/** Where a body is cut through as a tape goes round it. */
export interface ScanSection {
	/** Round it as a tape lies: over hollows, mm. */
	girth: number;
	/** As wide by as deep as it is there: across the wearer, and from front to back. */
	wide: number;
	deep: number;
	/** The line of the cut, closed or not, in space. */
	line: Point3[];
	/** The cut comes back to where it began. */
	closed: boolean;
}

/** Points this near are one, as a share of the size of the mesh. */
const NEAR = 1e-7;
/** The cut lies so far beside what was pressed, mm: points of a level row are all on one side of it. */
const BESIDE = 0.01;
/** The tape is tilted by so much at a time, degrees: by more it would jump off the end of a limb. So often at most by each. */
const TILTS = [4, 2, 1, 0.5];
const TURNS = 15;

/** The lines in which a plane cuts a mesh, each as long as it goes on. */
function cutBy(mesh: Mesh, at: Vec, normal: Vec): Vec[][] {
	const off = new Float64Array(mesh.points.length / 3);
	let size = 0;
	for (let i = 0; i < off.length; i++) {
		const p = pointOf(mesh, i);
		size = Math.max(size, Math.abs(p[0]), Math.abs(p[1]), Math.abs(p[2]));
		off[i] = dot(sub(p, at), normal) - BESIDE;
	}
	// Each edge that crosses the plane has one point, which both of its faces share.
	const points = new Map<string, Vec>();
	const ways = new Map<string, string[]>();
	const crossing = (a: number, b: number): string => {
		const key = a < b ? `${a} ${b}` : `${b} ${a}`;
		if (!points.has(key)) {
			const [p, q] = [pointOf(mesh, a), pointOf(mesh, b)];
			points.set(key, plus(p, times(sub(q, p), off[a]! / (off[a]! - off[b]!))));
		}
		return key;
	};
	for (let t = 0; t < triangleCount(mesh); t++) {
		const c = [0, 1, 2].map((k) => mesh.triangles[3 * t + k]!);
		const ends = [0, 1, 2].flatMap((k) => {
			const [a, b] = [c[k]!, c[(k + 1) % 3]!];
			return off[a]! > 0 !== off[b]! > 0 ? [crossing(a, b)] : [];
		});
		if (ends.length !== 2) continue;
		const [a, b] = ends as [string, string];
		ways.set(a, [...(ways.get(a) ?? []), b]);
		ways.set(b, [...(ways.get(b) ?? []), a]);
	}
	const lines: Vec[][] = [];
	const done = new Set<string>();
	// Lines that end somewhere first, from one of their ends.
	const starts = [...ways.keys()].sort((a, b) => ways.get(a)!.length - ways.get(b)!.length);
	for (const start of starts) {
		if (done.has(start)) continue;
		const line: Vec[] = [];
		let next: string | undefined = start;
		while (next !== undefined) {
			done.add(next);
			line.push(points.get(next)!);
			const onwards: string[] = ways.get(next)!.filter((w) => !done.has(w));
			next = onwards[0];
		}
		if (line.length > 2) lines.push(line);
	}
	return lines.filter((l) => l.some((p) => norm(sub(p, l[0]!)) > NEAR * size));
}

/** How a body is cut at a place of its surface by a plane; null where nothing is cut. */
export function sectionAt(mesh: Mesh, at: Point3, normal: Vec): ScanSection | null {
	const lines = cutBy(mesh, at, normal);
	if (!lines.length) return null;
	const nearest = (l: readonly Vec[]) => Math.min(...l.map((p) => norm(sub(p, at))));
	const line = lines.reduce((a, b) => (nearest(b) < nearest(a) ? b : a));
	const x: Vec = Math.abs(normal[0]) < 0.9 ? unit(sub([1, 0, 0], times(normal, normal[0]))) : [0, 0, 1];
	const y = cross(normal, x);
	const flat = line.map((p): Point => [dot(sub(p, at), x), dot(sub(p, at), y)]);
	const hull = polygonHull(flat.map(([a, b]): [number, number] => [a, b]));
	if (!hull) return null;
	const span = (k: 0 | 1) => Math.max(...hull.map((p) => p[k])) - Math.min(...hull.map((p) => p[k]));
	const gap = norm(sub(line[0]!, line.at(-1)!));
	const step = Math.max(...line.slice(1).map((p, i) => norm(sub(p, line[i]!))));
	return {
		girth: polygonLength(hull),
		wide: span(0),
		deep: span(1),
		line: line.map((p) => [...p] as Point3),
		closed: gap <= 3 * step
	};
}

/** Level round a standing trunk and leg, where it is shortest round an arm, upright round a foot. */
export type Tape = 'level' | 'slides' | 'upright';

/**
 * A body cut where somebody pressed on it, as a tape lies there.
 * @param at on its surface, y up and z forward
 */
export function tapedAt(mesh: Mesh, at: Point3, tape: Tape): ScanSection | null {
	if (tape === 'upright') return sectionAt(mesh, at, [0, 0, 1]);
	let [a, b] = [0, 0];
	const normal = (p: number, q: number): Vec => {
		const [s, t] = [(p * Math.PI) / 180, (q * Math.PI) / 180];
		return unit([Math.sin(s), Math.cos(s) * Math.cos(t), Math.sin(t)]);
	};
	let best = sectionAt(mesh, at, normal(0, 0));
	if (tape === 'level' || !best) return best;
	for (const by of TILTS)
		for (let turns = 0; turns < TURNS; turns++) {
			let moved = false;
			for (const [p, q] of [
				[by, 0],
				[-by, 0],
				[0, by],
				[0, -by]
			] as const) {
				const tried = sectionAt(mesh, at, normal(a + p, b + q));
				if (!tried?.closed || tried.girth >= best.girth - 1e-6) continue;
				[a, b, best, moved] = [a + p, b + q, tried, true];
			}
			if (!moved) break;
		}
	return best;
}
