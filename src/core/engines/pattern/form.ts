import type { Point3 } from '../../units/point.ts';

/** A surface of triangles, counter-clockwise seen from without. mm. */
export interface FormMesh {
	vertices: readonly Point3[];
	faces: readonly (readonly [number, number, number])[];
}

/**
 * What a shape looks like assembled: the surface through the middle of its thickness. `round` goes round a limb, z up along it and −y
 * to where it is turned; `on` lies on the surface of a limb, z out of it and y up along it; `there` stands where its seams were drawn.
 */
export interface AssembledForm {
	mesh: FormMesh;
	way: 'round' | 'on' | 'there';
	/** Which of its own heights lies where it is placed, mm. */
	at: number;
	/** Bent by hand round what is within: each round of it keeps its girth and takes the limb's section. */
	bends: boolean;
	/** mm */
	thickness: number;
}

/** Faces are about so long, mm. */
const EVERY = 20;
/** What lies nearer is one point, mm. */
const NEAR = 1e-3;

/** Points along a line, none farther from the next than it should be. */
export function evenly<P extends readonly number[]>(line: readonly P[], every = EVERY): P[] {
	const all = line.slice(1).flatMap((q, i) => {
		const p = line[i]!;
		const n = Math.max(1, Math.ceil(Math.hypot(...q.map((v, k) => v - p[k]!)) / every));
		return Array.from(
			{ length: n },
			(_, k) => p.map((v, axis) => v + ((q[axis]! - v) * k) / n) as unknown as P
		);
	});
	return [...all, line.at(-1)!];
}

/** Rows from one to another of equally many points, none farther from the next than it should be. */
export function between(from: readonly Point3[], to: readonly Point3[], every = EVERY): Point3[][] {
	const apart = Math.max(...from.map((p, i) => Math.hypot(...p.map((v, k) => v - to[i]![k]!))));
	const n = Math.max(1, Math.ceil(apart / every));
	return Array.from({ length: n + 1 }, (_, k) =>
		from.map((p, i) => p.map((v, axis) => v + ((to[i]![axis]! - v) * k) / n) as unknown as Point3)
	);
}

/** The surface between rows of equally many points, each row above the one before and running to the left seen from within. */
export function rowsMesh(...grids: readonly (readonly Point3[])[][]): FormMesh {
	const vertices: Point3[] = [];
	const faces: [number, number, number][] = [];
	const known = new Map<string, number>();
	const idOf = (p: Point3): number => {
		const key = p.map((v) => Math.round(v / NEAR)).join(' ');
		const at = known.get(key) ?? vertices.push(p) - 1;
		known.set(key, at);
		return at;
	};
	for (const grid of grids) {
		const rows = grid.map((row) => row.map(idOf));
		for (const [r, row] of rows.slice(1).entries())
			for (let i = 0; i + 1 < row.length; i++) {
				const [a, b, c, d] = [rows[r]![i]!, rows[r]![i + 1]!, row[i + 1]!, row[i]!];
				for (const face of [
					[a, b, c],
					[a, c, d]
				] as [number, number, number][])
					if (new Set(face).size === 3) faces.push(face);
			}
	}
	return { vertices, faces };
}

/** A line turned about the axis, from the lowest up. @param part of the whole round, its middle at −y */
export function turnedMesh(
	profile: readonly (readonly [radius: number, z: number])[],
	part = 1,
	parts = 48
): FormMesh {
	const steps = Math.max(4, Math.ceil(parts * part));
	return rowsMesh(
		evenly(profile).map(([r, z]) =>
			Array.from({ length: steps + 1 }, (_, i): Point3 => {
				const a = Math.PI * (-0.5 + part * ((2 * i) / steps - 1));
				return [r * Math.cos(a), r * Math.sin(a), z];
			})
		)
	);
}

/** A closed box on z = 0, its middle on the axis. */
export function boxMesh(width: number, height: number, depth: number): FormMesh {
	const [x, y] = [width / 2, height / 2];
	const ring = (z: number): Point3[] =>
		evenly<Point3>([
			[-x, -y, z],
			[x, -y, z],
			[x, y, z],
			[-x, y, z],
			[-x, -y, z]
		]);
	const middle = (z: number): Point3[] => ring(z).map(() => [0, 0, z]);
	return rowsMesh([
		...between(middle(0), ring(0)),
		...between(ring(0), ring(depth)).slice(1),
		...between(ring(depth), middle(depth)).slice(1)
	]);
}

/** Several surfaces as one. */
export function together(...meshes: readonly FormMesh[]): FormMesh {
	const vertices: Point3[] = [];
	const faces: [number, number, number][] = [];
	for (const mesh of meshes) {
		const from = vertices.length;
		vertices.push(...mesh.vertices);
		for (const [a, b, c] of mesh.faces) faces.push([a + from, b + from, c + from]);
	}
	return { vertices, faces };
}

export const mapped = (mesh: FormMesh, to: (p: Point3) => Point3): FormMesh => ({
	...mesh,
	vertices: mesh.vertices.map(to)
});

/** The same surface seen from its other side: of what was mirrored. */
export const turnedOver = ({ vertices, faces }: FormMesh): FormMesh => ({
	vertices,
	faces: faces.map(([a, b, c]) => [a, c, b] as const)
});
