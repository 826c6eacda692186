import type { KeptForm } from '../../facts/placement.ts';
import { type Mesh, pointOf } from './mesh.ts';

/** So many faces show what a shape is: it is thinned to them where it is read. */
export const FACES_KEPT = 1500;
/** Points are kept to so many parts of a millimetre. */
const PARTS = 10;

/** A mesh as it is kept with its shape. */
export function formOf(mesh: Mesh): KeptForm {
	const of = (i: number) =>
		pointOf(mesh, i).map((v) => Math.round(v * PARTS) / PARTS) as [number, number, number];
	return {
		vertices: Array.from({ length: mesh.points.length / 3 }, (_, i) => of(i)),
		faces: Array.from({ length: mesh.triangles.length / 3 }, (_, t) => [
			mesh.triangles[3 * t]!,
			mesh.triangles[3 * t + 1]!,
			mesh.triangles[3 * t + 2]!
		])
	};
}
