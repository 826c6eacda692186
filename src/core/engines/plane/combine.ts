export interface Reading {
	value: number;
	/** One standard deviation. */
	sigma: number;
}

export interface Combined extends Reading {
	count: number;
	/** How far the readings stray beyond what their deviations allow: 1 or less is agreement. */
	strays: number;
}

/**
 * Several readings of one thing: the mean weighted by 1/σ². When they stray more than their deviations
 * allow, the deviation is widened by the same factor: then something was not on the plane, or is not the
 * same thing.
 * Source: R. T. Birge, The Calculation of Errors by the Method of Least Squares, Phys. Rev. 40 (1932): the
 * ratio √(χ²/(n−1)).
 * @param readings at least one, every sigma above 0
 */
export function combine(readings: readonly Reading[]): Combined {
	const weights = readings.map((r) => 1 / r.sigma ** 2);
	const total = weights.reduce((a, b) => a + b, 0);
	const value = readings.reduce((sum, r, i) => sum + r.value * weights[i]!, 0) / total;
	const inner = 1 / Math.sqrt(total);
	const chi2 = readings.reduce((sum, r) => sum + ((r.value - value) / r.sigma) ** 2, 0);
	const strays = readings.length > 1 ? Math.sqrt(chi2 / (readings.length - 1)) : 0;
	return { value, sigma: inner * Math.max(1, strays), count: readings.length, strays };
}

/**
 * Readings of one thing on one picture share its scale: more of them show how far they stray, but never
 * make it surer than the surest of them.
 * @param readings at least one, every sigma above 0
 */
export function combineOnPicture(readings: readonly Reading[]): Combined {
	const mean = combine(readings);
	const surest = Math.min(...readings.map((r) => r.sigma));
	return { ...mean, sigma: surest * Math.max(1, mean.strays) };
}

/** Above this the readings of one thing are said to disagree. */
export const DISAGREES = 2;
