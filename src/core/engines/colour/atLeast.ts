import type { Lab } from '../../units/lab.ts';
import { byHue, byLight, length, saturation, stretch, turning } from './difference.ts';

const { abs, atan2, ceil, floor, max, min, PI, round, sqrt } = Math;

/** How far something is outside of bounds. */
const outside = (at: number, low: number, high: number) => (at < low ? low - at : at > high ? at - high : 0);
const further = (low: number, high: number) => max(abs(low), abs(high));
const angle = (b: number, a: number) => (atan2(b, a) * 180) / PI;
/** −180 to 180. */
const wrapped = (degrees: number) => degrees - 360 * round(degrees / 360);

/** Most that T comes to in each span of so many degrees: tried at every quarter of one, and what it may change by between these. */
const SPAN = 5;
const MOST_T = Float64Array.from(
	{ length: 360 / SPAN },
	(_, i) => 0.006 + max(...Array.from({ length: 4 * SPAN + 1 }, (_, k) => byHue(i * SPAN + k / 4)))
);
const BLUE = 275;

/**
 * What ΔE00 is at the least, from one colour to any within bounds of L, a and b: the steps of `ciede2000`, each part at what makes the
 * least of it. Chroma and hue together are the distance of a and b, so that what is not chroma is hue; and chroma counts for less. From grey
 * there is no hue to differ in.
 */
export function atLeastFrom([l1, a1, b1]: Lab) {
	const chroma1 = length(a1, b1);
	// Its own hue, between that of a as it is and of a stretched by a half.
	const plain = angle(b1, a1);
	const stray = wrapped(angle(b1, 1.5 * a1) - plain) / 2;
	const h1 = plain + stray;
	const toBlue = wrapped(BLUE - h1);
	/** Between which the mean hue is, from this one’s: within 90° whatever the other is. */
	let low = 0;
	let high = 0;
	function meanHue(a: number, aTo: number, b: number, bTo: number): void {
		low = -90 - abs(stray);
		high = 90 + abs(stray);
		if (!chroma1 || (a <= 0 && aTo >= 0 && b <= 0 && bTo >= 0)) return;
		const middle = angle(b + bTo, a + aTo);
		const apart = wrapped(middle - h1);
		let before = 0;
		let after = 0;
		if (a !== aTo || b !== bTo)
			for (let corner = 0; corner < 4; corner++) {
				const at = wrapped(angle(corner & 1 ? b : bTo, corner & 2 ? a : aTo) - middle);
				before = min(before, at);
				after = max(after, at);
			}
		const from = apart + before - abs(stray);
		const to = apart + after + abs(stray);
		if (from <= -180 || to >= 180) return;
		low = from / 2;
		high = to / 2;
	}
	function mostT(): number {
		let most = 0;
		for (let at = floor((h1 + low) / SPAN); at < ceil((h1 + high) / SPAN + 1e-9); at++)
			most = max(most, MOST_T[((at % MOST_T.length) + MOST_T.length) % MOST_T.length]!);
		return most;
	}
	return (l: number, lTo: number, a: number, aTo: number, b: number, bTo: number): number => {
		const byL = outside(l1, l, lTo) / max(byLight((l1 + l) / 2), byLight((l1 + lTo) / 2));
		const [nearA, nearB] = [outside(0, a, aTo), outside(0, b, bTo)];
		const [farA, farB] = [further(a, aTo), further(b, bTo)];
		const g = stretch((chroma1 + length(farA, farB)) / 2);
		const gTo = stretch((chroma1 + length(nearA, nearB)) / 2);
		const [c1, c1To] = [length(g * a1, b1), length(gTo * a1, b1)];
		const [c2, c2To] = [length(g * nearA, nearB), length(gTo * farA, farB)];
		const ab2 = (g * outside(a1, a, aTo)) ** 2 + outside(b1, b, bTo) ** 2;
		const leastC = max(0, c2 - c1To, c1 - c2To);
		const mostC = max(c2To - c1, c1To - c2);
		const chroma2 = min(max(ab2, leastC * leastC), mostC * mostC);
		const hue2 = max(0, ab2 - chroma2);
		meanHue(a * (a > 0 ? g : gTo), aTo * (aTo > 0 ? gTo : g), b, bTo);
		const turned = chroma1 && turning(outside(toBlue, low, high));
		// The rotation takes away no more than its own half.
		const c = (c1To + c2To) / 2;
		const left = 1 - (turned / 2) * saturation(c);
		return sqrt(byL * byL + left * (chroma2 / (1 + 0.045 * c) ** 2 + hue2 / (1 + 0.015 * mostT() * c) ** 2));
	};
}
