import type { Mesh } from '../../src/core/engines/mesh/mesh.ts';

/** A mesh from points and faces of any number of corners, each as a fan. */
export function meshOf(points: readonly (readonly number[])[], faces: readonly (readonly number[])[]): Mesh {
	return {
		points: new Float64Array(points.flat()),
		triangles: new Uint32Array(
			faces.flatMap((f) => f.slice(1, -1).flatMap((_, i) => [f[0]!, f[i + 1]!, f[i + 2]!]))
		)
	};
}

const PHI = (1 + Math.sqrt(5)) / 2;
/** The five regular solids about the origin. Faces are found as the flat sides of the hull, by brute force. */
const CORNERS: Record<string, number[][]> = {
	tetrahedron: [
		[1, 1, 1],
		[1, -1, -1],
		[-1, 1, -1],
		[-1, -1, 1]
	],
	cube: signs([1, 1, 1]),
	octahedron: [0, 1, 2].flatMap((k) => [1, -1].map((s) => [0, 1, 2].map((i) => (i === k ? s : 0)))),
	dodecahedron: [...signs([1, 1, 1]), ...cyclic([0, 1 / PHI, PHI])],
	icosahedron: cyclic([0, 1, PHI])
};
function signs(v: number[]): number[][] {
	return v.reduce<number[][]>(
		(all, x) =>
			all.flatMap((p) =>
				x === 0
					? [[...p, 0]]
					: [
							[...p, x],
							[...p, -x]
						]
			),
		[[]]
	);
}
function cyclic([a, b, c]: number[]): number[][] {
	return [
		[a!, b!, c!],
		[c!, a!, b!],
		[b!, c!, a!]
	].flatMap(signs);
}

export const SOLIDS = Object.keys(CORNERS);

export function solid(name: string, size: number): Mesh {
	const points = CORNERS[name]!.map((p) => p.map((v) => v * size));
	const faces: number[][] = [];
	const seen = new Set<string>();
	const n = points.length;
	const minus = (a: number[], b: number[]) => a.map((v, i) => v - b[i]!);
	const dot = (a: number[], b: number[]) => a.reduce((s, v, i) => s + v * b[i]!, 0);
	const cross = (a: number[], b: number[]) => [
		a[1]! * b[2]! - a[2]! * b[1]!,
		a[2]! * b[0]! - a[0]! * b[2]!,
		a[0]! * b[1]! - a[1]! * b[0]!
	];
	for (let i = 0; i < n; i++)
		for (let j = i + 1; j < n; j++)
			for (let k = j + 1; k < n; k++) {
				let normal = cross(minus(points[j]!, points[i]!), minus(points[k]!, points[i]!));
				if (dot(normal, points[i]!) < 0) normal = normal.map((v) => -v);
				const far = dot(normal, points[i]!);
				const eps = 1e-9 * Math.abs(far);
				if (points.some((p) => dot(normal, p) > far + eps) || far < eps) continue;
				const on = points.flatMap((p, m) => (Math.abs(dot(normal, p) - far) <= eps * 10 ? [m] : []));
				const key = on.join(' ');
				if (seen.has(key)) continue;
				seen.add(key);
				const middle = [0, 1, 2].map((x) => on.reduce((s, m) => s + points[m]![x]!, 0) / on.length);
				const u = minus(points[on[0]!]!, middle);
				const v = cross(normal, u);
				const angle = (m: number) =>
					Math.atan2(
						dot(minus(points[m]!, middle), v) / Math.sqrt(dot(v, v)),
						dot(minus(points[m]!, middle), u) / Math.sqrt(dot(u, u))
					);
				faces.push([...on].sort((a, b) => angle(a) - angle(b)));
			}
	return meshOf(points, faces);
}

/** A ball with bumps, of so many rings and sectors: a free form with ridges and hollows. */
export function bumpy(rings: number, sectors: number, radius: number, bump: number): Mesh {
	const points: number[][] = [[0, 0, radius]];
	for (let r = 1; r < rings; r++)
		for (let s = 0; s < sectors; s++) {
			const [a, b] = [(Math.PI * r) / rings, (2 * Math.PI * s) / sectors];
			const far = radius * (1 + bump * Math.sin(3 * b) * Math.sin(2 * a));
			points.push([far * Math.sin(a) * Math.cos(b), far * Math.sin(a) * Math.sin(b), far * Math.cos(a)]);
		}
	points.push([0, 0, -radius]);
	const at = (r: number, s: number) => 1 + (r - 1) * sectors + (s % sectors);
	const faces: number[][] = [];
	for (let s = 0; s < sectors; s++) {
		faces.push([0, at(1, s), at(1, s + 1)]);
		for (let r = 1; r < rings - 1; r++) {
			faces.push([at(r, s), at(r + 1, s), at(r + 1, s + 1)], [at(r, s), at(r + 1, s + 1), at(r, s + 1)]);
		}
		faces.push([at(rings - 1, s), points.length - 1, at(rings - 1, s + 1)]);
	}
	return meshOf(points, faces);
}

/** The mesh as a binary STL file. */
export function binaryStlOf({ points, triangles }: Mesh): Uint8Array {
	const bytes = new Uint8Array(84 + (triangles.length / 3) * 50);
	const view = new DataView(bytes.buffer);
	view.setUint32(80, triangles.length / 3, true);
	triangles.forEach((p, i) => {
		const at = 84 + Math.floor(i / 3) * 50 + 12 + (i % 3) * 12;
		for (let k = 0; k < 3; k++) view.setFloat32(at + 4 * k, points[3 * p + k]!, true);
	});
	return bytes;
}
