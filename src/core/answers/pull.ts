/** One piece of work differs from the next by about a third, as natural logarithms. From memory. */
export const ONE_TO_NEXT = 0.35;
/** Freedom of the t-distribution that logs are taken to have: a forgotten timer is far out, and counts little. */
const FREEDOM = 4;
const ROUNDS = 30;

/** One log: the natural logarithm of what it took, and how much it says (one over its variance). */
export interface Log {
	log: number;
	precision: number;
}

/**
 * Mean and deviation of what is believed after these logs: the mean of two normals weighted by how sure each is (Gelman et al., Bayesian
 * Data Analysis, ch. 2), with weights of a t-distribution (ibid. ch. 17).
 */
export function pull(
	logs: readonly Log[],
	before: number,
	deviation: number
): { mean: number; deviation: number; weights: number[] } {
	const known = 1 / deviation ** 2;
	let mean = before;
	let total = known;
	let weights = logs.map(() => 1);
	for (let round = 0; round < ROUNDS; round++) {
		total = known + logs.reduce((sum, l, i) => sum + weights[i]! * l.precision, 0);
		mean = (known * before + logs.reduce((sum, l, i) => sum + weights[i]! * l.precision * l.log, 0)) / total;
		// Seen from what is believed, unsure as that is: the first log is not an outlier by being far from a guess.
		weights = logs.map((l) =>
			Math.min(1, (FREEDOM + 1) / (FREEDOM + (l.log - mean) ** 2 / (1 / l.precision + 1 / total)))
		);
	}
	return { mean, deviation: Math.sqrt(1 / total), weights };
}
