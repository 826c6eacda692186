import spectral from 'spectral.js';
import { srgbOf } from './lab.ts';
import type { Lab } from '../../units/lab.ts';

/** Wavelengths of a curve, nm. */
export const WAVELENGTHS: readonly number[] = Array.from({ length: 38 }, (_, i) => 380 + 10 * i);
/** Something is always thrown back, and never more than all. */
const LEAST = 1e-4;

/**
 * A smooth curve of reflectance that looks like a colour by daylight: one of many that do. Of a colour that no screen shows
 * it is that of the nearest channel by channel.
 */
export const reflectanceOf = (lab: Lab): number[] =>
	new spectral.Color(srgbOf(lab).map((v) => Math.min(255, Math.max(0, v)))).R.map((r) =>
		Math.min(1, Math.max(LEAST, r))
	);

const unit = (at: number) => WAVELENGTHS.map((_, i) => (i === at ? 1 : 0));
/** How much each wavelength gives to X, Y and Z by daylight D65; each row sums to that of white. */
const rows = WAVELENGTHS.map((_, i) => new spectral.Color(unit(i)).XYZ);
export const DAYLIGHT: readonly (readonly number[])[] = [0, 1, 2].map((k) => rows.map((xyz) => xyz[k]!));
const sum = (row: readonly number[]) => row.reduce((a, b) => a + b, 0);

/** A share of white as the eye takes it; CIELAB is differences of three. Source: CIE 15. */
export const f = (t: number): number => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116);
/** CIELAB of X, Y and Z against a white. Source: CIE 15. */
export function labOfXyz(x: number, y: number, z: number, [xw, yw, zw]: readonly number[]): Lab {
	const fy = f(y / yw!);
	return [116 * fy - 16, 500 * (f(x / xw!) - fy), 200 * (fy - f(z / zw!))];
}

/** CIELAB of a curve under a light that is told as what each wavelength gives to X, Y and Z. */
export function labUnder(curve: readonly number[], light: readonly (readonly number[])[]): Lab {
	const [x, y, z] = light.map((row) => row.reduce((at, w, i) => at + w * curve[i]!, 0));
	return labOfXyz(x!, y!, z!, light.map(sum));
}
