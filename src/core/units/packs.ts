/** Sums of floating quantities are compared with this much grace, so that 3 × 0.1 is 0.3. */
export const GRACE = 1e-9;

export const wholePacks = (units: number, packSize: number): number =>
	units <= GRACE ? 0 : Math.ceil(units / packSize - GRACE);
