/** Values of resistors within a decade. Source: IEC 60063. */
export const E_SERIES = {
	E12: [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82],
	E24: [10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91]
} as const;
export type ESeries = keyof typeof E_SERIES;

/**
 * The least value of a series that is no smaller, Ω: what is a hair over a value by reckoning is that value.
 * @param ohm more than nothing
 */
export function nextValue(ohm: number, series: ESeries): number {
	const decade = Math.floor(Math.log10(ohm) + 1e-12) - 1;
	for (let at = decade; ; at++)
		for (const value of E_SERIES[series]) {
			const ohms = at < 0 ? value / 10 ** -at : value * 10 ** at;
			if (ohms >= ohm * (1 - 1e-9)) return ohms;
		}
}
