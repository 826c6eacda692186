import type { Flat } from './flat.ts';

/** Whether borders of a patch that lies flat cross each other or themselves. */
export function overlaps({ at, patch: { borders } }: Flat): boolean {
	const sides = borders
		.flatMap((round) => round.map((a, i) => [a, round[(i + 1) % round.length]!] as const))
		.map(([a, b]) => ({
			a,
			b,
			low: Math.min(at[2 * a]!, at[2 * b]!),
			high: Math.max(at[2 * a]!, at[2 * b]!)
		}))
		.sort((p, q) => p.low - q.low);
	/** On which side of the line through a and b c lies. */
	const turn = (a: number, b: number, c: number) =>
		(at[2 * b]! - at[2 * a]!) * (at[2 * c + 1]! - at[2 * a + 1]!) -
		(at[2 * b + 1]! - at[2 * a + 1]!) * (at[2 * c]! - at[2 * a]!);
	let open: typeof sides = [];
	for (const side of sides) {
		open = open.filter((other) => other.high >= side.low);
		const { a, b } = side;
		for (const { a: c, b: d } of open) {
			if (a === c || a === d || b === c || b === d) continue;
			if (turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0) return true;
		}
		open.push(side);
	}
	return false;
}
