import { seeded } from '../../units/random.ts';
import type { Vec } from '../../units/vec.ts';

/** Which way it may be turned: `upright` keeps its third side up. */
export const TURNS = ['any', 'upright'] as const;
export type Turns = (typeof TURNS)[number];

export interface Case {
	id: string;
	/** Inside: length, width, height, mm. */
	inner: Vec;
	/** The most that goes into it. */
	kg: number;
}
export interface PackItem {
	id: string;
	/** Its box, mm. */
	size: Vec;
	kg: number;
	quantity: number;
	turns: Turns;
	/** Nothing stands on it. */
	fragile: boolean;
	/** The least share of its height when it is pressed; null for what is rigid. */
	softTo: number | null;
}
export interface PackTask {
	cases: readonly Case[];
	items: readonly PackItem[];
}
export interface Packed {
	item: string;
	/** 1 for the first. */
	copy: number;
	case: string;
	/** Its corner that is nearest to the case’s own, mm. */
	at: Vec;
	/** As it lies. */
	size: Vec;
}
export interface Packing {
	placements: Packed[];
	left: { item: string; copy: number; why: string }[];
}

/** A box rests on the floor, or on so much of its base. */
export const LEAST_SUPPORT = 0.5;
/** mm that are taken for nothing. */
const SAME = 1e-6;

interface Copy {
	item: PackItem;
	copy: number;
	volume: number;
}
interface Laid {
	copy: Copy;
	x: number;
	y: number;
	z: number;
	a: number;
	b: number;
	c: number;
}
interface Filling {
	case: Case;
	laid: Laid[];
	kg: number;
}

const volumeOf = ([a, b, c]: Vec) => a * b * c;

/** Every way that a box may lie, each once. */
export function waysOf({ size: [a, b, c], turns }: Pick<PackItem, 'size' | 'turns'>): Vec[] {
	const ways: Vec[] = [
		[a, b, c],
		[b, a, c],
		...(turns === 'any'
			? ([
					[a, c, b],
					[c, a, b],
					[b, c, a],
					[c, b, a]
				] as Vec[])
			: [])
	];
	return ways.filter((w, i) => ways.findIndex((v) => v.every((s, k) => s === w[k])) === i);
}

/** How much two stretches share. */
const shared = (from: number, length: number, other: number, otherLength: number) =>
	Math.min(from + length, other + otherLength) - Math.max(from, other);

/** How high something would rest there; null where it cannot: on what is fragile, or on too little. */
function restsAt({ laid }: Filling, x: number, y: number, a: number, b: number): number | null {
	let z = 0;
	const beneath = laid.filter((l) => shared(x, a, l.x, l.a) > SAME && shared(y, b, l.y, l.b) > SAME);
	for (const l of beneath) z = Math.max(z, l.z + l.c);
	if (z === 0) return 0;
	let support = 0;
	for (const l of beneath) {
		if (l.z + l.c < z - SAME) continue;
		if (l.copy.item.fragile) return null;
		support += shared(x, a, l.x, l.a) * shared(y, b, l.y, l.b);
	}
	return support >= LEAST_SUPPORT * a * b - SAME ? z : null;
}

interface Spot {
	x: number;
	y: number;
	z: number;
	size: Vec;
}

/** The lowest place for a box that lies one way, nearest to the corner; soft ones are pressed where they would stick out. */
function spotFor(filling: Filling, { item }: Copy, [a, b, c]: Vec): Spot | null {
	const [wide, deep, high] = filling.case.inner;
	if (a > wide + SAME || b > deep + SAME || filling.kg + item.kg > filling.case.kg + SAME) return null;
	const least = item.softTo === null ? c : c * item.softTo;
	if (least > high + SAME) return null;
	const xs = [...new Set([0, ...filling.laid.map((l) => l.x + l.a)])].filter((x) => x + a <= wide + SAME);
	const ys = [...new Set([0, ...filling.laid.map((l) => l.y + l.b)])].filter((y) => y + b <= deep + SAME);
	let best: Spot | null = null;
	for (const x of xs)
		for (const y of ys) {
			const z = restsAt(filling, x, y, a, b);
			if (z === null || z + least > high + SAME) continue;
			if (
				best &&
				(z > best.z + SAME ||
					(z > best.z - SAME && (y > best.y + SAME || (y > best.y - SAME && x >= best.x))))
			)
				continue;
			best = { x, y, z, size: [a, b, Math.min(c, high - z)] };
		}
	return best;
}

const lay = (filling: Filling, copy: Copy, { x, y, z, size: [a, b, c] }: Spot): void => {
	filling.laid.push({ copy, x, y, z, a, b, c });
	filling.kg += copy.item.kg;
};

/** A row of copies put in one after another, each into the first case that takes it, as low as it goes. */
function greedy(copies: readonly Copy[], cases: readonly Case[], flat: boolean): Filling[] {
	const fillings = cases.map((c): Filling => ({ case: c, laid: [], kg: 0 }));
	for (const copy of copies)
		for (const filling of fillings) {
			let best: Spot | null = null;
			for (const way of waysOf(copy.item)) {
				const spot = spotFor(filling, copy, way);
				if (!spot) continue;
				// Low, and then flat: or by its top, which leaves the most above.
				const by = (s: Spot) => (flat ? s.z * 1e6 + s.size[2] : s.z + s.size[2]);
				if (!best || by(spot) < by(best) - SAME) best = spot;
			}
			if (best) {
				lay(filling, copy, best);
				break;
			}
		}
	return fillings;
}

/** So few are tried in every order, spot after spot: what fills a case to the last corner is found. */
const FEW = 12;

/** All of some copies in one case, the lowest free corner filled next; null where that cannot be, or the time is over. */
function exactly(copies: readonly Copy[], into: Case, isOver: () => boolean): Filling | null {
	const filling: Filling = { case: into, laid: [], kg: 0 };
	function fill(left: readonly Copy[]): boolean {
		if (left.length === 0) return true;
		if (isOver()) return false;
		const tried = new Set<string>();
		const spots = left.flatMap((copy) =>
			waysOf(copy.item).flatMap((way) => {
				// Two alike are one choice.
				const key = `${copy.item.id} ${way.join(' ')}`;
				if (tried.has(key)) return [];
				tried.add(key);
				const spot = spotFor(filling, copy, way);
				return spot ? [{ copy, spot }] : [];
			})
		);
		const order = (a: Spot, b: Spot) => a.z - b.z || a.y - b.y || a.x - b.x;
		spots.sort((a, b) => order(a.spot, b.spot) || b.copy.volume - a.copy.volume);
		const lowest = spots[0];
		for (const { copy, spot } of spots) {
			// Whatever fills the lowest corner is tried; what lies elsewhere comes later.
			if (order(spot, lowest!.spot) !== 0) break;
			lay(filling, copy, spot);
			if (fill(left.filter((c) => c !== copy))) return true;
			filling.laid.pop();
			filling.kg -= copy.item.kg;
		}
		return false;
	}
	return fill(copies) ? filling : null;
}

/** Most in, then fewest cases. */
const isBetter = (a: readonly Filling[], b: readonly Filling[] | null): boolean => {
	const inside = (f: readonly Filling[]) => f.reduce((sum, { laid }) => sum + laid.length, 0);
	const used = (f: readonly Filling[]) => f.filter(({ laid }) => laid.length).length;
	return b === null || inside(a) > inside(b) || (inside(a) === inside(b) && used(a) < used(b));
};

/**
 * Boxes into cases: as many as go in, then into as few cases as can be. Rows of boxes, from the largest and at random, are put in one by one as low
 * as each goes; where all might go into one case and there are few, every order is tried besides.
 *
 * @param task ids all different, sizes and weights more than nothing
 * @param seed of what is tried at random
 * @param seconds for the search
 * @param elapsed since it began
 * @param onBest told each time something better is found
 */
export function pack(
	{ cases, items }: PackTask,
	seed: number,
	seconds: number,
	elapsed: () => number,
	onBest: (packing: Packing) => void = () => {}
): Packing {
	const copies = items.flatMap((item) =>
		Array.from({ length: item.quantity }, (_, i): Copy => ({
			item,
			copy: i + 1,
			volume: volumeOf(item.size)
		}))
	);
	const random = seeded(seed);
	const isOver = () => elapsed() > seconds;
	const bySize = [...cases].sort((a, b) => volumeOf(b.inner) - volumeOf(a.inner));
	const volume = copies.reduce((sum, c) => sum + c.volume * (c.item.softTo ?? 1), 0);
	const kg = copies.reduce((sum, c) => sum + c.item.kg, 0);
	/** Rigid ones first, what is fragile on top, the largest first. */
	const last = ({ item }: Copy) => (item.fragile ? 2 : 0) + (item.softTo !== null ? 1 : 0);
	const order = (by: (c: Copy) => number) => [...copies].sort((a, b) => last(a) - last(b) || by(b) - by(a));
	const rows = [
		order((c) => c.volume),
		order((c) => Math.max(...c.item.size)),
		order(({ item: { size } }) => volumeOf(size) / Math.min(...size))
	];
	let best: Filling[] | null = null;
	const keep = (fillings: Filling[]) => {
		if (!isBetter(fillings, best)) return;
		best = fillings;
		onBest(packingOf(fillings));
	};
	const packingOf = (fillings: readonly Filling[]): Packing => {
		const placements = fillings.flatMap(({ case: { id }, laid }) =>
			laid.map(({ copy, x, y, z, a, b, c }): Packed => ({
				item: copy.item.id,
				copy: copy.copy,
				case: id,
				at: [x, y, z],
				size: [a, b, c]
			}))
		);
		const inside = new Set(placements.map((p) => `${p.item} ${p.copy}`));
		return {
			placements,
			left: copies
				.filter(({ item, copy }) => !inside.has(`${item.id} ${copy}`))
				.map(({ item, copy }) => ({ item: item.id, copy, why: whyLeft(item, cases) }))
		};
	};
	/** No row of cases does with fewer. */
	const fewest = (() => {
		let [room, bears, n] = [0, 0, 0];
		const byWeight = [...cases].sort((a, b) => b.kg - a.kg);
		while (n < cases.length && (room < volume - SAME || bears < kg - SAME)) {
			room += volumeOf(bySize[n]!.inner);
			bears += byWeight[n]!.kg;
			n++;
		}
		return Math.max(1, n);
	})();
	const isBest = () =>
		best !== null &&
		best.reduce((sum, f) => sum + f.laid.length, 0) === copies.length &&
		best.filter((f) => f.laid.length).length <= fewest;
	for (const row of rows) for (const flat of [true, false]) if (!isBest()) keep(greedy(row, bySize, flat));
	if (!isBest() && fewest === 1 && copies.length <= FEW)
		for (const one of bySize) {
			const filling = isBest()
				? null
				: exactly(
						order((c) => c.volume),
						one,
						isOver
					);
			if (filling) keep([filling]);
		}
	for (let round = 0; !isBest() && !isOver(); round++) {
		const swing = 0.2 + 0.8 * random();
		const row = order((c) => c.volume * (1 + swing * (random() - 0.5) * 2));
		const into = round % 2 ? bySize : [...bySize].sort(() => random() - 0.5);
		keep(greedy(row, into, random() < 0.5));
	}
	return packingOf(best ?? []);
}

/** Why one does not go in, in words. */
function whyLeft(item: PackItem, cases: readonly Case[]): string {
	const fits = ({ inner }: Case) =>
		waysOf(item).some(
			([a, b, c]) => a <= inner[0] + SAME && b <= inner[1] + SAME && c * (item.softTo ?? 1) <= inner[2] + SAME
		);
	if (!cases.some(fits)) return 'larger than every case';
	if (!cases.some((c) => fits(c) && item.kg <= c.kg)) return 'heavier than any case takes';
	return 'no room left beside the others';
}
