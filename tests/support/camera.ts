import type { Point } from '../../src/core/units/point.ts';

/**
 * A pinhole camera of our own that looks at a plane lying at z = 0, for pictures of which the truth is known.
 * It shares no code with what it checks.
 */
export interface TestCamera {
	width: number;
	height: number;
	/** Pixels. */
	focal: number;
	/** Degrees: tilt about the picture's x, then turn about the view. */
	tilt: number;
	turn: number;
	/** From the point of the plane that it looks at, mm. */
	distance: number;
	/** The point of the plane in the middle of the picture. */
	at: Point;
}

/** Where a point of the scene, `z` above the plane towards the camera, falls in the picture. */
export function seen(camera: TestCamera, [x, y]: Point, z = 0): Point {
	const [tilt, turn] = [(camera.tilt * Math.PI) / 180, (camera.turn * Math.PI) / 180];
	const [px, py] = [x - camera.at[0], y - camera.at[1]];
	const [tx, ty] = [px * Math.cos(turn) - py * Math.sin(turn), px * Math.sin(turn) + py * Math.cos(turn)];
	// The plane leans back by the tilt: its far edge moves away; what stands on it comes towards the camera.
	const vy = ty * Math.cos(tilt) - z * Math.sin(tilt);
	const depth = camera.distance - ty * Math.sin(tilt) - z * Math.cos(tilt);
	return [camera.width / 2 + (camera.focal * tx) / depth, camera.height / 2 + (camera.focal * vy) / depth];
}

/** Normal deviates by Box and Muller. */
export function normals(next: () => number): () => number {
	return () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
}

/** A sheet of A4 as a camera saw it that was tilted by 35°: corners clicked to the pixel. */
export const SLANT_SHEET = {
	kind: 'rectangle' as const,
	points: [
		[1572, 1195],
		[2496, 1270],
		[2488, 1854],
		[1434, 1757]
	] as [[number, number], [number, number], [number, number], [number, number]],
	width: 297,
	height: 210
};
/** Points on the rim of a disc of 90 mm that lies on it. */
export const SLANT_RIM: [number, number][] = [
	[1971, 1526],
	[1790, 1592],
	[1688, 1481],
	[1806, 1358],
	[1961, 1406]
];
