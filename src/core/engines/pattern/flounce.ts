/** Steps of an integral along an arc. */
const STEPS = 128;
/** Halvings of the angle: to the last digit. */
const HALVINGS = 60;

/**
 * How long the outer edge of a flounce comes out: its width runs evenly from one end to the other along an inner arc of `edge`
 * mm. By Simpson's rule over √((edge + angle·width)² + (change of width)²).
 * @param angle radians in all; 0 is straight
 */
export function flounceOuter(edge: number, width: number, widthEnd: number, angle: number): number {
	const change = widthEnd - width;
	const f = (t: number) => Math.hypot(edge + angle * (width + change * t), change);
	let sum = f(0) + f(1);
	for (let i = 1; i < STEPS; i++) sum += (i % 2 ? 4 : 2) * f(i / STEPS);
	return sum / STEPS / 3;
}

/**
 * The angle in all, radians, that makes the outer edge `flare` times the inner one. With one width (outer − inner) ÷ width; else
 * sought by halving, as the outer edge grows with the angle. 0 where the slant of the ends alone is longer than that.
 */
export function flounceAngle(edge: number, flare: number, width: number, widthEnd: number): number {
	if (width === widthEnd) return (edge * (flare - 1)) / width;
	const wanted = edge * flare;
	if (flounceOuter(edge, width, widthEnd, 0) >= wanted) return 0;
	let [low, high] = [0, (edge * (flare - 1)) / Math.min(width, widthEnd)];
	for (let i = 0; i < HALVINGS; i++) {
		const middle = (low + high) / 2;
		if (flounceOuter(edge, width, widthEnd, middle) < wanted) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}
