export interface Place {
	x: number;
	y: number;
	wide: number;
}

const HIGH = 24;
/** Tried in turn: as near as can be, beside before far above. */
const SHIFTS = [0, 1, -1, 2, -2, 3, -3, 4, -4].map((n) => n * HIGH);

/** Moves labels up or down until none covers another; the first ones keep their places. */
export function spread(wanted: readonly Place[]): Place[] {
	const placed: Place[] = [];
	for (const want of wanted) {
		const free = (y: number) =>
			placed.every((p) => Math.abs(p.y - y) >= HIGH || p.x > want.x + want.wide || p.x + p.wide < want.x);
		const shift = SHIFTS.find((s) => free(want.y + s)) ?? 0;
		placed.push({ ...want, y: want.y + shift });
	}
	return placed;
}
