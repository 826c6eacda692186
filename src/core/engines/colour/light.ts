import { DAYLIGHT, labUnder, reflectanceOf, WAVELENGTHS } from './reflectance.ts';
import { difference } from './difference.ts';
import type { Lab } from '../../units/lab.ts';

/** D65 at 380 to 750 nm by 10. Source: CIE 15, table T.1; the values from memory. */
const D65 = [
	49.98, 54.65, 82.75, 91.49, 93.43, 86.68, 104.86, 117.01, 117.81, 114.86, 115.92, 108.81, 109.35, 107.8,
	104.79, 107.69, 104.41, 104.05, 100, 96.33, 95.79, 88.69, 90.01, 89.6, 87.7, 83.29, 83.7, 80.03, 80.21,
	82.28, 78.28, 69.72, 71.61, 74.35, 61.6, 69.89, 75.09, 63.59
];
/** Illuminant A by its formula. Source: CIE 15. */
const incandescent = (nm: number) =>
	(100 * (560 / nm) ** 5 * Math.expm1(1.435e7 / (2848 * 560))) / Math.expm1(1.435e7 / (2848 * nm));
/** A band of light: the form of Ohno 2005 for light-emitting diodes, from memory. */
const band = (nm: number, middle: number, width: number) => {
	const at = ((nm - middle) / width) ** 2;
	return (Math.exp(-at) + 2 * Math.exp(-5 * at)) / 3;
};
/** A cool white lamp: a blue diode and its yellow phosphor. A model, not a measured lamp. */
const coolWhite = (nm: number) => band(nm, 450, 24) + 0.62 * band(nm, 560, 150);

export const LIGHTS = {
	daylight: { name: 'daylight', of: (_: number, i: number) => D65[i]! },
	incandescent: { name: 'warm lamp', of: incandescent },
	coolWhite: { name: 'cool white LED', of: coolWhite }
} as const;
export type Light = keyof typeof LIGHTS;

/** What each wavelength gives to X, Y and Z under a light, with Y = 1 of white. */
function weights(light: Light): number[][] {
	const { of } = LIGHTS[light];
	const raw = DAYLIGHT.map((row) => row.map((w, i) => (w / D65[i]!) * of(WAVELENGTHS[i]!, i)));
	const white = raw[1]!.reduce((a, b) => a + b, 0);
	return raw.map((row) => row.map((w) => w / white));
}
const WEIGHTS = Object.fromEntries(Object.keys(LIGHTS).map((key) => [key, weights(key as Light)])) as Record<
	Light,
	number[][]
>;

/** Where white of a light lies: x and y. */
export function whiteOf(light: Light): [number, number] {
	const [x, y, z] = WEIGHTS[light].map((row) => row.reduce((a, b) => a + b, 0)) as [number, number, number];
	return [x / (x + y + z), y / (x + y + z)];
}

/** How a colour looks to an eye that is used to a light, by the smooth curve that is taken for it. */
export const underLight = (lab: Lab, light: Light): Lab => labUnder(reflectanceOf(lab), WEIGHTS[light]);

/** How far two colours are apart under each light. Real dyes may part more: their curves are not known. */
export const differenceUnder = (a: Lab, b: Lab): { light: Light; difference: number }[] =>
	(Object.keys(LIGHTS) as Light[]).map((light) => ({
		light,
		difference: difference(underLight(a, light), underLight(b, light))
	}));
