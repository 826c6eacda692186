import { FillRule, intersectD } from 'clipper2-ts';
import { distance, type Point } from '../../units/point.ts';

/** Where a picture was taken from, over the flat view: mm, y up. */
export interface Above {
	/** Straight beneath the camera. */
	foot: Point;
	/** From there up to it. */
	distance: number;
	/** How well that is known: one standard deviation as a share of it. */
	doubt: number;
}

/** From here on it is told how far an outline may be off, mm. */
const TOLD = 0.5;

/** How far the raised edge that is farthest out may be off, as the camera's distance is not well known, mm; null where that is little. */
export function offBy(
	rings: readonly (readonly Point[])[],
	high: number,
	{ foot, distance: far, doubt }: Above
): number | null {
	const out = Math.max(0, ...rings.map((ring) => Math.max(...ring.map((p) => distance(p, foot)))));
	const off = (out * high * doubt) / far;
	return off > TOLD ? off : null;
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
	{ foot, distance: far }: Above
): Point[][] {
	const by = (far - high) / far;
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
