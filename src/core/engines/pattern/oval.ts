/** Steps round an oval: the rule of equal steps is then exact to the last digit for any oval that is worn. */
const STEPS = 512;

/** Round an ellipse of half-widths 1 and `ratio`. Numerical integral of its arc length; exact for ratio 1: 2π. */
export function ovalRound(ratio: number): number {
	let sum = 0;
	for (let i = 0; i < STEPS; i++) {
		const t = (2 * Math.PI * i) / STEPS;
		sum += Math.hypot(Math.sin(t), ratio * Math.cos(t));
	}
	return (sum * 2 * Math.PI) / STEPS;
}
