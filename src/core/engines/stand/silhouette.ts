import { FillRule, unionD } from 'clipper2-ts';
import { polygonHull } from 'd3-polygon';
import type { Point } from '../../units/point.ts';
import { ROUND, type Stand } from './form.ts';
import { limbSurface } from './surface.ts';

export const STAND_VIEWS = ['front', 'side', 'back'] as const;
export type StandView = (typeof STAND_VIEWS)[number];

/** The outlines of a form seen from one side, mm, x to the right and y up: where it covers what lies behind. */
export function silhouetteOf(stand: Stand, view: StandView): Point[][] {
	const seen = ([x, y, z]: readonly [number, number, number]): [number, number] =>
		view === 'side' ? [z, y] : [view === 'back' ? -x : x, y];
	const covers = stand.limbs.flatMap((limb) => {
		const { vertices } = limbSurface(limb);
		const rings: [number, number][][] = [[seen(vertices[0]!)]];
		// Every third ring: between them it hardly bends.
		for (let at = 1; at + ROUND < vertices.length; at += 3 * ROUND)
			rings.push(Array.from({ length: ROUND / 4 }, (_, i) => seen(vertices[at + 4 * i]!)));
		rings.push([seen(vertices.at(-1)!)]);
		// Between two rings it covers the tightest outline round both.
		return rings.slice(1).flatMap((ring, i) => {
			const hull = polygonHull([...rings[i]!, ...ring]);
			return hull ? [hull.map(([x, y]) => ({ x, y }))] : [];
		});
	});
	return unionD(covers, [], FillRule.NonZero, 2).map((path) => path.map(({ x, y }): Point => [x, y]));
}
