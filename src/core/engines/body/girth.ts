/**
 * A girth over layers of a total thickness t: `C + 2π·t`. The layer moves out by its thickness all round, and
 * a closed curve moved out by t grows by 2π·t whatever its shape (J. Steiner, 1840, for convex ones).
 */
export const girthOver = (girth: number, thickness: number): number => girth + 2 * Math.PI * thickness;

/**
 * How long a band is cut that goes round a girth: `C + 2π·k·t`, k = ½ for a material whose middle neither
 * stretches nor is pressed.
 */
export const bandLength = (girth: number, thickness: number, neutral = 0.5): number =>
	girth + 2 * Math.PI * neutral * thickness;

/**
 * How long a leaning band is at an edge that is cut square to its face: `C + π·t·cos(lean)`, through the middle of the thickness.
 * Closed form: half the thickness moves that edge out by t/2·cos(lean), and along the axis by the rest.
 * @param thickness mm; less than 0 where the girth was taken outside
 * @param lean off the axis, degrees
 */
export const throughMiddleOf = (girth: number, thickness: number, lean: number): number =>
	girth + Math.PI * thickness * Math.cos((lean * Math.PI) / 180);

/** How long cloth is cut that is stretched to `mm` when it is worn. @param percent that it stretches @param used share of that */
export const relaxed = (mm: number, percent: number, used: number): number =>
	mm / (1 + (percent / 100) * used);

export type EaseOf = 'rigid' | 'woven' | 'stretch';

/** Millimetres for rigid and woven, a share of the girth for stretch. Starting values, from memory. */
const RIGID = [10, 25] as const;
const WOVEN_AT_CHEST = [40, 100] as const;
const STRETCH = [-0.15, -0.05] as const;
/** The chest that woven ease is told for; other girths get it in proportion. */
const CHEST = 920;

/** From the least to the most that a closed girth should be, on this girth. */
export function easedGirths(girth: number, of: EaseOf): readonly [number, number] {
	switch (of) {
		case 'rigid':
			return [girth + RIGID[0], girth + RIGID[1]];
		case 'woven':
			return [girth + (WOVEN_AT_CHEST[0] * girth) / CHEST, girth + (WOVEN_AT_CHEST[1] * girth) / CHEST];
		case 'stretch':
			return [girth * (1 + STRETCH[0]), girth * (1 + STRETCH[1])];
	}
}
