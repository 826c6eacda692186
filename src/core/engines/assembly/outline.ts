import { FillRule, unionD } from 'clipper2-ts';
import type { Point, Point3 } from '../../units/point.ts';
import type { FormMesh } from '../pattern/form.ts';

/** From where the wearer is looked at; left and right are the wearer's own. */
export const LOOKED_FROM = ['front', 'left', 'back', 'right'] as const;
export type LookedFrom = (typeof LOOKED_FROM)[number];

/** Where a point is seen, without perspective: x to the right, y up, mm. */
export function seenAt([x, y, z]: Point3, from: LookedFrom): Point {
	if (from === 'front') return [x, y];
	if (from === 'back') return [-x, y];
	return [from === 'left' ? -z : z, y];
}

/** What surfaces cover, seen from one side: outlines that do not meet, holes the other way round. mm. */
export function covered(meshes: readonly FormMesh[], from: LookedFrom): Point[][] {
	const faces = meshes.flatMap(({ vertices, faces: its }) => {
		const seen = vertices.map((p) => seenAt(p, from));
		return its.flatMap((f) => {
			const [a, b, c] = f.map((v) => seen[v]!) as [Point, Point, Point];
			const turn = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
			if (Math.abs(turn) < 1e-6) return [];
			return [(turn > 0 ? [a, b, c] : [a, c, b]).map(([x, y]) => ({ x, y }))];
		});
	});
	return unionD(faces, [], FillRule.NonZero, 3).map((path) => path.map(({ x, y }): Point => [x, y]));
}
