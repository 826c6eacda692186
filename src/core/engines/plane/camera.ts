import type { Point } from '../../units/point.ts';
import { inverse, type Homography } from './homography.ts';
import type { Reference } from '../../facts/picture.ts';

/** Where the picture was taken from, as far as it tells: for things that stand off the plane. */
export interface Camera {
	/** From the plane to the camera along the plane's normal, mm. */
	distance: number;
	/** One standard deviation of the distance, as a share of it. */
	relativeSigma: number;
	/** True when the picture does not tell how far its view reaches, and an ordinary lens is taken. */
	assumed: boolean;
	/** Between the view and the plane's normal, degrees; 0 is square on. */
	tilt: number;
	/** The point of the plane straight beneath the camera, mm. */
	foot: Point;
}

/** What a length that stands so far off the plane, mm towards the camera, is to be multiplied by. */
export const offPlaneFactor = ({ distance }: Camera, offPlane: number): number =>
	(distance - offPlane) / distance;

/** Focal length by the long side of the picture, of an ordinary phone's main camera (26 mm on 36 mm); from memory. */
export const ORDINARY_FOCAL = 26 / 36;
const SIGMA_SOLVED = 0.1;
const SIGMA_ASSUMED = 0.25;

/**
 * The camera from one plane, taking square pixels and the view's middle in the middle of the picture: the
 * columns of the homography are then images of two directions at right angles and of equal length.
 * Source: R. Hartley, A. Zisserman, Multiple View Geometry, 2nd ed., ch. 8.8; Z. Zhang, A Flexible New
 * Technique for Camera Calibration, 2000, section 2.3.
 */
export function cameraOf(
	toPlane: Homography,
	reference: Reference,
	picture: { width: number; height: number }
): Camera {
	const long = Math.max(picture.width, picture.height);
	const ordinary = ORDINARY_FOCAL * long;
	if (reference.kind !== 'rectangle')
		return {
			distance: ordinary * toPlane[0]!,
			relativeSigma: SIGMA_ASSUMED,
			assumed: true,
			tilt: 0,
			foot: [(toPlane[0]! * picture.width) / 2, (toPlane[4]! * picture.height) / 2]
		};
	const m = inverse(toPlane);
	// Relative to the middle of the picture, in units of the long side.
	const row = (r: number, middle: number) => [0, 1, 2].map((c) => (m[r + c]! - middle * m[6 + c]!) / long);
	const [u, v, w] = [row(0, picture.width / 2), row(3, picture.height / 2), [m[6]!, m[7]!, m[8]!]];
	const unit = Math.hypot(u[0]!, v[0]!, u[1]!, v[1]!);
	const equations = [
		[(u[0]! * u[1]! + v[0]! * v[1]!) / unit ** 2, (w[0]! * w[1]!) / unit ** 2],
		[(u[0]! ** 2 + v[0]! ** 2 - u[1]! ** 2 - v[1]! ** 2) / unit ** 2, (w[0]! ** 2 - w[1]! ** 2) / unit ** 2]
	] as const;
	const square = -(equations[0][0] * equations[0][1] + equations[1][0] * equations[1][1]);
	const weight = equations[0][1] ** 2 + equations[1][1] ** 2;
	const focal2 = square / weight;
	// Nearly square on, the perspective is too weak to tell; what comes out is then noise.
	const solved = weight > 1e-4 && focal2 > 0.2 ** 2 && focal2 < 6 ** 2;
	const f = solved ? Math.sqrt(focal2) : ORDINARY_FOCAL;
	const column = (c: number) => [u[c]! / f, v[c]! / f, w[c]!] as const;
	const [a, b, t] = [column(0), column(1), column(2)];
	const size = Math.sqrt(Math.hypot(...a) * Math.hypot(...b));
	const normal = [
		(a[1] * b[2] - a[2] * b[1]) / size ** 2,
		(a[2] * b[0] - a[0] * b[2]) / size ** 2,
		(a[0] * b[1] - a[1] * b[0]) / size ** 2
	];
	const length = Math.hypot(...normal);
	const distance = Math.abs(normal[0]! * t[0] + normal[1]! * t[1] + normal[2]! * t[2]) / length / size;
	const tilt = (Math.acos(Math.min(1, Math.abs(normal[2]!) / length)) * 180) / Math.PI;
	// Where a·x + b·y + t is shortest, a and b being at right angles.
	const under = (v: readonly [number, number, number]) =>
		-(v[0] * t[0] + v[1] * t[1] + v[2] * t[2]) / (v[0] ** 2 + v[1] ** 2 + v[2] ** 2);
	const foot: Point = [under(a), under(b)];
	return { distance, relativeSigma: solved ? SIGMA_SOLVED : SIGMA_ASSUMED, assumed: !solved, tilt, foot };
}
