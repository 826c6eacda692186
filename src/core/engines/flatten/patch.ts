import { cross, dot, norm, sub, type Vec } from '../../units/vec.ts';

/** A part of a surface that is laid flat by itself, cut open where it is cut: points that a cut parts are two. */
export interface Patch {
	/** The faces it has, as numbered in the whole. */
	faces: number[];
	/** Its own points, three of them a face. */
	corners: Int32Array;
	/** The point of the whole that each of its own is. */
	vertices: number[];
	/** Closed rounds of its own points, counter-clockwise seen from without; and the half-edge that begins at each. */
	borders: number[][];
	rims: number[][];
	/** Points − edges + faces: 1 where it can be laid flat as one disk. */
	euler: number;
}

/** A surface of triangles and where it is cut open. Half-edge 3f + k runs from corner k of face f to the next. */
export interface Surface {
	vertices: readonly Vec[];
	faces: readonly (readonly [number, number, number])[];
	/** The half-edge that lies against each; −1 at a border. */
	twin: Int32Array;
	/** How long each half-edge is on the curved surface that the triangles stand for, mm; where nothing is said, straight. */
	lengths?: Float64Array;
	/** By what share each half-edge is longer than what it meets, eased in on purpose. */
	eased?: Float64Array;
}

export const nextOf = (h: number): number => (h % 3 === 2 ? h - 2 : h + 1);
export const startOf = ({ faces }: Surface, h: number): number => faces[Math.floor(h / 3)]![h % 3]!;
export const endOf = (surface: Surface, h: number): number => startOf(surface, nextOf(h));

export function lengthOf(surface: Surface, h: number): number {
	if (surface.lengths) return surface.lengths[h]!;
	return norm(sub(surface.vertices[endOf(surface, h)]!, surface.vertices[startOf(surface, h)]!));
}

/** Triangles that run against each other at an edge are neighbours; where more than two meet, or they run the same way, it is open. */
export function surfaceOf(vertices: readonly Vec[], faces: Surface['faces']): Surface {
	const halves = new Map<string, number[]>();
	const surface: Surface = { vertices, faces, twin: new Int32Array(faces.length * 3).fill(-1) };
	for (let h = 0; h < faces.length * 3; h++) {
		const key = `${startOf(surface, h)} ${endOf(surface, h)}`;
		halves.set(key, [...(halves.get(key) ?? []), h]);
	}
	for (const [key, its] of halves) {
		const against = halves.get(key.split(' ').reverse().join(' '));
		if (its.length === 1 && against?.length === 1) surface.twin[its[0]!] = against[0]!;
	}
	return surface;
}

/** Each triangle by itself in the plane, by the lengths of its sides: x of its second corner, x and y of its third. */
export function restOf(surface: Surface, f: number): [number, number, number] {
	const [ab, bc, ca] = [0, 1, 2].map((k) => lengthOf(surface, 3 * f + k)) as [number, number, number];
	const x = (ab * ab + ca * ca - bc * bc) / (2 * ab);
	// Heron's formula in the form that does not cancel (Kahan 1983).
	const [l, m, s] = [ab, bc, ca].sort((p, q) => q - p) as [number, number, number];
	const under = (l + (m + s)) * (s - (l - m)) * (s + (l - m)) * (l + (m - s));
	return [ab, x, Math.sqrt(Math.max(under, 1e-18)) / 2 / ab];
}

/** How much the surface bends at a half-edge, radians; 0 at a border. */
export function bendAt({ vertices, faces, twin }: Surface, h: number): number {
	if (twin[h]! < 0) return 0;
	const normal = (f: number) => {
		const [a, b, c] = faces[f]!.map((v) => vertices[v]!) as [Vec, Vec, Vec];
		return cross(sub(b, a), sub(c, a));
	};
	const [m, n] = [normal(Math.floor(h / 3)), normal(Math.floor(twin[h]! / 3))];
	return Math.atan2(norm(cross(m, n)), dot(m, n));
}

/** The parts that a surface falls into, with `cut` edges (both halves) open. */
export function partsOf(surface: Surface, cut: Uint8Array, among?: readonly number[]): number[][] {
	const { twin, faces } = surface;
	const seen = new Uint8Array(faces.length).fill(among ? 1 : 0);
	for (const f of among ?? []) seen[f] = 0;
	const parts: number[][] = [];
	for (const first of among ?? faces.keys()) {
		if (seen[first]) continue;
		seen[first] = 1;
		const part = [first];
		for (let i = 0; i < part.length; i++)
			for (let k = 0; k < 3; k++) {
				const h = 3 * part[i]! + k;
				const g = twin[h]!;
				if (g < 0 || cut[h] || seen[Math.floor(g / 3)]) continue;
				seen[Math.floor(g / 3)] = 1;
				part.push(Math.floor(g / 3));
			}
		parts.push(part);
	}
	return parts;
}

/** The patch that some faces make. */
export function patchOf(surface: Surface, cut: Uint8Array, faces: readonly number[]): Patch {
	const { twin } = surface;
	const local = new Map(faces.map((f, i) => [f, i]));
	const open = (h: number) => twin[h]! < 0 || !!cut[h] || !local.has(Math.floor(twin[h]! / 3));
	const corners = new Int32Array(faces.length * 3).fill(-1);
	const vertices: number[] = [];
	let edges = 0;
	for (const f of faces)
		for (let k = 0; k < 3; k++) {
			const h = 3 * f + k;
			if (open(h) || twin[h]! > h) edges++;
			if (corners[3 * local.get(f)! + k]! >= 0) continue;
			const id = vertices.length;
			vertices.push(startOf(surface, h));
			// Round the point, both ways, until what is open.
			for (let at = h; ;) {
				corners[3 * local.get(Math.floor(at / 3))! + (at % 3)] = id;
				if (open(at)) break;
				at = nextOf(twin[at]!);
				if (at === h) break;
			}
			for (let at = h; ;) {
				const before = nextOf(nextOf(at));
				if (open(before)) break;
				at = twin[before]!;
				if (at === h) break;
				corners[3 * local.get(Math.floor(at / 3))! + (at % 3)] = id;
			}
		}
	const corner = (h: number) => corners[3 * local.get(Math.floor(h / 3))! + (h % 3)]!;
	const borders: number[][] = [];
	const rims: number[][] = [];
	const seen = new Set<number>();
	for (const f of faces)
		for (let k = 0; k < 3; k++) {
			const first = 3 * f + k;
			if (!open(first) || seen.has(first)) continue;
			const round: number[] = [];
			const rim: number[] = [];
			for (let h = first; !seen.has(h);) {
				seen.add(h);
				round.push(corner(h));
				rim.push(h);
				h = nextOf(h);
				while (!open(h)) h = nextOf(twin[h]!);
			}
			borders.push(round);
			rims.push(rim);
		}
	return {
		faces: [...faces],
		corners,
		vertices,
		borders,
		rims,
		euler: vertices.length - edges + faces.length
	};
}
