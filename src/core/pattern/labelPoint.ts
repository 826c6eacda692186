import polylabel from 'polylabel';
import type { Point } from './outline.ts';

/** Where words on a piece have the most room: the point farthest from its edges, by a kept library. */
export function labelPoint(points: readonly Point[]): Point {
	const [x, y] = polylabel([points.map(([px, py]) => [px, py] as [number, number])], 1);
	return [x!, y!];
}
