import TinyQueue from 'tinyqueue';
import { FlowNetwork } from '../../units/flow.ts';
import { sub, norm, plus, times, type Vec } from '../../units/vec.ts';
import { Flat } from './flat.ts';
import { fillsOf, narrowOf } from './compact.ts';
import { overlaps } from './overlap.ts';
import { bendAt, endOf, lengthOf, partsOf, patchOf, startOf, type Surface } from './patch.ts';
import { evenSeams, seamsOf } from './seams.ts';

/** Creases are where makers cut: an edge that bends this much costs a third, radians. */
const CREASE = 0.35;
const CREASE_COSTS = 0.3;
/** What is told within the limit is worked out a little below it, so that evening seams leaves it there. */
const ROOM = 0.96;
/** A piece that fills less of the tightest outline round it is no longer compact; so much of one may be narrow. */
const FILLS = 0.45;
const NARROW = 0.04;

export interface ProposeOptions {
	/** Largest strain of any face. */
	limit: number;
	/** No wider than this either way, mm, where a sheet is no larger. */
	most?: number | null;
	/** No strip narrower than this, mm, unless the surface is. */
	least?: number;
	progress?: (share: number, pieces: number) => void;
	stop?: () => boolean;
	/** Share of the time that is over. */
	spent?: () => number;
}

/** A part of the surface and how it lies flat; null where it does not within the limit. */
interface Part {
	faces: number[];
	flat: Flat | null;
}

/**
 * Where to cut a surface so that every part of it lies flat within a limit of strain, with seams as short as were found: parts that
 * do not lie flat are cut from where they are pulled most to the border, or in two along creases and short lines; then seams are
 * closed again, whole or in part, wherever what they join still lies flat.
 *
 * @param cut both halves of every edge that is cut; more are marked
 */
export function propose(surface: Surface, cut: Uint8Array, options: ProposeOptions): Flat[] {
	return new Proposal(surface, cut, options).run();
}

class Proposal {
	readonly #limit: number;
	readonly #given: Uint8Array;
	#parts: Part[] = [];

	constructor(
		readonly surface: Surface,
		readonly cut: Uint8Array,
		readonly options: ProposeOptions
	) {
		this.#limit = options.limit * ROOM;
		this.#given = cut.slice();
	}

	run(): Flat[] {
		const { surface, cut, options } = this;
		const waiting = partsOf(surface, cut);
		const all = surface.faces.length;
		let done = 0;
		while (waiting.length) {
			const faces = waiting.pop()!;
			const flat = this.#flat(faces, cut);
			if (flat || faces.length === 1) {
				this.#parts.push({ faces, flat });
				done += faces.length;
				options.progress?.(0.6 * (done / all), this.#parts.length);
				continue;
			}
			if (options.stop?.()) {
				this.#parts.push({ faces, flat });
				continue;
			}
			const darted = this.#darted(faces);
			if (darted) {
				this.#parts.push({ faces, flat: darted });
				done += faces.length;
				continue;
			}
			waiting.push(...this.#halved(faces));
		}
		this.#close();
		return this.#parts.map(({ faces, flat }) => flat ?? this.#best(faces));
	}

	/** Laid as flat as it goes, whatever the limit says. */
	#best(faces: readonly number[]): Flat {
		const flat = new Flat(this.surface, patchOf(this.surface, this.cut, faces));
		flat.begin();
		flat.press();
		return flat;
	}

	/** How some faces lie flat within the limit, with such cuts; null where they do not, or it was plain early that they will not. */
	#flat(faces: readonly number[], cut: Uint8Array): Flat | null {
		const patch = patchOf(this.surface, cut, faces);
		if (patch.borders.length === 0 || patch.euler !== 2 - patch.borders.length) return null;
		const flat = new Flat(this.surface, patch);
		// A map that keeps angles is scaled by as much more in one place than in another as the part is far from flat.
		flat.conformal();
		const { folded } = flat.strains();
		if (folded === 0 && flat.spread() > 8 * this.#limit) return null;
		if (!flat.begin(folded === 0) || flat.strains().rms > 2 * this.#limit) return null;
		flat.press(this.#limit);
		if (flat.strains().max > this.#limit) return null;
		// Both sides of its own darts are of one length: it is judged as it will be cut.
		evenSeams(this.surface, [flat], seamsOf(this.surface, [flat]), (f, stiffness) =>
			f.hold(this.#limit, stiffness)
		);
		if (flat.strains().max > this.#limit * 1.01 || overlaps(flat)) return null;
		const { most } = this.options;
		if (most && flat.wide() > most) return null;
		return flat;
	}

	/** Cut from the point that is pulled most to the nearest border, if it lies flat then. */
	#darted(faces: readonly number[]): Flat | null {
		const { surface, cut } = this;
		const patch = patchOf(surface, cut, faces);
		const within = new Set(faces);
		let path: number[] | null = null;
		if (patch.borders.length === 0) return null;
		if (patch.borders.length > 1) {
			// Goes round: cut open from one border to another.
			const [first, ...others] = patch.borders.map((b) => new Set(b.map((p) => patch.vertices[p]!)));
			path = this.#path(within, first!, (v) => others.some((o) => o.has(v)));
		} else if (patch.euler === 1) {
			const flat = new Flat(surface, patch);
			flat.conformal();
			const tip = flat.extreme();
			const border = new Set(patch.borders[0]!.map((p) => patch.vertices[p]!));
			if (tip !== null) path = this.#path(within, new Set([patch.vertices[tip]!]), (v) => border.has(v));
		}
		if (!path?.length) return null;
		const tried = cut.slice();
		for (const h of path) {
			tried[h] = 1;
			tried[surface.twin[h]!] = 1;
		}
		if (partsOf(surface, tried, faces).length > 1) return null;
		const flat = this.#flat(faces, tried);
		// A band that is cut open may need more: the cut stays all the same.
		if (!flat && patch.borders.length < 2) return null;
		cut.set(tried);
		return flat ?? this.#darted(faces);
	}

	/** Half-edges of the shortest way along edges, creases first. */
	#path(within: Set<number>, from: ReadonlySet<number>, there: (v: number) => boolean): number[] | null {
		const { surface } = this;
		const out = new Map<number, number[]>();
		for (const f of within)
			for (let k = 0; k < 3; k++) {
				const h = 3 * f + k;
				const g = surface.twin[h]!;
				if (g < 0 || this.cut[h] || !within.has(Math.floor(g / 3))) continue;
				const v = startOf(surface, h);
				out.set(v, [...(out.get(v) ?? []), h]);
			}
		const far = new Map<number, number>();
		const by = new Map<number, number>();
		const queue = new TinyQueue<{ v: number; d: number }>([], (a, b) => a.d - b.d);
		for (const v of from) {
			far.set(v, 0);
			queue.push({ v, d: 0 });
		}
		for (let next = queue.pop(); next; next = queue.pop()) {
			const { v, d } = next;
			if (d > far.get(v)!) continue;
			if (there(v) && !from.has(v)) {
				const path: number[] = [];
				for (let at = v; !from.has(at);) {
					const h = by.get(at)!;
					path.push(h);
					at = startOf(surface, h);
				}
				return path.reverse();
			}
			for (const h of out.get(v) ?? []) {
				const to = endOf(surface, h);
				const then = d + this.#cost(h);
				if (then >= (far.get(to) ?? Infinity)) continue;
				far.set(to, then);
				by.set(to, h);
				queue.push({ v: to, d: then });
			}
		}
		return null;
	}

	#cost(h: number): number {
		return lengthOf(this.surface, h) * (bendAt(this.surface, h) > CREASE ? CREASE_COSTS : 1);
	}

	/** In two: by the two faces that lie farthest apart, then along the shortest line between. */
	#halved(faces: readonly number[]): number[][] {
		const { surface, cut } = this;
		const index = new Map(faces.map((f, i) => [f, i]));
		const centres = faces.map((f): Vec => {
			const [a, b, c] = surface.faces[f]!.map((v) => surface.vertices[v]!) as [Vec, Vec, Vec];
			return times(plus(plus(a, b), c), 1 / 3);
		});
		const joined = (i: number): [number, number][] =>
			[0, 1, 2].flatMap((k) => {
				const h = 3 * faces[i]! + k;
				const g = surface.twin[h]!;
				const j = g < 0 || cut[h] ? undefined : index.get(Math.floor(g / 3));
				return j === undefined ? [] : [[j, h] as [number, number]];
			});
		const next = faces.map((_, i) => joined(i));
		const distances = (from: number): Float64Array => {
			const far = new Float64Array(faces.length).fill(Infinity);
			far[from] = 0;
			const queue = new TinyQueue<{ i: number; d: number }>([{ i: from, d: 0 }], (a, b) => a.d - b.d);
			for (let top = queue.pop(); top; top = queue.pop()) {
				if (top.d > far[top.i]!) continue;
				for (const [j, h] of next[top.i]!) {
					const d = top.d + norm(sub(centres[j]!, centres[top.i]!)) * (1 + 4 * bendAt(surface, h));
					if (d >= far[j]!) continue;
					far[j] = d;
					queue.push({ i: j, d });
				}
			}
			return far;
		};
		const farthest = (far: Float64Array) => far.reduce((best, d, i) => (d > far[best]! ? i : best), 0);
		let one = farthest(distances(0));
		let other = farthest(distances(one));
		let [da, db] = [distances(one), distances(other)];
		for (let round = 0; round < 3; round++) {
			/** The face nearest to the middle of a half. */
			const middle = (mine: (i: number) => boolean) => {
				let [sum, count]: [Vec, number] = [[0, 0, 0], 0];
				for (let i = 0; i < faces.length; i++)
					if (mine(i)) [sum, count] = [plus(sum, centres[i]!), count + 1];
				const at = times(sum, 1 / count);
				let [best, least] = [-1, Infinity];
				for (let i = 0; i < faces.length; i++) {
					const d = mine(i) ? norm(sub(centres[i]!, at)) : Infinity;
					if (d < least) [best, least] = [i, d];
				}
				return best;
			};
			const [a, b] = [middle((i) => da[i]! <= db[i]!), middle((i) => da[i]! > db[i]!)];
			if (a < 0 || b < 0 || a === b) break;
			[one, other] = [a, b];
			[da, db] = [distances(one), distances(other)];
		}
		const [source, sink] = [faces.length, faces.length + 1];
		const flow = new FlowNetwork(faces.length + 2);
		const BIG = 1e12;
		for (let i = 0; i < faces.length; i++) {
			const lean = (da[i]! - db[i]!) / (da[i]! + db[i]!);
			if (i === one || lean < -0.35) flow.edge(source, i, BIG);
			else if (i === other || lean > 0.35) flow.edge(i, sink, BIG);
			for (const [j, h] of next[i]!) flow.edge(i, j, Math.round(1000 * this.#cost(h)));
		}
		flow.most(source, sink);
		const first = flow.side(source);
		for (let i = 0; i < faces.length; i++)
			for (const [j, h] of next[i]!) if (first(i) !== first(j)) cut[h] = 1;
		return partsOf(surface, cut, faces);
	}

	/** Time to end looking for shorter seams; what is left is for evening them. */
	#late(): boolean {
		return !!this.options.stop?.() || (this.options.spent?.() ?? 0) > 0.8;
	}

	/** What joins pieces is no worse to cut and to glue than they were, or good enough. */
	#compact(flat: Flat, from: readonly Flat[]): boolean {
		const least = this.options.least ?? 0;
		const narrow = (f: Flat) => narrowOf(f, least);
		const fills = fillsOf(flat);
		return (
			(fills >= FILLS || from.some((f) => fillsOf(f) <= fills)) &&
			(least <= 0 || narrow(flat) <= Math.max(NARROW * flat.area, ...from.map(narrow)))
		);
	}

	/** Closes seams again, whole or from an end or in the middle, wherever what they join still lies flat. */
	#close(): void {
		const { surface, cut, options } = this;
		const tried = new Set<string>();
		for (;;) {
			const flats = this.#parts.map(({ faces, flat }) => flat ?? this.#best(faces));
			const seams = seamsOf(surface, flats)
				.filter(({ halves }) => !halves.some((h) => this.#given[h]))
				.map((seam) => ({ ...seam, long: seam.halves.reduce((sum, h) => sum + lengthOf(surface, h), 0) }))
				.sort((a, b) => b.long - a.long);
			let closed = false;
			for (const { halves, patches } of seams) {
				if (this.#late()) return;
				const key = halves.join(' ');
				if (tried.has(key)) continue;
				tried.add(key);
				const faces = [...new Set([...this.#parts[patches[0]]!.faces, ...this.#parts[patches[1]]!.faces])];
				const close = (from: number, to: number): Flat | null => {
					if (this.#late()) return null;
					const without = cut.slice();
					for (const h of halves.slice(from, to)) {
						without[h] = 0;
						without[surface.twin[h]!] = 0;
					}
					const flat = this.#flat(faces, without);
					return flat &&
						this.#compact(
							flat,
							patches.map((i) => flats[i]!)
						)
						? flat
						: null;
				};
				const n = halves.length;
				let best: { from: number; to: number; flat: Flat } | null = null;
				const whole = close(0, n);
				if (whole) best = { from: 0, to: n, flat: whole };
				else {
					const dart = patches[0] === patches[1];
					const ways: ((k: number) => [number, number])[] = [
						(k) => [0, k],
						(k) => [n - k, n],
						...(dart ? [] : [(k: number): [number, number] => [(n - k) >> 1, ((n - k) >> 1) + k]])
					];
					for (const way of ways) {
						let [low, high] = [0, n];
						while (high - low > Math.max(1, n / 16)) {
							const k = (low + high) >> 1;
							const [from, to] = way(k);
							// A dart is closed from its tip; a seam of one part from nowhere else.
							const flat = close(from, to);
							if (flat) {
								low = k;
								if (!best || k > best.to - best.from) best = { from, to, flat };
							} else high = k;
						}
					}
				}
				// What is closed only a little is more trouble than it saves.
				if (!best || (best.to - best.from < n && best.to - best.from < Math.max(2, n / 4))) continue;
				for (const h of halves.slice(best.from, best.to)) {
					cut[h] = 0;
					cut[surface.twin[h]!] = 0;
				}
				const [a, b] = patches;
				this.#parts = [...this.#parts.filter((_, i) => i !== a && i !== b), { faces, flat: best.flat }];
				closed = true;
				options.progress?.(0.6 + 0.4 * (options.spent?.() ?? 0.5), this.#parts.length);
				break;
			}
			if (!closed) return;
		}
	}
}
