/** Sums of floating quantities are compared with this much grace, so that 3 × 0.1 is 0.3. */
export const GRACE = 1e-9;

export const wholePacks = (units: number, packSize: number): number =>
	units <= GRACE ? 0 : Math.ceil(units / packSize - GRACE);

const DIGITS: Readonly<Record<string, number>> = { sheet: 1, m: 1, g: 0, ml: 0, piece: 0 };

/** An amount as it is asked for: up, so that it is enough, to a tenth of a sheet or metre, to whole grams and pieces. */
export function enoughOf(units: number, unit: string): number {
	const by = 10 ** (DIGITS[unit] ?? 1);
	return Math.ceil(units * by - GRACE) / by;
}
