import { BufferAttribute, BufferGeometry, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import type { Point3 } from '../../units/point.ts';
import { roomBetween } from './measures.ts';
import { cross, dot, norm, sub } from '../../units/vec.ts';
import type { FormMesh } from '../pattern/form.ts';

/** A surface that can be asked how far off a point is. */
export interface Sought {
	mesh: FormMesh;
	tree: MeshBVH;
	/** Edges that have a face on one side only, by both ends, and those ends. */
	open: ReadonlySet<string>;
	ends: ReadonlySet<number>;
}
/** What is farther off is not above or beneath it, mm. */
const REACH = 80;
/** Nearer to an edge than this, as a share of the face, is on it. */
const ON_EDGE = 1e-3;

const edgeKey = (a: number, b: number) => (a < b ? `${a} ${b}` : `${b} ${a}`);

export function sought(mesh: FormMesh): Sought {
	const geometry = new BufferGeometry();
	geometry.setAttribute('position', new BufferAttribute(Float32Array.from(mesh.vertices.flat()), 3));
	geometry.setIndex(mesh.faces.flat());
	const sides = new Map<string, number>();
	for (const f of mesh.faces)
		for (let k = 0; k < 3; k++) {
			const key = edgeKey(f[k]!, f[(k + 1) % 3]!);
			sides.set(key, (sides.get(key) ?? 0) + 1);
		}
	const open = new Set([...sides].flatMap(([key, n]) => (n === 1 ? [key] : [])));
	const ends = new Set([...open].flatMap((key) => key.split(' ').map(Number)));
	return { mesh, tree: new MeshBVH(geometry, { indirect: true }), open, ends };
}

/**
 * How far a point lies off a surface, mm: more than 0 without, less within. Null where the surface ends before it is beneath the point,
 * or where it is farther off than anything that lies over it.
 */
export function offSurface({ mesh, tree, open, ends }: Sought, point: Point3): number | null {
	const hit = tree.closestPointToPoint(new Vector3(...point), undefined, 0, REACH);
	if (!hit || hit.distance > REACH) return null;
	const face = mesh.faces[hit.faceIndex]!;
	const [a, b, c] = face.map((v) => mesh.vertices[v]!) as [Point3, Point3, Point3];
	const at: Point3 = [hit.point.x, hit.point.y, hit.point.z];
	const normal = cross(sub(b, a), sub(c, a));
	const whole = norm(normal);
	if (whole === 0) return null;
	// Share of the face that lies opposite to each corner: 0 on the edge against it.
	const share = (p: Point3, q: Point3) => dot(cross(sub(q, p), sub(at, p)), normal) / whole / whole;
	const shares = [share(b, c), share(c, a), share(a, b)];
	for (let k = 0; k < 3; k++) {
		if (shares[k]! > 1 - ON_EDGE && ends.has(face[k]!)) return null;
		if (shares[k]! < ON_EDGE && open.has(edgeKey(face[(k + 1) % 3]!, face[(k + 2) % 3]!))) return null;
	}
	return hit.distance * Math.sign(dot(sub(point, at), normal) || 1);
}

/** How something lies over something else: clear of it, into it, or all beneath it. */
export interface Room {
	lies: 'over' | 'into' | 'within';
	/** Between the middles of both walls where they are nearest; less than 0 is how far one is through the other, mm. */
	apart: number;
	/** Between their faces, mm. */
	mm: number;
	at: Point3;
}

/**
 * How much room is left between the faces of two walls of these thicknesses, mm.
 * @returns null where neither lies over the other
 */
export function roomOver(
	points: readonly Point3[],
	lower: Sought,
	thickness: readonly [upper: number, lower: number]
): Room | null {
	let [least, most] = [Infinity, -Infinity];
	let [low, high] = [0, 0];
	for (const [i, point] of points.entries()) {
		const off = offSurface(lower, point);
		if (off === null) continue;
		if (off < least) [least, low] = [off, i];
		if (off > most) [most, high] = [off, i];
	}
	if (most === -Infinity) return null;
	// Nothing lies within a body; within a sheet that is open something may. Where they cross, as far as the smaller part is through.
	const beneath = lower.open.size > 0 && least < 0 && most < -least;
	const apart = beneath ? -most : least;
	const mm = roomBetween(apart, ...thickness);
	const lies = mm < 0 ? 'into' : beneath ? 'within' : 'over';
	return { lies, apart, mm, at: points[beneath ? high : low]! };
}
