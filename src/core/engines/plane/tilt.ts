import type { Reference } from '../../facts/picture.ts';
import { distance, type Point } from '../../units/point.ts';
import { ORDINARY_FOCAL } from './camera.ts';
import { project, type Homography } from './homography.ts';
import type { Size } from './lens.ts';

/**
 * One length says nothing about how slantwise the picture was taken. It may have been tilted about either axis, by so much as one
 * standard deviation each: the planes that it might have been, with their weights, from all directions and at the two nodes of
 * Gauss and Laguerre's rule over the size of the tilt.
 * Source: M. Abramowitz, I. Stegun, Handbook of Mathematical Functions, table 25.9, n = 2.
 */
const NODES = [
	{ at: Math.sqrt(2 * 0.585786437627), weight: 0.853553390593 },
	{ at: Math.sqrt(2 * 3.414213562373), weight: 0.146446609407 }
] as const;
const DIRECTIONS = 8;
/** No picture is taken more slantwise, degrees. */
const MOST = 60;

export interface Tilted {
	toPlane: Homography;
	weight: number;
}

/** @param sigma of the tilt about each axis, degrees */
export function tiltedPlanes(
	reference: Exclude<Reference, { kind: 'rectangle' }>,
	picture: Size,
	sigma: number
): Tilted[] {
	if (sigma === 0) return [];
	return NODES.flatMap(({ at, weight }) =>
		Array.from({ length: DIRECTIONS }, (_, i) => ({
			toPlane: tiltedPlane(reference, picture, Math.min(MOST, at * sigma), (360 * i) / DIRECTIONS),
			weight: weight / DIRECTIONS
		}))
	);
}

/**
 * From pixels to mm on a plane whose normal leans off the view by `tilt` towards `direction`, degrees, as an ordinary lens sees it.
 * Each pixel is a ray; where it meets the plane is told along two directions of the plane, and scaled by the known length.
 */
export function tiltedPlane(
	{ points, mm }: { points: readonly [Point, Point]; mm: number },
	picture: Size,
	tilt: number,
	direction: number
): Homography {
	const f = ORDINARY_FOCAL * Math.max(picture.width, picture.height);
	const [t, d] = [(tilt * Math.PI) / 180, (direction * Math.PI) / 180];
	const [sin, cos] = [Math.sin(t), Math.cos(t)];
	const [a, b] = [Math.cos(d), Math.sin(d)];
	const normal = [sin * a, sin * b, cos] as const;
	// Level across the lean, and up along it.
	const across = [-b, a, 0] as const;
	const along = [cos * a, cos * b, -sin] as const;
	const [cx, cy] = [picture.width / 2, picture.height / 2];
	const row = (v: readonly [number, number, number]) => [
		v[0] / f,
		v[1] / f,
		v[2] - (v[0] * cx + v[1] * cy) / f
	];
	// Turned back by the direction, so that it is nearly the picture's own axes.
	const mix = (p: readonly number[], q: readonly number[], x: number, y: number) =>
		p.map((v, i) => v * x + q[i]! * y);
	const h = [...mix(row(along), row(across), a, -b), ...mix(row(along), row(across), b, a), ...row(normal)];
	const scale = mm / distance(project(h, points[0]).point, project(h, points[1]).point);
	return h.map((v, i) => (i < 6 ? v * scale : v));
}
