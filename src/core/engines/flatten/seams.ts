import type { Flat, Spring } from './flat.ts';
import { lengthOf, type Surface } from './patch.ts';

/** Two rows of border edges that are joined: those of one side in their order, and what lies against each. */
export interface Seam {
	/** Which patch each side belongs to. */
	patches: readonly [number, number];
	/** Half-edges of the first side. */
	halves: number[];
}

/** Two sides of a seam are of one length within this share, or within so many mm, whichever is more. */
export const SEAM_SHARE = 0.005;
export const SEAM_MM = 1;

/** The seams between these patches, from where others meet them to where others meet them, each once. */
export function seamsOf({ twin }: Surface, flats: readonly Flat[]): Seam[] {
	const patchAt = new Map<number, number>();
	const after = new Map<number, number>();
	flats.forEach(({ patch: { rims } }, i) => {
		for (const rim of rims)
			rim.forEach((h, k) => {
				patchAt.set(h, i);
				after.set(h, rim[(k + 1) % rim.length]!);
			});
	});
	/** What goes on from an edge along the same seam. */
	const onwards = (h: number): number | null => {
		const n = after.get(h)!;
		const [g, m] = [twin[h]!, twin[n]!];
		return m >= 0 && n !== g && after.get(m) === g && patchAt.get(m) === patchAt.get(g) ? n : null;
	};
	const before = new Map<number, number>();
	for (const h of after.keys()) {
		if (twin[h]! < 0) continue;
		const n = onwards(h);
		if (n !== null) before.set(n, h);
	}
	const seen = new Set<number>();
	const seams: Seam[] = [];
	for (const h of after.keys()) {
		if (!after.has(twin[h]!) || seen.has(h)) continue;
		let first = h;
		for (let at = before.get(h); at !== undefined && at !== h; at = before.get(at)) first = at;
		const halves: number[] = [];
		for (let at: number | null = first; at !== null && !seen.has(at); at = onwards(at)) {
			halves.push(at);
			seen.add(at);
			seen.add(twin[at]!);
		}
		seams.push({ patches: [patchAt.get(first)!, patchAt.get(twin[first]!)!], halves });
	}
	return seams;
}

/** Own points at both ends of each border edge of patches that lie flat. */
export function borderEnds(flats: readonly Flat[]): Map<number, { flat: Flat; from: number; to: number }> {
	const ends = new Map<number, { flat: Flat; from: number; to: number }>();
	for (const flat of flats)
		flat.patch.rims.forEach((rim, r) => {
			const border = flat.patch.borders[r]!;
			rim.forEach((h, k) => ends.set(h, { flat, from: border[k]!, to: border[(k + 1) % border.length]! }));
		});
	return ends;
}

/** How long each edge of a border lies in the plane, mm. */
export function flatLengths(flats: readonly Flat[]): (h: number) => number {
	const ends = borderEnds(flats);
	return (h) => {
		const { flat, from, to } = ends.get(h)!;
		const { at } = flat;
		return Math.hypot(at[2 * to]! - at[2 * from]!, at[2 * to + 1]! - at[2 * from + 1]!);
	};
}

export interface SeamLengths {
	/** Both sides in the plane, mm. */
	a: number;
	b: number;
	/** On the surface, mm. */
	on: number;
	/** How many times as long as the other the first side is to be: 1, unless one of them is eased in. */
	wanted: number;
}

/** Both sides of each seam, in the plane, and on the surface. */
export function seamLengths(surface: Surface, flats: readonly Flat[], seams: readonly Seam[]): SeamLengths[] {
	const { twin, eased } = surface;
	const long = flatLengths(flats);
	return seams.map(({ halves }) => {
		const on = halves.reduce((sum, h) => sum + lengthOf(surface, h), 0);
		const more = (half: (h: number) => number) =>
			1 + halves.reduce((sum, h) => sum + (eased?.[half(h)] ?? 0) * lengthOf(surface, h), 0) / on;
		return {
			a: halves.reduce((sum, h) => sum + long(h), 0),
			b: halves.reduce((sum, h) => sum + long(twin[h]!), 0),
			on,
			wanted: more((h) => h) / more((h) => twin[h]!)
		};
	});
}

const apart = ({ a, b, on, wanted }: SeamLengths) =>
	Math.abs(a - wanted * b) / Math.max(SEAM_MM, SEAM_SHARE * on);

/**
 * Moves patches until the sides of their seams are of one length: each side goes half of the way. Where one is eased in, it alone is
 * made longer.
 *
 * @param again lays a patch flat anew, with its border held so stiffly
 */
export function evenSeams(
	surface: Surface,
	flats: readonly Flat[],
	seams: readonly Seam[],
	again: (flat: Flat, stiffness: number) => void
): void {
	const ends = borderEnds(flats);
	for (let stiffness = 50, round = 0; round < 8; round++, stiffness *= 3) {
		const lengths = seamLengths(surface, flats, seams);
		const uneven = new Set(seams.flatMap(({ patches }, i) => (apart(lengths[i]!) > 0.9 ? patches : [])));
		if (uneven.size === 0) break;
		const long = flatLengths(flats);
		const springs = flats.map((): Spring[] => []);
		seams.forEach(({ halves, patches }, i) => {
			const { a, b, wanted } = lengths[i]!;
			const middle = (a + b) / 2;
			const [toA, toB] = wanted > 1 ? [b * wanted, b] : wanted < 1 ? [a, a / wanted] : [middle, middle];
			for (const h of halves)
				for (const [side, half, times] of [
					[0, h, toA / a],
					[1, surface.twin[h]!, toB / b]
				] as const) {
					const { from, to } = ends.get(half)!;
					springs[patches[side]]!.push({ from, to, long: long(half) * times });
				}
		});
		for (const i of uneven) {
			const flat = flats[i]!;
			flat.springs = springs[i]!;
			again(flat, stiffness);
			flat.springs = [];
		}
	}
}
