import type { ThreePoints } from '../../units/threePoints.ts';

/**
 * Minutes at three points as a chance: PERT's beta (Malcolm, Roseboom, Clark & Fazar, Application of a technique
 * for research and development program evaluation, Operations Research 7, 1959). Its mean is
 * (good + 4·usual + bad) / 6 and its deviation (bad − good) / 6; the two fix the beta.
 */
export const pertMean = ([good, usual, bad]: ThreePoints): number => (good + 4 * usual + bad) / 6;
export const pertVariance = ([good, , bad]: ThreePoints): number => ((bad - good) / 6) ** 2;

/** Shape of the beta on [0, 1] whose mean is `mean` and whose deviation is a sixth. */
function shapeOf(mean: number): { alpha: number; beta: number } {
	const both = (mean * (1 - mean)) / (1 / 36) - 1;
	return { alpha: mean * both, beta: (1 - mean) * both };
}

/** Quantiles are kept for −4 … 4 standard deviations of a normal, so that the ends are as fine as the middle. */
const ENDS = 4;
const STEPS = 160;
const CELLS = 600;

/** Between −4 and 4: where on [good, bad] = [0, 1] that much of bad luck lies, for a usual at `share` of the way. */
const tables = new Map<number, Float64Array>();

function tableOf(share: number): Float64Array {
	let table = tables.get(share);
	if (!table) {
		if (tables.size > 2000) tables.clear();
		tables.set(share, (table = quantiles(shapeOf((4 * share + 1) / 6))));
	}
	return table;
}

/** By x = sin²θ, which takes the poles of the density away; summed over cells of θ and read backwards. */
function quantiles({ alpha, beta }: { alpha: number; beta: number }): Float64Array {
	const width = Math.PI / 2 / CELLS;
	const sums = new Float64Array(CELLS + 1);
	for (let k = 0; k < CELLS; k++) {
		const angle = (k + 0.5) * width;
		sums[k + 1] = sums[k]! + Math.sin(angle) ** (2 * alpha - 1) * Math.cos(angle) ** (2 * beta - 1);
	}
	const all = sums[CELLS]!;
	let k = 0;
	return Float64Array.from({ length: STEPS + 1 }, (_, n) => {
		const wanted = normalShare((n / STEPS) * 2 * ENDS - ENDS) * all;
		while (k < CELLS - 1 && sums[k + 1]! < wanted) k++;
		const part = (wanted - sums[k]!) / (sums[k + 1]! - sums[k]!);
		return Math.sin((k + Math.min(1, part)) * width) ** 2;
	});
}

/** Share of a normal that lies below z: Abramowitz & Stegun, Handbook of Mathematical Functions, 26.2.17 (to 7.5e-8). */
export function normalShare(z: number): number {
	const t = 1 / (1 + 0.2316419 * Math.abs(z));
	const tail =
		(Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
		t *
		(0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
	return z > 0 ? 1 - tail : tail;
}

/** Minutes for so much luck: `z` standard deviations of a normal, 0 for the median, positive for bad. */
export function minutesAt(points: ThreePoints): (z: number) => number {
	const [good, usual, bad] = points;
	if (bad === good) return () => usual;
	const table = tableOf((usual - good) / (bad - good));
	return (z) => {
		const at = Math.min(STEPS, Math.max(0, ((z + ENDS) / (2 * ENDS)) * STEPS));
		const k = Math.min(STEPS - 1, Math.floor(at));
		return good + (bad - good) * (table[k]! + (at - k) * (table[k + 1]! - table[k]!));
	};
}
