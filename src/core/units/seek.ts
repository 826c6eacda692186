/** Steps at most; a smooth function takes about ten. */
const STEPS = 100;

/**
 * Where a function that only grows, or only falls, from `low` to `high` takes a value: by false position with the end that stays
 * weighed half (the Illinois rule: Dowell and Jarratt, BIT 11, 1971). Null where it takes it nowhere between.
 */
export function seek(f: (x: number) => number, wanted: number, low: number, high: number): number | null {
	let [a, b] = [low, high];
	let [fa, fb] = [f(a) - wanted, f(b) - wanted];
	// Written so that what is no number is nowhere.
	if (!(fa * fb <= 0)) return null;
	const close = 1e-12 * Math.max(Math.abs(low), Math.abs(high), 1e-9);
	for (let i = 0; i < STEPS && fb !== 0 && Math.abs(b - a) > close; i++) {
		const at = fa === fb ? (a + b) / 2 : b - (fb * (b - a)) / (fb - fa);
		const value = f(at) - wanted;
		if (value * fb < 0) [a, fa] = [b, fb];
		else fa /= 2;
		[b, fb] = [at, value];
		if (Math.abs(value) < 1e-11 * Math.max(1, Math.abs(wanted))) break;
	}
	return b;
}
