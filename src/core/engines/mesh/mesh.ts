import { polygonHull, polygonLength } from 'd3-polygon';
import { cross, dot, norm, sub, type Vec } from '../../units/vec.ts';
import { bad, good, type Parsed, type Problem, problem } from '../../units/problem.ts';

/** A surface of triangles: three numbers a point in mm, three points a triangle. */
export interface Mesh {
	points: Float64Array;
	triangles: Uint32Array;
}

export const MOST_TRIANGLES = 20_000;

export const pointOf = ({ points }: Mesh, i: number): Vec => [
	points[3 * i]!,
	points[3 * i + 1]!,
	points[3 * i + 2]!
];
export const triangleCount = ({ triangles }: Mesh): number => triangles.length / 3;

/** The corners of a triangle. */
export function cornersOf(mesh: Mesh, t: number): readonly [Vec, Vec, Vec] {
	const { triangles } = mesh;
	return [
		pointOf(mesh, triangles[3 * t]!),
		pointOf(mesh, triangles[3 * t + 1]!),
		pointOf(mesh, triangles[3 * t + 2]!)
	];
}

/** Along the normal, twice the triangle's area long. */
export function normalOf(mesh: Mesh, t: number): Vec {
	const [a, b, c] = cornersOf(mesh, t);
	return cross(sub(b, a), sub(c, a));
}

/** What welding took out. */
export interface Welded {
	mesh: Mesh;
	/** Points that lay on another one. */
	joinedPoints: number;
	/** Triangles without area, and ones that were there twice. */
	degenerate: number;
	duplicate: number;
}

/** Points nearer to each other than this share of the size are one. */
const WELD_SHARE = 1e-6;

/** Joins points that lie on each other and takes out triangles that enclose nothing or stand twice. */
export function weld(mesh: Mesh): Welded {
	const { low, high } = boxOfMesh(mesh);
	const grain = Math.max(norm(sub(high, low)) * WELD_SHARE, 1e-9);
	const seen = new Map<string, number>();
	const kept: number[] = [];
	const to = new Uint32Array(mesh.points.length / 3);
	for (let i = 0; i < to.length; i++) {
		const p = pointOf(mesh, i);
		const key = p.map((v) => Math.round(v / grain)).join(' ');
		let at = seen.get(key);
		if (at === undefined) {
			at = kept.length / 3;
			seen.set(key, at);
			kept.push(...p);
		}
		to[i] = at;
	}
	const triangles: number[] = [];
	const known = new Set<string>();
	let [degenerate, duplicate] = [0, 0];
	const points = new Float64Array(kept);
	for (let t = 0; t < triangleCount(mesh); t++) {
		const [a, b, c] = [0, 1, 2].map((k) => to[mesh.triangles[3 * t + k]!]!) as [number, number, number];
		const its: Mesh = { points, triangles: new Uint32Array([a, b, c]) };
		if (a === b || b === c || c === a || norm(normalOf(its, 0)) < grain * grain) {
			degenerate++;
			continue;
		}
		const key = [a, b, c].sort((x, y) => x - y).join(' ');
		if (known.has(key)) {
			duplicate++;
			continue;
		}
		known.add(key);
		triangles.push(a, b, c);
	}
	return {
		mesh: { points, triangles: new Uint32Array(triangles) },
		joinedPoints: to.length - points.length / 3,
		degenerate,
		duplicate
	};
}

export function boxOfMesh({ points }: Mesh): { low: Vec; high: Vec } {
	const low = [Infinity, Infinity, Infinity] as [number, number, number];
	const high = [-Infinity, -Infinity, -Infinity] as [number, number, number];
	for (let i = 0; i < points.length; i++) {
		const axis = (i % 3) as 0 | 1 | 2;
		low[axis] = Math.min(low[axis], points[i]!);
		high[axis] = Math.max(high[axis], points[i]!);
	}
	return { low, high };
}

/** Two triangles at an edge: which, and which of their three edges it is. An open edge has one. */
export interface MeshEdge {
	/** Triangle · 3 + edge; edge k runs from corner k to the next. */
	sides: number[];
}

/** Every edge with the triangles at it, keyed by its points. */
export function edgesOfMesh({ triangles }: Mesh): MeshEdge[] {
	const edges = new Map<number, MeshEdge>();
	const most = triangles.length ? Math.max(...maxChunks(triangles)) + 1 : 1;
	for (let h = 0; h < triangles.length; h++) {
		const t = Math.floor(h / 3);
		const [a, b] = [triangles[h]!, triangles[3 * t + (((h % 3) + 1) % 3)]!];
		const key = Math.min(a, b) * most + Math.max(a, b);
		const edge = edges.get(key);
		if (edge) edge.sides.push(h);
		else edges.set(key, { sides: [h] });
	}
	return [...edges.values()];
}
const maxChunks = (list: Uint32Array): number[] => [list.reduce((a, b) => Math.max(a, b), 0)];

export interface MeshFigures {
	/** mm³; of an open surface it means nothing. */
	volume: number;
	/** mm² */
	area: number;
	low: Vec;
	high: Vec;
	closed: boolean;
	/** Edges with one triangle, and with more than two. */
	openEdges: number;
	crowdedEdges: number;
	/** Edges whose two triangles run the same way: one of them faces inwards. */
	flippedEdges: number;
}

/** Volume by the divergence theorem over the triangles; area; what is not closed. */
export function figuresOfMesh(mesh: Mesh): MeshFigures {
	let [volume, area] = [0, 0];
	for (let t = 0; t < triangleCount(mesh); t++) {
		const [a, b, c] = cornersOf(mesh, t);
		volume += dot(a, cross(b, c)) / 6;
		area += norm(normalOf(mesh, t)) / 2;
	}
	const edges = edgesOfMesh(mesh);
	const open = edges.filter((e) => e.sides.length === 1).length;
	const crowded = edges.filter((e) => e.sides.length > 2).length;
	const flipped = edges.filter(
		(e) => e.sides.length === 2 && mesh.triangles[e.sides[0]!] === mesh.triangles[e.sides[1]!]
	).length;
	return {
		volume,
		area,
		...boxOfMesh(mesh),
		closed: open === 0 && crowded === 0,
		openEdges: open,
		crowdedEdges: crowded,
		flippedEdges: flipped
	};
}

/** Turns triangles so that neighbours run against each other, and a closed surface faces outwards. */
export function facingOut(mesh: Mesh): Mesh {
	const n = triangleCount(mesh);
	const neighbours: number[][] = Array.from({ length: n }, () => []);
	const same = new Map<string, boolean>();
	for (const { sides } of edgesOfMesh(mesh)) {
		if (sides.length !== 2) continue;
		const [a, b] = [Math.floor(sides[0]! / 3), Math.floor(sides[1]! / 3)];
		neighbours[a]!.push(b);
		neighbours[b]!.push(a);
		same.set(`${Math.min(a, b)} ${Math.max(a, b)}`, mesh.triangles[sides[0]!] === mesh.triangles[sides[1]!]);
	}
	const turn = new Int8Array(n);
	const triangles = mesh.triangles.slice();
	for (let start = 0; start < n; start++) {
		if (turn[start]) continue;
		turn[start] = 1;
		const part = [start];
		for (let i = 0; i < part.length; i++)
			for (const next of neighbours[part[i]!]!) {
				if (turn[next]) continue;
				const against = same.get(`${Math.min(part[i]!, next)} ${Math.max(part[i]!, next)}`);
				turn[next] = (against ? -turn[part[i]!]! : turn[part[i]!]!) as 1 | -1;
				part.push(next);
			}
		let volume = 0;
		for (const t of part) {
			const [a, b, c] = cornersOf(mesh, t);
			volume += turn[t]! * dot(a, cross(b, c));
		}
		const sign = volume < 0 ? -1 : 1;
		for (const t of part)
			if (turn[t]! * sign < 0) {
				triangles[3 * t + 1] = mesh.triangles[3 * t + 2]!;
				triangles[3 * t + 2] = mesh.triangles[3 * t + 1]!;
			}
	}
	return { points: mesh.points, triangles };
}

export function scaled({ points, triangles }: Mesh, by: number | Vec): Mesh {
	const factor = typeof by === 'number' ? [by, by, by] : by;
	return { points: points.map((v, i) => v * factor[i % 3]!), triangles };
}

/**
 * How long a tape is that goes round the mesh at a height z: the hull of the section, as a tape does not follow hollows.
 * Null where the plane meets nothing.
 */
export function girthAt(mesh: Mesh, z: number): number | null {
	const cut: [number, number][] = [];
	for (let t = 0; t < triangleCount(mesh); t++) {
		const corners = cornersOf(mesh, t);
		for (let k = 0; k < 3; k++) {
			const [a, b] = [corners[k]!, corners[(k + 1) % 3]!];
			if (a[2] > z === b[2] > z) continue;
			const s = (z - a[2]) / (b[2] - a[2]);
			cut.push([a[0] + (b[0] - a[0]) * s, a[1] + (b[1] - a[1]) * s]);
		}
	}
	const hull = polygonHull(cut);
	return hull && polygonLength(hull);
}

/** A height by its share from the lowest to the highest point. */
export function heightAt(mesh: Mesh, share: number): number {
	const { low, high } = boxOfMesh(mesh);
	return low[2] + (high[2] - low[2]) * share;
}

/** By how much to scale so that a tape round a height measures so much; null where there is nothing to go round. */
export function factorForGirth(mesh: Mesh, share: number, girth: number): number | null {
	const now = girthAt(mesh, heightAt(mesh, share));
	return now ? girth / now : null;
}

type MeshNote = 'meshOpen' | 'meshCrowded' | 'meshFlipped' | 'meshDegenerate' | 'meshDuplicate';

/** A mesh that can be worked with, or what is wrong; what was mended is told in `notes`. */
export function soundMesh(raw: Mesh): Parsed<{ mesh: Mesh; notes: Problem[] }> {
	if (raw.triangles.length === 0) return bad('meshEmpty');
	if (triangleCount(raw) > MOST_TRIANGLES)
		return bad('meshTooMany', { count: triangleCount(raw), most: MOST_TRIANGLES });
	if (!raw.points.every(Number.isFinite)) return bad('meshNumbers');
	const { mesh: welded, degenerate, duplicate } = weld(raw);
	if (welded.triangles.length === 0) return bad('meshEmpty');
	const before = figuresOfMesh(welded);
	const mesh = facingOut(welded);
	const notes: Problem[] = [];
	const note = (code: MeshNote, count: number) => count && notes.push(problem(code, { count }));
	note('meshOpen', before.openEdges);
	note('meshCrowded', before.crowdedEdges);
	note('meshFlipped', before.flippedEdges);
	note('meshDegenerate', degenerate);
	note('meshDuplicate', duplicate);
	return good({ mesh, notes });
}
