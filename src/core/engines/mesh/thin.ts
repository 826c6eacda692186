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
	const same = MeshoptSimplifier.generatePositionRemap(Float32Array.from(mesh.points), 3);
	const joined = compact({ points: mesh.points, triangles: mesh.triangles.map((i) => same[i]!) });
	const [triangles] = MeshoptSimplifier.simplify(
		joined.triangles,
		Float32Array.from(joined.points),
		3,
		most * 3,
		moved
	);
	return compact({ points: joined.points, triangles });
}

/** Only the points that triangles use. */
function compact({ points, triangles }: Mesh): Mesh {
	const to = new Int32Array(points.length / 3).fill(-1);
	const used: number[] = [];
	const renamed = triangles.map((i) => {
		if (to[i]! < 0) to[i] = used.push(i) - 1;
		return to[i]!;
	});
	const kept = new Float64Array(used.length * 3);
	used.forEach((i, n) => kept.set(points.subarray(3 * i, 3 * i + 3), 3 * n));
	return { points: kept, triangles: renamed };
}
