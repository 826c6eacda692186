import spectral from 'spectral.js';
import { atLeastFrom } from './atLeast.ts';
import { ciede2000, difference } from './difference.ts';
import type { Lab } from '../../units/lab.ts';
import { DAYLIGHT, f, labOfXyz, reflectanceOf } from './reflectance.ts';

/** A paint as it is owned. */
export interface Paint {
	id: string;
	/** Of it alone, dry. */
	lab: Lab;
	/** How strongly it colours beside others: 1 as its colour says, 2 is twice as strong. */
	strength: number;
}
export interface Mix {
	/** Whole drops of each, most first. */
	parts: { paint: string; drops: number }[];
	/** What it comes to, dry. */
	lab: Lab;
	/** ΔE00 to what is wanted. */
	difference: number;
}
export interface MixTask {
	target: Lab;
	paints: readonly Paint[];
	/** Drops in all, at most. */
	drops: number;
	/** Paints in one mix, at most. */
	together: 1 | 2 | 3;
	/** How many mixes are told, each of other paints. */
	most: number;
}

const SIZE = DAYLIGHT[0]!.length;
const WHITE = DAYLIGHT.map((row) => row.reduce((a, b) => a + b, 0));

/**
 * What drops of paints come to, by the model of Kubelka and Munk: absorption over scattering, K/S, of the mix is the mean of that of
 * the paints, each weighed by how much there is of it. The curves are those of the library, and so is that a dark paint counts by
 * its lightness; an amount counts once, as in the theory, where the library takes its square: two drops are twice one drop.
 *
 * @param parts each paint once
 */
export function mixOf(parts: readonly { paint: Paint; drops: number }[]): Lab {
	const mixed = spectral.mix(
		...parts.map(({ paint, drops }): [InstanceType<typeof spectral.Color>, number] => [
			colourOf(paint),
			Math.sqrt(drops)
		])
	);
	const [x, y, z] = mixed.XYZ;
	return labOfXyz(x!, y!, z!, WHITE);
}

function colourOf(paint: Paint) {
	const colour = new spectral.Color(reflectanceOf(paint.lab));
	colour.tintingStrength = Math.sqrt(paint.strength);
	return colour;
}

const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a);
/** Drops of `together` paints that are not a smaller mix over again. */
function recipes(together: number, most: number): number[][] {
	if (together === 1) return [[1]];
	const out: number[][] = [];
	const walk = (begun: number[], left: number) => {
		if (begun.length === together) {
			if (begun.reduce(gcd) === 1) out.push(begun);
			return;
		}
		const after = together - begun.length - 1;
		for (let n = 1; n <= left - after; n++) walk([...begun, n], left - n);
	};
	walk([], most);
	// Few drops first: of two equally good the smaller is kept.
	return out.sort((a, b) => a.reduce((s, n) => s + n) - b.reduce((s, n) => s + n));
}

const EQUAL = 1e-9;

/** Shares of each paint of a set. */
type Shares = readonly [number, number, number];
/** Mixes of a set between corners, and the smaller parts that they are cut up into. */
interface Part {
	corners: readonly Shares[];
	/** Drops of each paint, three numbers a mix. */
	drops: Uint8Array;
	within: readonly Part[];
}
const WHOLE = 8;
/** The same shares are one object: parts have corners in common. */
const SHARES = new Map<string, Shares>();
function sharesOf(shares: readonly number[]): Shares {
	const key = shares.join();
	const there = SHARES.get(key) ?? (shares as unknown as Shares);
	SHARES.set(key, there);
	return there;
}
const PURE = [0, 1, 2].map((at) => sharesOf([0, 1, 2].map((k) => (k === at ? WHOLE : 0))));

function partOf(corners: readonly Shares[], drops: readonly number[][]): Part {
	const part = { corners, drops: Uint8Array.from(drops.flatMap(([i, j = 0, k = 0]) => [i!, j, k])) };
	const [u, v, w] = corners as [Shares, Shares?, Shares?];
	const half = (m: Shares, n: Shares) => sharesOf(m.map((share, i) => (share + n[i]!) / 2));
	if (!v || !w || drops.length < 8 || half(u, v).some((share) => share % 1)) return { ...part, within: [] };
	const [uv, vw, uw] = [half(u, v), half(v, w), half(u, w)];
	let left = drops;
	const within = [
		[u, uv, uw],
		[v, uv, vw],
		[w, uw, vw],
		[uv, vw, uw]
	].map((cut) => {
		const inside = left.filter((drops) => liesBetween(cut, drops));
		left = left.filter((drops) => !inside.includes(drops));
		return partOf(cut, inside);
	});
	return { ...part, within };
}

/** Is a mix within a triangle of shares? Of a side it is on the same as the middle, or on it. */
function liesBetween(corners: readonly Shares[], drops: readonly number[]): boolean {
	const all = drops.reduce((a, b) => a + b);
	const at = (shares: readonly number[], whole: number) => [shares[0]! / whole, shares[1]! / whole] as const;
	const [x, y] = at(drops, all);
	const points = corners.map((shares) => at(shares, WHOLE));
	const sides = points.map(([ax, ay], i) => {
		const [bx, by] = points[(i + 1) % 3]!;
		return (bx - ax) * (y - ay) - (by - ay) * (x - ax);
	});
	return sides.every((side) => side >= -EQUAL) || sides.every((side) => side <= EQUAL);
}

/**
 * The mixes that come nearest, one of each set of paints, the nearest first: every number of drops of every set is tried, but for
 * parts of a set that cannot come as near whatever the drops. Tells its share on the way.
 *
 * @param task paints all different; drops 1 to 24
 */
export function* bestMixes({ target, drops, together, most, ...task }: MixTask): Generator<number, Mix[]> {
	// Those near it first, so that it is soon known what is too far.
	const paints = task.paints.toSorted((a, b) => difference(a.lab, target) - difference(b.lab, target));
	// What a drop of each paint weighs, and gives to K/S at each wavelength.
	const weights = Float64Array.from(paints, (paint) => paint.strength * colourOf(paint).luminance);
	const given = paints.map((paint, p) => Float64Array.from(colourOf(paint).KS, (k) => k * weights[p]!));
	const [toX, toY, toZ] = DAYLIGHT.map((row, k) => Float64Array.from(row, (w) => w / WHITE[k]!)) as [
		Float64Array,
		Float64Array,
		Float64Array
	];
	// That X and Z go with Y narrows a and b.
	const toXy = toX.map((x, i) => x - toY[i]!);
	const toYz = toZ.map((z, i) => toY[i]! - z);
	const [l, a, b] = target;
	const atLeast = atLeastFrom(target);
	const best: Mix[] = [];
	/** What is as far as this is not asked for. */
	let limit = Infinity;

	/** The curves of the corners of parts, each worked out once for a set of paints. */
	const curves = new Map<Shares, Float64Array>();
	const known = new Set<Shares>();
	function curveOf(set: readonly number[], shares: Shares): Float64Array {
		let curve = curves.get(shares);
		if (!curve) curves.set(shares, (curve = new Float64Array(SIZE)));
		if (known.has(shares)) return curve;
		known.add(shares);
		curve.fill(0);
		let all = 0;
		for (let k = 0; k < set.length; k++) {
			const share = shares[k]!;
			if (!share) continue;
			const ks = given[set[k]!]!;
			all += share * weights[set[k]!]!;
			for (let w = 0; w < SIZE; w++) curve[w]! += share * ks[w]!;
		}
		for (let w = 0; w < SIZE; w++) curve[w] = reflected(curve[w]! / all);
		return curve;
	}

	const lows = new Float64Array(SIZE);
	const highs = new Float64Array(SIZE);
	/** How near a mix between these could come at the best, by their extremes at each wavelength. */
	function nearestBetween(set: readonly number[], corners: readonly Shares[]): number {
		const first = curveOf(set, corners[0]!);
		lows.set(first);
		highs.set(first);
		for (let k = 1; k < corners.length; k++) {
			const curve = curveOf(set, corners[k]!);
			for (let i = 0; i < SIZE; i++) {
				const r = curve[i]!;
				if (r < lows[i]!) lows[i] = r;
				if (r > highs[i]!) highs[i] = r;
			}
		}
		let yLow = 0;
		let yHigh = 0;
		let xyLow = 0;
		let xyHigh = 0;
		let yzLow = 0;
		let yzHigh = 0;
		for (let i = 0; i < SIZE; i++) {
			const low = lows[i]!;
			const high = highs[i]!;
			yLow += low * toY[i]!;
			yHigh += high * toY[i]!;
			xyLow += toXy[i]! * (toXy[i]! > 0 ? low : high);
			xyHigh += toXy[i]! * (toXy[i]! > 0 ? high : low);
			yzLow += toYz[i]! * (toYz[i]! > 0 ? low : high);
			yzHigh += toYz[i]! * (toYz[i]! > 0 ? high : low);
		}
		// f is concave: what is over Y counts for less where Y is high.
		const over = (by: number, y: number) => f(Math.max(0, y + by)) - f(y);
		return atLeast(
			116 * f(yLow) - 16,
			116 * f(yHigh) - 16,
			500 * over(xyLow, xyLow > 0 ? yHigh : yLow),
			500 * over(xyHigh, xyHigh > 0 ? yLow : yHigh),
			-200 * over(-yzLow, yzLow > 0 ? yLow : yHigh),
			-200 * over(-yzHigh, yzHigh > 0 ? yHigh : yLow)
		);
	}

	/** Tries each number of drops of a part; what came nearest, if that is nearer than the limit. */
	function tryDrops(set: readonly number[], of: Uint8Array): Mix | null {
		let found: Mix | null = null;
		const [p, q = p, s = p] = set as [number, number?, number?];
		for (let at = 0; at < of.length; at += 3) {
			const i = of[at]!;
			const j = of[at + 1]!;
			const k = of[at + 2]!;
			const all = 1 / (i * weights[p]! + j * weights[q]! + k * weights[s]!);
			const [first, second, third] = [given[p]!, given[q]!, given[s]!];
			const [ofFirst, ofSecond, ofThird] = [i * all, j * all, k * all];
			let x = 0;
			let y = 0;
			let z = 0;
			for (let w = 0; w < SIZE; w++) {
				const r = reflected(ofFirst * first[w]! + ofSecond * second[w]! + ofThird * third[w]!);
				x += r * toX[w]!;
				y += r * toY[w]!;
				z += r * toZ[w]!;
			}
			const fy = f(y);
			const lab: Lab = [116 * fy - 16, 500 * (f(x) - fy), 200 * (fy - f(z))];
			const [l2, a2, b2] = lab;
			if (atLeast(l2, l2, a2, a2, b2, b2) >= limit - EQUAL) continue;
			const apart = ciede2000(l, a, b, l2, a2, b2);
			if (apart >= limit - EQUAL) continue;
			limit = apart;
			const parts = [i, j, k].flatMap((n, at) => (n ? [{ paint: paints[set[at]!]!.id, drops: n }] : []));
			found = { parts: parts.sort((m, n) => n.drops - m.drops), lab, difference: apart };
		}
		return found;
	}

	/** What comes nearest of a part, if that is nearer than the limit. */
	function nearestOf(set: readonly number[], { corners, drops, within }: Part): Mix | null {
		if (nearestBetween(set, corners) >= limit) return null;
		if (!within.length) return tryDrops(set, drops);
		return within.reduce<Mix | null>((found, part) => nearestOf(set, part) ?? found, null);
	}

	function keepNearest(set: readonly number[], part: Part): void {
		known.clear();
		limit = best.length < most ? Infinity : best[best.length - 1]!.difference;
		const found = nearestOf(set, part);
		if (!found) return;
		if (best.length === most) best.pop();
		const at = best.findIndex((m) => m.difference > found.difference);
		best.splice(at < 0 ? best.length : at, 0, found);
	}

	const [one, two, three] = [1, 2, 3].map((n) => partOf(PURE.slice(0, n), recipes(n, drops))) as [
		Part,
		Part,
		Part
	];
	for (let p = 0; p < paints.length; p++) keepNearest([p], one);
	if (together >= 2)
		for (let p = 0; p < paints.length; p++)
			for (let q = p + 1; q < paints.length; q++) keepNearest([p, q], two);
	if (together >= 3)
		for (let p = 0; p < paints.length; p++) {
			yield p / paints.length;
			for (let q = p + 1; q < paints.length; q++)
				for (let s = q + 1; s < paints.length; s++) keepNearest([p, q, s], three);
		}
	return best;
}

/** What of the light comes back, of absorption over scattering. */
const reflected = (ks: number) => 1 + ks - Math.sqrt(ks * ks + 2 * ks);

/** Two of them are so near that a mix needs only one; null where there are none. */
export function alike(paints: readonly Paint[]): [string, string] | null {
	for (const [i, one] of paints.entries())
		for (const other of paints.slice(i + 1))
			if (one.strength === other.strength && difference(one.lab, other.lab) < 0.01) return [one.id, other.id];
	return null;
}
