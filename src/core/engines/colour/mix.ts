import spectral from 'spectral.js';
import { ciede2000, difference, MOST_SL } from './difference.ts';
import type { Lab } from '../../units/lab.ts';
import { DAYLIGHT, f, labOfXyz, luminance, reflectanceOf } from './reflectance.ts';

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

type Between = readonly [least: number, most: number];
/** What Y, X − Y and Y − Z may be, each as a share of white, of colours that are at most so far from one. */
interface Ball {
	limit: number;
	y: Between;
	xy: Between;
	yz: Between;
}
/**
 * The part of ΔE00 that is chroma and hue is at least this share of their length: its rotation takes away no more, at 2 · sin 60°.
 */
const LEAST_SHARE = Math.sqrt(1 - Math.sin(Math.PI / 3));

function ballOf([l, a, b]: Lab, limit: number): Ball {
	const ALL: Between = [-Infinity, Infinity];
	if (limit === Infinity) return { limit, y: ALL, xy: ALL, yz: ALL };
	const chroma = 1.5 * Math.hypot(a, b);
	// SC and SH by half the sum of both chromas: the other's is within the ball, so it is solved for.
	const slope = limit / LEAST_SHARE;
	const shrinks = 1 - 0.0225 * slope;
	const ab = shrinks > 0 ? (slope * (1 + 0.045 * chroma)) / shrinks : Infinity;
	const lights = [l - limit * MOST_SL, l + limit * MOST_SL].map((v) => (Math.max(0, v) + 16) / 116);
	const cube = (t: number) => (t > 6 / 29 ? t ** 3 : (116 * t - 16) * (27 / 24389));
	const span = (values: number[]): Between => [Math.min(...values) - EQUAL, Math.max(...values) + EQUAL];
	return {
		limit,
		y: span(lights.map(cube)),
		xy: span(lights.flatMap((fy) => [a - ab, a + ab].map((v) => cube(fy + v / 500) - cube(fy)))),
		yz: span(lights.flatMap((fy) => [b - ab, b + ab].map((v) => cube(fy) - cube(fy - v / 200))))
	};
}

/**
 * The mixes that come nearest, one of each set of paints, the nearest first: every number of drops of every set is tried, but for
 * sets that cannot come as near whatever the drops. Tells its share on the way.
 *
 * @param task paints all different; drops 1 to 24
 */
export function* bestMixes({ target, drops, together, most, ...task }: MixTask): Generator<number, Mix[]> {
	// Those near it first, so that it is soon known what is too far.
	const paints = task.paints.toSorted((a, b) => difference(a.lab, target) - difference(b.lab, target));
	// What a number of drops of each paint weighs, and gives to K/S at each wavelength.
	const weights = paints.map((paint) => {
		const colour = colourOf(paint);
		const one = paint.strength * colour.luminance;
		return Float64Array.from({ length: drops + 1 }, (_, n) => n * one);
	});
	const given = paints.map((paint, p) => {
		const ks = colourOf(paint).KS;
		return Array.from({ length: drops + 1 }, (_, n) => Float64Array.from(ks, (k) => k * weights[p]![n]!));
	});
	const blank = new Float64Array(SIZE);
	const curves = paints.map((paint) => Float64Array.from(reflectanceOf(paint.lab)));
	const [toX, toY, toZ] = DAYLIGHT.map((row) => Float64Array.from(row)) as [
		Float64Array,
		Float64Array,
		Float64Array
	];
	const [l, a, b] = target;
	let ball = ballOf(target, Infinity);
	const best: Mix[] = [];
	const worst = () => (best.length < most ? Infinity : best[best.length - 1]!.difference);
	const flat = (of: readonly number[][]) => Uint8Array.from(of.flatMap(([i, j = 0, k = 0]) => [i!, j, k]));
	const wanted = [1, 2].map((n) => flat(recipes(n, drops)));
	const threes = together >= 3 ? recipes(3, drops) : [];
	// Half of it or more is one paint, or none is.
	const leading = (drops: number[]) => drops.findIndex((d) => 2 * d >= drops.reduce((a, b) => a + b));
	const regions = [0, 1, 2, -1].map((at) => flat(threes.filter((drops) => leading(drops) === at)));
	/** As much of the one as of the other. */
	const halves = paints.map((_, p) =>
		paints.map((_, q) => {
			if (q <= p || together < 3) return blank;
			const all = 1 / (weights[p]![1]! + weights[q]![1]!);
			return given[p]![1]!.map((k, w) => {
				const ks = (k + given[q]![1]![w]!) * all;
				return 1 + ks - Math.sqrt(ks * ks + 2 * ks);
			});
		})
	);
	const perX = 1 / WHITE[0]!;
	const perZ = 1 / WHITE[2]!;

	/** Could any mix between these be near enough, by their extremes at each wavelength? */
	function mayReach(of: readonly Float64Array[]): boolean {
		const { y, xy, yz } = ball;
		let yLow = 0;
		let yHigh = 0;
		let xyLow = 0;
		let xyHigh = 0;
		let yzLow = 0;
		let yzHigh = 0;
		for (let i = 0; i < SIZE; i++) {
			let low = 2;
			let high = 0;
			for (let k = 0; k < of.length; k++) {
				const r = of[k]![i]!;
				if (r < low) low = r;
				if (r > high) high = r;
			}
			yLow += low * toY[i]!;
			yHigh += high * toY[i]!;
			const toXy = toX[i]! * perX - toY[i]!;
			xyLow += toXy * (toXy > 0 ? low : high);
			xyHigh += toXy * (toXy > 0 ? high : low);
			const toYz = toY[i]! - toZ[i]! * perZ;
			yzLow += toYz * (toYz > 0 ? low : high);
			yzHigh += toYz * (toYz > 0 ? high : low);
		}
		return (
			yLow <= y[1] && y[0] <= yHigh && xyLow <= xy[1] && xy[0] <= xyHigh && yzLow <= yz[1] && yz[0] <= yzHigh
		);
	}

	/** Tries so many drops of each paint of a set, three numbers a mix; what came nearest, if it is among the best. */
	function nearest(set: readonly number[], of: Uint8Array, corners: readonly Float64Array[]): Mix | null {
		let limit = worst();
		if (limit !== ball.limit) ball = ballOf(target, limit);
		if (!mayReach(corners)) return null;
		let lowest = 0;
		let highest = 0;
		/** What Y may be for the lightness to be near enough. */
		const within = () => {
			lowest = luminance(l - limit * MOST_SL);
			highest = luminance(l + limit * MOST_SL);
		};
		within();
		let found: Mix | null = null;
		const [p, q = p, s = p] = set as [number, number?, number?];
		for (let at = 0; at < of.length; at += 3) {
			const i = of[at]!;
			const j = of[at + 1]!;
			const k = of[at + 2]!;
			const first = given[p]![i]!;
			const second = j ? given[q]![j]! : blank;
			const third = k ? given[s]![k]! : blank;
			const all = 1 / (weights[p]![i]! + (j && weights[q]![j]!) + (k && weights[s]![k]!));
			let x = 0;
			let y = 0;
			let z = 0;
			for (let w = 0; w < SIZE; w++) {
				const ks = (first[w]! + second[w]! + third[w]!) * all;
				const r = 1 + ks - Math.sqrt(ks * ks + 2 * ks);
				x += r * toX[w]!;
				y += r * toY[w]!;
				z += r * toZ[w]!;
			}
			if (y < lowest || y > highest) continue;
			const fy = f(y);
			const l2 = 116 * fy - 16;
			const a2 = 500 * (f(x * perX) - fy);
			const b2 = 200 * (fy - f(z * perZ));
			const apart = ciede2000(l, a, b, l2, a2, b2);
			if (apart >= limit - EQUAL) continue;
			limit = apart;
			within();
			const parts = [i, j, k].flatMap((n, at) => (n ? [{ paint: paints[set[at]!]!.id, drops: n }] : []));
			found = { parts: parts.sort((m, n) => n.drops - m.drops), lab: [l2, a2, b2], difference: apart };
		}
		return found;
	}

	function keep(found: Mix | null): void {
		if (!found || found.difference >= worst()) return;
		if (best.length === most) best.pop();
		const at = best.findIndex((m) => m.difference > found.difference);
		best.splice(at < 0 ? best.length : at, 0, found);
	}

	/** Of three paints: near each of them, and in the middle; whatever lies between half-way mixes is between their extremes. */
	function tryThree(p: number, q: number, s: number): void {
		const set = [p, q, s];
		const [pq, ps, qs] = [halves[p]![q]!, halves[p]![s]!, halves[q]![s]!];
		const corners = [
			[curves[p]!, pq, ps],
			[curves[q]!, pq, qs],
			[curves[s]!, ps, qs],
			[pq, ps, qs]
		];
		let found: Mix | null = null;
		for (let k = 0; k < 4; k++) {
			const here = nearest(set, regions[k]!, corners[k]!);
			if (here && (!found || here.difference < found.difference)) found = here;
		}
		keep(found);
	}

	for (let p = 0; p < paints.length; p++) keep(nearest([p], wanted[0]!, [curves[p]!]));
	if (together >= 2)
		for (let p = 0; p < paints.length; p++)
			for (let q = p + 1; q < paints.length; q++) keep(nearest([p, q], wanted[1]!, [curves[p]!, curves[q]!]));
	if (together >= 3)
		for (let p = 0; p < paints.length; p++) {
			yield p / paints.length;
			for (let q = p + 1; q < paints.length; q++)
				for (let s = q + 1; s < paints.length; s++) tryThree(p, q, s);
		}
	return best;
}

/** Two of them are so near that a mix needs only one; null where there are none. */
export function alike(paints: readonly Paint[]): [string, string] | null {
	for (const [i, one] of paints.entries())
		for (const other of paints.slice(i + 1))
			if (one.strength === other.strength && difference(one.lab, other.lab) < 0.01) return [one.id, other.id];
	return null;
}
