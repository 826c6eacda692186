import { FillRule, unionD } from 'clipper2-ts';
import type { Angle } from '../../facts/picture.ts';
import type { Point, Point3 } from '../../units/point.ts';
import type { FormMesh } from '../pattern/form.ts';

/** From where the wearer is looked at; left and right are the wearer’s own. */
export type LookedFrom = Exclude<Angle, 'detail'>;
/** A face that is seen from its edge covers nothing, mm². */
const NOTHING = 1e-9;

/** Where a point is seen, without perspective: x to the right, y up, mm. */
export function seenAt([x, y, z]: Point3, from: LookedFrom): Point {
	if (from === 'front') return [x, y];
	if (from === 'back') return [-x, y];
	return [from === 'left' ? -z : z, y];
}

/** How far a surface stands towards whoever looks, in the mean, mm: less than 0 is beyond the middle of the wearer. */
export function towards({ vertices }: FormMesh, from: LookedFrom): number {
	const axis = from === 'front' || from === 'back' ? 2 : 0;
	const sign = from === 'front' || from === 'left' ? 1 : -1;
	return (sign * vertices.reduce((sum, p) => sum + p[axis], 0)) / vertices.length;
}

/**
 * What surfaces cover, seen from one side: outlines that do not meet, holes the other way round. mm. Faces that are seen from without
 * cover what the lines go round where they end; so do those that are seen from within.
 */
export function covered(meshes: readonly FormMesh[], from: LookedFrom): Point[][] {
	const loops = meshes.flatMap(({ vertices, faces }) => {
		const seen = vertices.map((p) => seenAt(p, from));
		const turned = ([a, b, c]: readonly [number, number, number]) => {
			const [p, q, r] = [seen[a]!, seen[b]!, seen[c]!];
			return (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
		};
		const [without, within]: [number[][], number[][]] = [[], []];
		for (const f of faces) {
			const turn = turned(f);
			if (turn > NOTHING) without.push([...f]);
			else if (turn < -NOTHING) within.push([f[0], f[2], f[1]]);
		}
		return [...borders(without, vertices.length), ...borders(within, vertices.length)].map((loop) =>
			loop.map((v) => ({ x: seen[v]![0], y: seen[v]![1] }))
		);
	});
	return unionD(loops, [], FillRule.NonZero, 3).map((path) => path.map(({ x, y }): Point => [x, y]));
}

/** Closed lines round where triangles end that all turn the same way; edges between two of them are none. */
function borders(faces: readonly (readonly number[])[], count: number): number[][] {
	const edges = new Set<number>();
	for (const f of faces)
		for (let k = 0; k < 3; k++) {
			const [a, b] = [f[k]!, f[(k + 1) % 3]!];
			if (!edges.delete(b * count + a)) edges.add(a * count + b);
		}
	const next = new Map<number, number[]>();
	for (const key of edges) {
		const from = Math.floor(key / count);
		const its = next.get(from);
		if (its) its.push(key % count);
		else next.set(from, [key % count]);
	}
	const loops: number[][] = [];
	for (const [start, its] of next)
		while (its.length) {
			const loop = [start];
			// As many lines end at a point as begin there: it comes back.
			for (let at = its.pop()!; at !== start; at = next.get(at)!.pop()!) loop.push(at);
			loops.push(loop);
		}
	return loops;
}
