import { FillRule, intersectD } from 'clipper2-ts';
import type { Point } from '../../units/point.ts';

/** Where a picture was taken from, over the flat view: mm, y up. */
export interface Above {
	/** Straight beneath the camera. */
	foot: Point;
	/** From there up to it. */
	distance: number;
}

/**
 * The outlines of what stands `high` above the mat, laid on the mat. On the side away from the camera its upper edge is seen, too far
 * out by distance ÷ (distance − high) from the camera's foot; on the near side the lower edge, which lies on the mat. What is seen
 * runs along each ray from the foot from where the piece begins to the raised end of it: so the piece is what is both in that and in
 * the same drawn together by that factor. Closed form of a pinhole camera; a kept library intersects.
 * @param rings of pieces and holes, any way round
 */
export function laidDown(
	rings: readonly (readonly Point[])[],
	high: number,
	{ foot, distance }: Above
): Point[][] {
	const by = (distance - high) / distance;
	const path = (ring: readonly Point[], scale: number) =>
		ring.map(([x, y]) => ({ x: foot[0] + (x - foot[0]) * scale, y: foot[1] + (y - foot[1]) * scale }));
	const laid = intersectD(
		rings.map((r) => path(r, 1)),
		rings.map((r) => path(r, by)),
		FillRule.EvenOdd,
		4
	);
	return laid.map((ring) => ring.map(({ x, y }): Point => [x, y]));
}
