import { areaD, EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import { polygonArea, polygonHull } from 'd3-polygon';
import type { Flat } from './flat.ts';

const ringsOf = ({ at, patch: { borders } }: Flat) =>
	borders.map((round) => round.map((p) => ({ x: at[2 * p]!, y: at[2 * p + 1]! })));

/** How much of a piece that lies flat, mm², is in strips and tips narrower than `least`, mm. */
export function narrowOf(flat: Flat, least: number): number {
	if (least <= 0) return 0;
	const within = inflatePathsD(ringsOf(flat), -least / 2, JoinType.Miter, EndType.Polygon, 2, 3);
	const again = inflatePathsD(within, least / 2, JoinType.Miter, EndType.Polygon, 2, 3);
	return Math.max(0, flat.area - again.reduce((sum, path) => sum + areaD(path), 0));
}

/** How much of the tightest outline round a piece it fills, 0 to 1: a star with long arms fills little. */
export function fillsOf(flat: Flat): number {
	const points = ringsOf(flat)
		.flat()
		.map(({ x, y }): [number, number] => [x, y]);
	const hull = polygonHull(points);
	return hull ? flat.area / Math.abs(polygonArea(hull)) : 1;
}
