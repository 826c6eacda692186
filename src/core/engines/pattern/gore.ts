/**
 * Gores of a dome: what is sewn together of n strips that bend one way only has n flat sides at every height, its seams stand out
 * from the ball, and its middles lie within it. Closed forms of a surface of level lines; lengths along a meridian by integral.
 */

/** What foam takes cold before it has to be heated to shape: the sides of a gore may be so much longer than its middle. From memory. */
export const GORE_TAKES = 0.03;

/** Steps of an integral along a meridian: to 1e-9 of its length for any number of gores. */
const STEPS = 256;

/** ∫ √(share²·cos² + rest) over the angle from 0 to `reach`, radians, by Simpson's rule. */
function meridian(share: number, rest: (sin2: number) => number, reach: number): number {
	const f = (a: number) => Math.sqrt(Math.max(0, (share * Math.cos(a)) ** 2 + rest(Math.sin(a) ** 2)));
	let sum = f(0) + f(reach);
	for (let i = 1; i < STEPS; i++) sum += (i % 2 ? 4 : 2) * f((reach * i) / STEPS);
	return (sum * reach) / STEPS / 3;
}

/** Middle of a side by the round that it is a side of, and corner by it: of a regular polygon whose girth is the circle's. */
const middleShare = (gores: number) => Math.PI / gores / Math.tan(Math.PI / gores);
const cornerShare = (gores: number) => Math.PI / gores / Math.sin(Math.PI / gores);

/** Half-width of a gore at the angle from the pole, mm: at every height all of them go round as the ball does. Closed form. */
export const goreHalfWidth = (radius: number, gores: number, angle: number): number =>
	((Math.PI * radius) / gores) * Math.sin(angle);

/**
 * Of a gore that bends one way only, so that what is sewn up is as high as the ball: along its middle from the pole, mm.
 * The middle lies at π/n ÷ tan(π/n) of the ball's radius.
 */
export const facetMiddle = (radius: number, gores: number, reach: number): number =>
	radius * meridian(middleShare(gores), (sin2) => sin2, reach);

/** Of the same gore, along its seam, mm: the seam lies at π/n ÷ sin(π/n) of the ball's radius. */
export const facetSeam = (radius: number, gores: number, reach: number): number =>
	radius * meridian(cornerShare(gores), (sin2) => sin2, reach);

/** Of a gore whose middle is as long as the ball's meridian, along its side, mm: longer than the middle by what is to be shaped away. */
export const roundSeam = (radius: number, gores: number, reach: number): number =>
	radius * meridian(Math.PI / gores, () => 1, reach);

/** How high gores stand whose middle is as long as the ball's meridian, sewn up and not shaped to the ball, mm. */
export const unshapedHeight = (radius: number, gores: number, reach: number): number =>
	radius * meridian(0, (sin2) => 1 - middleShare(gores) ** 2 * (1 - sin2), reach);
