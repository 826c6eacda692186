import polylabel from 'polylabel';
import { flatten } from './outline.ts';
import type { Outline } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';

/** Where words on a piece have the most room: the point farthest from its edges and holes, by a kept library. */
export function labelPoint(
	points: readonly Point[],
	holes: readonly Outline[] = [],
	moved: Point = [0, 0]
): Point {
	const rings = [
		points,
		...holes.map((h) => flatten(h).points.map(([x, y]): Point => [x + moved[0], y + moved[1]]))
	];
	const [x, y] = polylabel(
		rings.map((ring) => ring.map(([px, py]) => [px, py] as [number, number])),
		1
	);
	return [x!, y!];
}
