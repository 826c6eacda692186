import { MeshoptSimplifier } from 'meshoptimizer/simplifier';
import { type Mesh, triangleCount } from './mesh.ts';

/** No point moves farther than this share of the size of the mesh. */
const MOST_MOVED = 0.005;

/**
 * Fewer triangles where a mesh has more than serve: edges are closed up where that changes the shape least (Garland and Heckbert 1997).
 *
 * @param most that are wanted; more are left where the shape would move too far
 */
export async function thinned(mesh: Mesh, most: number, moved = MOST_MOVED): Promise<Mesh> {
	if (triangleCount(mesh) <= most) return mesh;
	await MeshoptSimplifier.ready;
	const positions = Float32Array.from(mesh.points);
	const same = MeshoptSimplifier.generatePositionRemap(positions, 3);
	const [triangles] = MeshoptSimplifier.simplify(
		mesh.triangles.map((i) => same[i]!),
		positions,
		3,
		most * 3,
		moved
	);
	const used = new Map<number, number>();
	const to = triangles.map((i) => {
		if (!used.has(i)) used.set(i, used.size);
		return used.get(i)!;
	});
	return {
		points: Float64Array.from([...used.keys()].flatMap((i) => [...mesh.points.subarray(3 * i, 3 * i + 3)])),
		triangles: to
	};
}
