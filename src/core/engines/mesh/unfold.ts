import { signedArea } from '../pattern/outline.ts';
import type { Edge, Outline } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import type { InnerLine, Notch, Piece } from '../../facts/piece.ts';
import { bad, good, type Parsed, type Problem, problem } from '../../units/problem.ts';
import { cornersOf, edgesOfMesh, normalOf, triangleCount, type Mesh } from './mesh.ts';
import { cross, dot, norm, sub, type Vec } from '../../units/vec.ts';

/** Faces that bend less than this against each other are one face, degrees. */
export const FLAT = 0.5;
/** A blade leans no farther than this, degrees off square. */
export const MOST_BEVEL = 60;
/** What counts as lying on each other in the plane, mm. */
const NEAR = 1e-4;

export interface UnfoldOptions {
	/** Of the material, mm: where plates meet at an edge shorter than their bevel is wide, it is said. */
	thickness: number;
	/** No piece is larger than this either way, mm; null for any size. */
	most: number | null;
	/** Faces that bend more against each other than this are cut apart, degrees; else they are folded where they fit. */
	folds?: number;
	progress?: (share: number) => void;
	/** Asked now and then; true gives up. */
	stop?: () => boolean;
}

/** Two edges of pieces that are joined, or of one piece that meets itself. */
export interface UnfoldedSeam {
	name: string;
	/** mm */
	length: number;
	/** Between the two faces, on the inside, degrees: 180 is flat, more is a hollow. */
	inside: number;
}

/** Triangles that lie flat together. */
export interface Patch {
	triangles: number[];
	/** Edges within it that are not cut: half-edges of both sides. */
	joined: [number, number][];
}

export interface Unfolded {
	pieces: Piece[];
	seams: UnfoldedSeam[];
	/** All seams, each once, mm. */
	seamLength: number;
	patches: Patch[];
	/** x and y of every corner of every triangle, six numbers a triangle. */
	flat: Float64Array;
	/** How much every edge bends, by half-edge: degrees, positive for a ridge; NaN at an open edge. */
	bend: Float64Array;
	notes: Problem[];
}

const next = (h: number) => (h % 3 === 2 ? h - 2 : h + 1);

/** How much the surface bends at each half-edge, and which half-edge lies against it. */
function neighbours(mesh: Mesh): { twin: Int32Array; bend: Float64Array; length: Float64Array } {
	const count = mesh.triangles.length;
	const twin = new Int32Array(count).fill(-1);
	const bend = new Float64Array(count).fill(Number.NaN);
	const length = new Float64Array(count);
	for (let t = 0; t < triangleCount(mesh); t++) {
		const corners = cornersOf(mesh, t);
		for (let k = 0; k < 3; k++) length[3 * t + k] = norm(sub(corners[(k + 1) % 3]!, corners[k]!));
	}
	for (const { sides } of edgesOfMesh(mesh)) {
		if (sides.length !== 2) continue;
		const [h, g] = sides as [number, number];
		// Triangles that run the same way do not lie side by side: the surface is cut there.
		if (mesh.triangles[h] === mesh.triangles[g]) continue;
		twin[h] = g;
		twin[g] = h;
		const [m, n] = [normalOf(mesh, Math.floor(h / 3)), normalOf(mesh, Math.floor(g / 3))];
		const [a, b] = [h, next(h)].map((i) => vertex(mesh, i)) as [Vec, Vec];
		const turn = Math.atan2(norm(cross(m, n)), dot(m, n)) * Math.sign(dot(cross(m, n), sub(b, a)) || 1);
		bend[h] = bend[g] = (turn * 180) / Math.PI;
	}
	return { twin, bend, length };
}
function vertex({ points, triangles }: Mesh, h: number): Vec {
	const p = triangles[h]!;
	return [points[3 * p]!, points[3 * p + 1]!, points[3 * p + 2]!];
}

/** Bends of a curved shape that was cut up finely are small, those of a faceted one are ridges: degrees. */
const GENTLE = 20;
const MANY = 400;

/** Whether a mesh stands for a curved shape rather than for facets: many triangles, most of which bend little against each other. */
export function bendsGently(mesh: Mesh): boolean {
	if (triangleCount(mesh) < MANY) return false;
	const { bend } = neighbours(mesh);
	const bends = bend.map(Math.abs).filter((b) => b >= FLAT);
	return bends.filter((b) => b < GENTLE).length > 0.7 * bends.length;
}

/** The edges that show: where faces bend, and where the surface ends. */
export function ridgesOf(mesh: Mesh): Vec[][] {
	const { twin, bend } = neighbours(mesh);
	return [...twin.keys()]
		.filter((h) => twin[h]! < 0 || (twin[h]! > h && Math.abs(bend[h]!) >= FLAT))
		.map((h) => [vertex(mesh, h), vertex(mesh, next(h))]);
}

/** Each triangle by itself in the plane, seen from outside. */
function laidFlat(mesh: Mesh): Float64Array {
	const flat = new Float64Array(triangleCount(mesh) * 6);
	for (let t = 0; t < triangleCount(mesh); t++) {
		const [a, b, c] = cornersOf(mesh, t);
		const [ab, ac] = [sub(b, a), sub(c, a)];
		const long = norm(ab);
		const x = dot(ab, ac) / long;
		flat.set([0, 0, long, 0, x, norm(cross(ab, ac)) / long], 6 * t);
	}
	return flat;
}

/** Whether the insides of two triangles share more than a sliver: separating axes. */
function overlaps(p: Float64Array, i: number, q: Float64Array, j: number): boolean {
	for (const [tri, at] of [
		[p, i],
		[q, j]
	] as const)
		for (let k = 0; k < 3; k++) {
			const [x0, y0] = [tri[at + 2 * k]!, tri[at + 2 * k + 1]!];
			const m = at + 2 * ((k + 1) % 3);
			const [nx, ny] = [tri[m + 1]! - y0, x0 - tri[m]!];
			const long = Math.hypot(nx, ny) || 1;
			// Counter-clockwise: what lies outside of this edge is on the positive side.
			const [other, from] = tri === p && at === i ? [q, j] : [p, i];
			let least = Infinity;
			for (let c = 0; c < 3; c++)
				least = Math.min(
					least,
					((other[from + 2 * c]! - x0) * nx + (other[from + 2 * c + 1]! - y0) * ny) / long
				);
			if (least > -NEAR) return false;
		}
	return true;
}

/**
 * Unfolds a surface of triangles into pieces that lie flat without covering themselves: faces in one plane first,
 * then the edges that bend least and are longest, each joined only if the two patches do not overlap. Pieces have
 * their fold lines, bevels of half of what the faces bend, and numbered edges whose notches pair.
 */
export function unfold(
	mesh: Mesh,
	{ thickness, most, folds = 180, progress, stop }: UnfoldOptions
): Parsed<Unfolded> {
	const { twin, bend, length } = neighbours(mesh);
	const flat = laidFlat(mesh);
	const count = triangleCount(mesh);
	const patchOf = Int32Array.from({ length: count }, (_, t) => t);
	const patches: number[][] = Array.from({ length: count }, (_, t) => [t]);
	const longest = length.reduce((a, b) => Math.max(a, b), 0);
	const score = (h: number) =>
		Math.abs(bend[h]!) < FLAT ? -1 : Math.abs(bend[h]!) / 180 - (0.4 * length[h]!) / longest;
	const order = [...twin.keys()]
		.filter((h) => twin[h]! > h && Math.abs(bend[h]!) <= Math.max(FLAT, folds))
		.sort((a, b) => score(a) - score(b));

	for (const [done, h] of order.entries()) {
		if (done % 64 === 0) {
			progress?.(done / order.length);
			if (stop?.()) return bad('stopped');
		}
		const g = twin[h]!;
		let [a, b] = [patchOf[Math.floor(h / 3)]!, patchOf[Math.floor(g / 3)]!];
		if (a === b) continue;
		let [on, by] = [h, g];
		if (patches[a]!.length < patches[b]!.length) [a, b, on, by] = [b, a, g, h];
		const moved = movedTo(flat, patches[b]!, on, by);
		if (!fits(flat, patches[a]!, moved, most)) continue;
		patches[b]!.forEach((t, i) => {
			flat.set(moved.subarray(6 * i, 6 * i + 6), 6 * t);
			patchOf[t] = a;
		});
		patches[a]!.push(...patches[b]!);
		patches[b] = [];
	}
	progress?.(1);
	return good(asPieces({ twin, bend, length, flat, patchOf, patches, thickness }));
}

/** How many pieces a faceted shape comes apart into: few large ones that are folded, or many small ones that are joined. */
export const UNFOLD_WAYS = {
	few: { folds: 180, words: 'few large pieces, folded wherever they fit' },
	ridges: { folds: 45, words: 'cut at the ridges, folded in between' },
	facets: { folds: 0, words: 'each facet by itself' }
} as const;
export type UnfoldWayKey = keyof typeof UNFOLD_WAYS;
export interface UnfoldWay extends Unfolded {
	key: UnfoldWayKey;
}

/** A shape unfolded each way, the fewest pieces first; a way that comes to the same as the one before is left out. */
export function unfoldWays(mesh: Mesh, options: Omit<UnfoldOptions, 'folds'>): Parsed<UnfoldWay[]> {
	const keys = Object.keys(UNFOLD_WAYS) as UnfoldWayKey[];
	const ways: UnfoldWay[] = [];
	for (const [i, key] of keys.entries()) {
		const done = unfold(mesh, {
			...options,
			folds: UNFOLD_WAYS[key].folds,
			progress: (share) => options.progress?.((i + share) / keys.length)
		});
		if (!done.ok) return done;
		const before = ways.at(-1);
		const { pieces, seams } = done.value;
		if (before?.pieces.length !== pieces.length || before.seams.length !== seams.length)
			ways.push({ key, ...done.value });
	}
	return good(ways);
}

/** Corners of a patch's triangles, moved so that its edge `by` lies against the edge `on`. */
function movedTo(flat: Float64Array, patch: readonly number[], on: number, by: number): Float64Array {
	const at = (h: number): Point => [flat[2 * h]!, flat[2 * h + 1]!];
	const [p, q] = [at(on), at(next(on))];
	const [r, s] = [at(by), at(next(by))];
	const angle = Math.atan2(p[1] - q[1], p[0] - q[0]) - Math.atan2(s[1] - r[1], s[0] - r[0]);
	const [c, d] = [Math.cos(angle), Math.sin(angle)];
	const moved = new Float64Array(patch.length * 6);
	patch.forEach((t, i) => {
		for (let k = 0; k < 3; k++) {
			const [x, y] = [flat[6 * t + 2 * k]! - r[0], flat[6 * t + 2 * k + 1]! - r[1]];
			moved[6 * i + 2 * k] = q[0] + x * c - y * d;
			moved[6 * i + 2 * k + 1] = q[1] + x * d + y * c;
		}
	});
	return moved;
}

function fits(
	flat: Float64Array,
	patch: readonly number[],
	moved: Float64Array,
	most: number | null
): boolean {
	const box = [Infinity, Infinity, -Infinity, -Infinity] as [number, number, number, number];
	const grow = (list: Float64Array, from: number) => {
		for (let k = 0; k < 3; k++) {
			const [x, y] = [list[from + 2 * k]!, list[from + 2 * k + 1]!];
			box[0] = Math.min(box[0], x);
			box[1] = Math.min(box[1], y);
			box[2] = Math.max(box[2], x);
			box[3] = Math.max(box[3], y);
		}
	};
	for (let i = 0; i < moved.length; i += 6) grow(moved, i);
	const [left, bottom, right, top] = box;
	if (most !== null) {
		for (const t of patch) grow(flat, 6 * t);
		if (box[2] - box[0] > most || box[3] - box[1] > most) return false;
	}
	for (const t of patch) {
		const o = 6 * t;
		const [x0, x1, x2] = [flat[o]!, flat[o + 2]!, flat[o + 4]!];
		const [y0, y1, y2] = [flat[o + 1]!, flat[o + 3]!, flat[o + 5]!];
		const [l, r] = [Math.min(x0, x1, x2), Math.max(x0, x1, x2)];
		const [b, u] = [Math.min(y0, y1, y2), Math.max(y0, y1, y2)];
		if (l > right || r < left || b > top || u < bottom) continue;
		for (let i = 0; i < moved.length; i += 6) {
			const [m0, m1, m2] = [moved[i]!, moved[i + 2]!, moved[i + 4]!];
			if (Math.min(m0, m1, m2) > r || Math.max(m0, m1, m2) < l) continue;
			const [n0, n1, n2] = [moved[i + 1]!, moved[i + 3]!, moved[i + 5]!];
			if (Math.min(n0, n1, n2) > u || Math.max(n0, n1, n2) < b) continue;
			if (overlaps(flat, o, moved, i)) return false;
		}
	}
	return true;
}

interface Laid {
	twin: Int32Array;
	bend: Float64Array;
	length: Float64Array;
	flat: Float64Array;
	patchOf: Int32Array;
	patches: readonly (readonly number[])[];
	thickness: number;
}

function asPieces({ twin, bend, length, flat, patchOf, patches, thickness }: Laid): Unfolded {
	const at = (h: number): Point => [flat[2 * h]!, flat[2 * h + 1]!];
	const close = (p: Point, q: Point) => Math.hypot(p[0] - q[0], p[1] - q[1]) < 10 * NEAR;
	/** Not cut: both sides are in one patch and lie on each other. */
	const whole = (h: number) => {
		const g = twin[h]!;
		return (
			g >= 0 &&
			patchOf[Math.floor(h / 3)] === patchOf[Math.floor(g / 3)] &&
			close(at(h), at(next(g))) &&
			close(at(next(h)), at(g))
		);
	};
	const names = new Map<number, string>();
	const seams: UnfoldedSeam[] = [];
	for (let h = 0; h < twin.length; h++) {
		const g = twin[h]!;
		if (g < h || whole(h)) continue;
		const name = String(seams.length + 1);
		names.set(h, name);
		names.set(g, name);
		seams.push({ name, length: length[h]!, inside: 180 - bend[h]! });
	}
	const kept: Patch[] = [];
	const pieces: Piece[] = [];
	let [steep, narrow] = [0, 0];
	for (const patch of patches) {
		if (patch.length === 0) continue;
		const sides = patch.flatMap((t) => [3 * t, 3 * t + 1, 3 * t + 2]);
		kept.push({
			triangles: [...patch],
			joined: sides.filter((h) => whole(h) && twin[h]! > h).map((h) => [h, twin[h]!])
		});
		const lines = sides
			.filter((h) => whole(h) && twin[h]! > h && Math.abs(bend[h]!) >= FLAT)
			.map((h): InnerLine => ({ use: 'fold', points: [at(h), at(next(h))] }));
		const left = new Set(sides.filter((h) => !whole(h)));
		const loops: { outline: Outline; notches: Notch[] }[] = [];
		while (left.size) {
			const first = left.values().next().value!;
			const edges: Edge[] = [];
			const notches: Notch[] = [];
			let h = first;
			do {
				left.delete(h);
				const its = names.get(h);
				const bevel = Number.isNaN(bend[h]!) ? 0 : bend[h]! / 2;
				if (its !== undefined) {
					notches.push({ edge: edges.length, along: length[h]! / 2, pair: its });
					if (Math.abs(bevel) > MOST_BEVEL) steep++;
					if (thickness * Math.tan((Math.abs(bevel) * Math.PI) / 180) > length[h]!) narrow++;
				}
				let to = next(h);
				while (whole(to)) to = next(twin[to]!);
				edges.push({
					kind: 'line',
					// Where the next edge begins, to the last digit.
					to: at(to),
					...(its === undefined ? {} : { seam: its }),
					...(Math.abs(bevel) < FLAT / 2
						? {}
						: { bevel: Math.max(-80, Math.min(80, Math.round(bevel * 100) / 100)) })
				});
				h = to;
			} while (h !== first && left.has(h));
			loops.push({ outline: { start: at(first), edges }, notches });
		}
		const outer = loops.reduce((a, b) => (signedArea(b.outline) > signedArea(a.outline) ? b : a));
		pieces.push({
			name: `part ${pieces.length + 1}`,
			outline: outer.outline,
			holes: loops.filter((l) => l !== outer).map((l) => l.outline),
			lines,
			notches: outer.notches,
			grain: null,
			quantity: 1,
			mirrored: false,
			foldEdge: null
		});
	}
	const notes: Problem[] = [];
	const note = (code: 'unfoldSteep' | 'unfoldNarrow', count: number) =>
		count && notes.push(problem(code, { count }));
	note('unfoldSteep', steep / 2);
	note('unfoldNarrow', narrow / 2);
	return {
		pieces,
		seams,
		seamLength: seams.reduce((sum, s) => sum + s.length, 0),
		patches: kept,
		flat,
		bend,
		notes
	};
}
