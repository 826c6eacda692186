import { distance, type Point } from '../../units/point.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { offLine } from './line.ts';

export interface Size {
	width: number;
	height: number;
}

/** How a lens bends what is straight: one radial term, and one standard deviation of it. */
export interface Lens {
	/** A point that lies half a diagonal off the middle belongs so much of that farther out. */
	k: number;
	sigma: number;
}

/**
 * Of a lens that nobody has looked at: of half a diagonal, in the corner. Phones put their pictures right and leave a little.
 * Starting value, from memory.
 */
export const UNKNOWN_LENS: Lens = { k: 0, sigma: 0.006 };

/** Of what is drawn or scanned. */
export const NO_LENS: Lens = { k: 0, sigma: 0 };

/** Of half a diagonal: a reference that reaches farther out hangs on the lens. */
export const BORDER = 0.75;
/** Marked lines that tell it no better than this tell nothing. */
const TELLS = UNKNOWN_LENS.sigma;
const STEPS = 12;
/** No lens that is sold bends more; beyond −0.148 a corner would belong nowhere. */
const MOST = 0.14;

const middleOf = ({ width, height }: Size): Point => [width / 2, height / 2];
const halfDiagonal = ({ width, height }: Size) => Math.hypot(width, height) / 2;

/** How far off the middle of the picture, in halves of its diagonal. */
export const outwards = (p: Point, picture: Size): number =>
	distance(p, middleOf(picture)) / halfDiagonal(picture);

/**
 * Where a point would lie in the picture if the lens bent nothing: middle + off · (1 + k·r²).
 * Source: D. C. Brown, Decentering Distortion of Lenses, 1966: the first radial term.
 */
export function straightened(p: Point, picture: Size, k: number): Point {
	if (k === 0) return p;
	const [cx, cy] = middleOf(picture);
	const by = 1 + k * outwards(p, picture) ** 2;
	return [cx + (p[0] - cx) * by, cy + (p[1] - cy) * by];
}

/** The other way: where the lens put a point that belongs there. By Newton's steps, to a thousandth of a pixel for any lens that is sold. */
export function bent(p: Point, picture: Size, k: number): Point {
	const r = outwards(p, picture);
	if (k === 0 || r === 0) return p;
	let d = r;
	for (let i = 0; i < 5; i++) d -= (d * (1 + k * d * d) - r) / (1 + 3 * k * d * d);
	const [cx, cy] = middleOf(picture);
	return [cx + ((p[0] - cx) * d) / r, cy + ((p[1] - cy) * d) / r];
}

/**
 * The lens from lines that are straight in truth: the k for which their points lie nearest to lines, by Gauss–Newton steps.
 * @param lines three points or more each, px; best near the border of the picture
 * @param click one standard deviation of a click, px
 * @returns or `linesTellNothing`: too short, or through the middle, where a lens bends nothing
 */
export function lensOfLines(
	lines: readonly (readonly Point[])[],
	picture: Size,
	click: number
): Parsed<Lens> {
	const off = (k: number) => lines.flatMap((l) => offLine(l.map((p) => straightened(p, picture, k))));
	const h = 1e-4;
	let k = 0;
	let slope: number[] = [];
	let power = 0;
	for (let i = 0; i < STEPS; i++) {
		const less = off(k - h);
		slope = off(k + h).map((d, j) => (d - less[j]!) / (2 * h));
		power = slope.reduce((sum, s) => sum + s * s, 0);
		if (power < 1e-9) return bad('linesTellNothing', {}, []);
		const step = off(k).reduce((sum, d, j) => sum + d * slope[j]!, 0) / power;
		k = Math.max(-MOST, Math.min(MOST, k - step));
		if (Math.abs(step) < 1e-9) break;
	}
	const left = off(k);
	// Two numbers of each line and the lens itself are fitted.
	const free = left.length - 2 * lines.length - 1;
	const strays = free > 0 ? Math.sqrt(left.reduce((sum, d) => sum + d * d, 0) / free) : 0;
	// Strays that clicks alone would hardly give: the edge is not straight, or the lens bends in another way too.
	const sigma = (strays > 1.5 * click ? strays : click) / Math.sqrt(power);
	return sigma > TELLS ? bad('linesTellNothing', {}, []) : good({ k, sigma });
}
