export const median = (values: readonly number[]) =>
	[...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
/** The value that `share` of them do not exceed. */
export const quantile = (values: readonly number[], share: number) =>
	[...values].sort((a, b) => a - b)[Math.ceil(values.length * share) - 1]!;
export const ms = (value: number) => `${value.toFixed(1)} ms`;

/** Milliseconds of each of so many runs. */
export const timed = (rounds: number, work: () => unknown): number[] =>
	Array.from({ length: rounds }, () => {
		const began = performance.now();
		work();
		return performance.now() - began;
	});
