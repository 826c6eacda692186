import { depths, slope, slopes, turn, type Turned } from './overlap.ts';
import { type Masks, Raster } from './raster.ts';
import type { Bin, Item } from './item.ts';
import { deepestAcross } from './across.ts';

/**
 * Pieces laid anywhere, and moved until none covers another: overlap-removal search with guided weights. The way is that of
 * guided local search (C. Voudouris and E. Tsang, 1999) as it is used for cutting (J. Egeblad, B. Nielsen and A. Odgaard, 2007);
 * how much two pieces cover each other is told by how deep their borders lie in each other.
 */

/** Where a piece stands that is not laid yet. */
export const AWAY = 1e12;

export interface Laid {
	x: Float64Array;
	y: Float64Array;
	turned: Turned[];
}

/** Places tried beside where a piece lies and anywhere, and how many of them are looked at closer. */
const [BESIDE, ANYWHERE, CLOSER] = [8, 14, 3];
const REFINED = 14;
/** So near to the fold a half lies on it, mm. */
const ON_FOLD = 0.001;
/** How deep the middle of an edge may lie in another piece, mm; its points may by less. */
const ACROSS = 0.008;
/** As many steps has a piece that is moved by hand. */
const MOVED_OFF = 80;
/** How often a piece that is stuck is looked for room for. */
const LOOKED = 1;
/** A piece whose loss falls to this share by moving it down its slope is not looked for elsewhere. */
const ENOUGH = 0.5;
const ROUNDS_WITHOUT = 25;
const STRIKES = 2;
const GAIN = 0.98;
/** Weights of what overlaps grow by from this to this, those of the rest fade. */
const GROW = [1.2, 2] as const;
const FADE = 0.95;

/** Where a piece may lie, and what it costs. */
interface Spot {
	loss: number;
	x: number;
	y: number;
	turned: Turned;
	bin: Bin;
}

export class Search implements Laid {
	readonly x: Float64Array;
	readonly y: Float64Array;
	readonly turned: Turned[];
	bins: Bin[];
	private readonly weights: Float32Array;
	private readonly overlaps: Float32Array;
	/** Boxes as they lie. */
	private readonly left: Float64Array;
	private readonly right: Float64Array;
	private readonly low: Float64Array;
	private readonly high: Float64Array;
	private movable: number[];
	private rasters: Raster[] = [];
	private readonly heldTurns: Turned[][] = [];

	constructor(
		readonly items: readonly Item[],
		laid: Laid,
		bins: readonly Bin[],
		private readonly random: () => number,
		/** Whether to stop at once. */
		private readonly over: () => boolean,
		/** Of the raster that room is looked for by, mm. */
		private readonly cell: number,
		private readonly masks: Masks
	) {
		const n = items.length;
		this.x = Float64Array.from(laid.x);
		this.y = Float64Array.from(laid.y);
		this.turned = [...laid.turned];
		this.bins = [...bins];
		this.weights = new Float32Array(n * n).fill(1);
		this.overlaps = new Float32Array(n * n);
		this.left = new Float64Array(n);
		this.right = new Float64Array(n);
		this.low = new Float64Array(n);
		this.high = new Float64Array(n);
		this.movable = this.present();
		for (let i = 0; i < n; i++) this.box(i);
	}

	/** Pieces that can be moved; what is not laid yet stands far away. */
	private present(): number[] {
		return this.items.flatMap((item, i) => (item.fixed || this.x[i]! >= AWAY ? [] : [i]));
	}

	/** What lies where, to go back to. */
	kept(): Laid {
		return {
			x: Float64Array.from(this.x),
			y: Float64Array.from(this.y),
			turned: [...this.turned]
		};
	}
	put(laid: Laid) {
		this.x.set(laid.x);
		this.y.set(laid.y);
		laid.turned.forEach((t, i) => {
			this.turned[i] = t;
			this.box(i);
		});
		this.movable = this.present();
	}

	private box(i: number) {
		const t = this.turned[i]!;
		this.left[i] = this.x[i]! + t.left;
		this.right[i] = this.x[i]! + t.right;
		this.low[i] = this.y[i]! + t.low;
		this.high[i] = this.y[i]! + t.high;
	}

	private boxesApart(i: number, j: number): boolean {
		const { left, right, low, high } = this;
		return left[j]! >= right[i]! || right[j]! <= left[i]! || low[j]! >= high[i]! || high[j]! <= low[i]!;
	}

	/** The bin in which a piece lies whole, or −1. */
	binOf(i: number): number {
		const { hugs } = this.items[i]!;
		return this.bins.findIndex(
			(b) =>
				(hugs === null ? this.left[i]! >= b.left - 1e-6 : Math.abs(this.x[i]! - b.left - hugs) < ON_FOLD) &&
				this.right[i]! <= b.right + 1e-6 &&
				this.low[i]! >= b.low - 1e-6 &&
				this.high[i]! <= b.high + 1e-6
		);
	}
	private pair(i: number, t: Turned, x: number, y: number, j: number, bound: number): number {
		const other = this.turned[j]!;
		const [a, b] = [this.items[i]!.shape, this.items[j]!.shape];
		const ox = x - this.x[j]!;
		const oy = y - this.y[j]!;
		const most = bound * bound;
		const one = depths(t, a.along, ox, oy, other, b, most);
		return Math.sqrt(one > most ? one : one + depths(other, b.along, -ox, -oy, t, a, most - one));
	}

	/** Weighed overlap of a piece, laid so, with all others; given up above the bound. */
	private loss(i: number, t: Turned, x: number, y: number, bound: number): number {
		const { left, right, low, high, weights } = this;
		const n = left.length;
		const l = x + t.left;
		const r = x + t.right;
		const b = y + t.low;
		const h = y + t.high;
		let sum = 0;
		for (let j = 0; j < n; j++) {
			if (left[j]! >= r || right[j]! <= l || low[j]! >= h || high[j]! <= b || j === i) continue;
			const w = weights[i * n + j]!;
			sum += w * this.pair(i, t, x, y, j, (bound - sum) / w);
			if (sum > bound) return sum;
		}
		return sum;
	}

	/** How much each overlaps each, anew. */
	private measure(i: number) {
		const n = this.items.length;
		for (let j = 0; j < n; j++) {
			if (j === i) continue;
			const o =
				this.boxesApart(i, j) || (this.items[i]!.fixed && this.items[j]!.fixed)
					? 0
					: this.pair(i, this.turned[i]!, this.x[i]!, this.y[i]!, j, Infinity);
			this.overlaps[i * n + j] = this.overlaps[j * n + i] = o;
		}
	}
	private overlapOf(i: number): number {
		const n = this.items.length;
		let sum = 0;
		for (let j = 0; j < n; j++) sum += this.overlaps[i * n + j]!;
		// Not in any bin: it has to move, whatever it covers.
		return this.binOf(i) < 0 ? sum + 1e6 : sum;
	}

	private anyTurn({ turns, shape }: Item): Turned {
		return turns
			? turns[Math.floor(this.random() * turns.length)]!
			: turn(shape, this.random() * 2 * Math.PI);
	}

	private paint(i: number, by: 1 | -1) {
		for (const raster of this.rasters)
			if (this.x[i]! > raster.bin.left && this.x[i]! < raster.bin.right)
				raster.paint(this.items[i]!, this.turned[i]!, this.x[i]!, this.y[i]!, by);
	}
	/** Turns that a piece is looked for room in: its own, or of any some that stay the same. */
	private held(i: number): readonly Turned[] {
		const { turns, shape } = this.items[i]!;
		return (
			turns ?? (this.heldTurns[i] ??= Array.from({ length: 12 }, (_, k) => turn(shape, (k * Math.PI) / 6)))
		);
	}

	/** A place in one of the bins, if it fits in it turned so. */
	private within(item: Item, t: Turned, bin: Bin, x: number, y: number): [number, number] | null {
		const [l, r] = [bin.left - t.left, bin.right - t.right];
		const [b, h] = [bin.low - t.low, bin.high - t.high];
		if (l > r + 1e-6 || b > h + 1e-6) return null;
		return [
			item.hugs !== null ? bin.left + item.hugs : Math.max(l, Math.min(Math.max(l, r), x)),
			Math.max(b, Math.min(Math.max(b, h), y))
		];
	}

	/** Moves a piece to where it costs least, of what is tried. */
	private improve(i: number): boolean {
		const item = this.items[i]!;
		const home = this.binOf(i);
		const now = home < 0 ? Infinity : this.loss(i, this.turned[i]!, this.x[i]!, this.y[i]!, Infinity);
		const best: Spot[] = [];
		const offer = (turned: Turned, bin: Bin, px: number, py: number) => {
			const at = this.within(item, turned, bin, px, py);
			if (!at) return;
			const bound = best.length < CLOSER ? Infinity : best[CLOSER - 1]!.loss;
			const loss = this.loss(i, turned, at[0], at[1], bound);
			if (loss >= bound) return;
			best.push({ loss, x: at[0], y: at[1], turned, bin });
			best.sort((p, q) => p.loss - q.loss);
			best.length = Math.min(best.length, CLOSER);
		};
		if (home >= 0) {
			const bin = this.bins[home]!;
			const its = this.turned[i]!;
			const here = { loss: now, x: this.x[i]!, y: this.y[i]!, turned: its, bin };
			this.refine(i, here, REFINED);
			if (here.loss < now * ENOUGH) return this.settle(i, here);
			best.push(here);
			const reach = item.shape.reach;
			for (let k = 0; k < BESIDE; k++) {
				const t =
					k % 2
						? its
						: item.turns
							? this.anyTurn(item)
							: turn(item.shape, its.angle + (this.random() - 0.5) * 0.6);
				offer(t, bin, this.x[i]! + (this.random() - 0.5) * reach, this.y[i]! + (this.random() - 0.5) * reach);
			}
		}
		for (let k = 0; k < this.rasters.length && this.random() < LOOKED; k++) {
			// A place with room, from somewhere on: a small piece goes where it fits.
			const raster = this.rasters[Math.floor(this.random() * this.rasters.length)]!;
			const turned = this.held(i)[Math.floor(this.random() * this.held(i).length)]!;
			const found = raster.find(item, turned, raster.rowAt(this.random()));
			if (found) offer(turned, raster.bin, found.x, found.y);
		}
		for (let k = 0; k < ANYWHERE; k++) {
			const bin = this.bins[Math.floor(this.random() * this.bins.length)]!;
			const t = this.anyTurn(item);
			offer(
				t,
				bin,
				bin.left + this.random() * (bin.right - bin.left),
				bin.low + this.random() * (bin.high - bin.low)
			);
		}
		let chosen: Spot | null = null;
		for (const candidate of best) {
			this.refine(i, candidate, REFINED);
			if (!chosen || candidate.loss < chosen.loss) chosen = candidate;
			if (chosen.loss === 0) break;
		}
		if (!chosen || chosen.loss >= now) return false;
		return this.settle(i, chosen);
	}
	private settle(i: number, to: Spot): true {
		this.paint(i, -1);
		this.x[i] = to.x;
		this.y[i] = to.y;
		this.turned[i] = to.turned;
		this.paint(i, 1);
		this.box(i);
		this.measure(i);
		return true;
	}
	/** Weighed overlap of a piece, laid so, with its slope. */
	private sloped(i: number, t: Turned, x: number, y: number): number {
		const { left, right, low, high, weights, items } = this;
		const n = left.length;
		const l = x + t.left;
		const r = x + t.right;
		const b = y + t.low;
		const h = y + t.high;
		const its = items[i]!.shape;
		slope.x = slope.y = slope.turn = 0;
		let sum = 0;
		for (let j = 0; j < n; j++) {
			if (left[j]! >= r || right[j]! <= l || low[j]! >= h || high[j]! <= b || j === i) continue;
			const w = weights[i * n + j]!;
			const other = this.turned[j]!;
			const shape = items[j]!.shape;
			const ox = x - this.x[j]!;
			const oy = y - this.y[j]!;
			const before = { ...slope };
			slope.x = slope.y = slope.turn = 0;
			const o =
				slopes(t, its.along, ox, oy, other, shape, 1) + slopes(other, shape.along, -ox, -oy, t, its, -1);
			const root = Math.sqrt(o);
			const share = o > 0 ? w / (2 * root) : 0;
			slope.x = before.x + slope.x * share;
			slope.y = before.y + slope.y * share;
			slope.turn = before.turn + slope.turn * share;
			sum += w * root;
		}
		return sum;
	}

	/** Down the slope, by what would end the overlap if it went on like that; shorter where it does not. */
	private refine(i: number, at: Spot, most: number) {
		const item = this.items[i]!;
		const { turns, shape } = item;
		let loss = this.sloped(i, at.turned, at.x, at.y);
		at.loss = loss;
		let { x: gx, y: gy, turn: gt } = slope;
		let reach = 1;
		for (let k = 0; k < most && at.loss > 0; k++) {
			// A turn counts by how far it moves the border.
			const swing = turns ? 0 : gt / (shape.reach * shape.reach);
			const steep = gx * gx + gy * gy + swing * gt;
			if (steep < 1e-12) return;
			const s = (reach * 1.02 * at.loss) / steep;
			const turned = swing
				? turn(shape, at.turned.angle - Math.max(-0.3, Math.min(0.3, s * swing)))
				: at.turned;
			const to = this.within(item, turned, at.bin, at.x - s * gx, at.y - s * gy);
			if (!to) return;
			loss = this.sloped(i, turned, to[0], to[1]);
			if (loss < at.loss) {
				const little = loss > at.loss * 0.97;
				at.loss = loss;
				[at.x, at.y] = to;
				at.turned = turned;
				({ x: gx, y: gy, turn: gt } = slope);
				reach = Math.min(1, reach * 1.6);
				if (little && k > 3) return;
			} else {
				reach *= 0.35;
				if (reach < 0.02) return;
			}
		}
	}

	/**
	 * Lays a piece that stood away, where it covers nothing, as low as was found.
	 * @returns whether there was room in one of the bins, tried in order
	 */
	insert(i: number, bins: readonly Bin[], tries: number): boolean {
		const item = this.items[i]!;
		const allTurns = item.turns ?? Array.from({ length: 8 }, (_, k) => turn(item.shape, (k * Math.PI) / 4));
		for (const bin of bins) {
			let best: { x: number; y: number; turned: Turned } | null = null;
			for (let k = 0; k < tries; k++) {
				const turned = allTurns[k % allTurns.length]!;
				const [x, y] = [
					bin.left + this.random() * (bin.right - bin.left),
					bin.low + this.random() * (bin.high - bin.low)
				];
				const at = this.within(item, turned, bin, x, y);
				if (!at || (best && at[1] + turned.low >= best.y + best.turned.low)) continue;
				const candidate = {
					loss: this.loss(i, turned, at[0], at[1], Infinity),
					x: at[0],
					y: at[1],
					turned,
					bin
				};
				if (candidate.loss > 0) this.refine(i, candidate, REFINED);
				if (candidate.loss === 0 && (!best || candidate.y + candidate.turned.low < best.y + best.turned.low))
					best = candidate;
			}
			if (!best) continue;
			this.x[i] = best.x;
			this.y[i] = best.y;
			this.turned[i] = best.turned;
			this.box(i);
			this.movable = this.present();
			return true;
		}
		return false;
	}

	/** Lays a piece that stood away somewhere, whatever it covers. */
	drop(i: number): boolean {
		for (let k = 0; k < 50; k++) {
			const bin = this.bins[Math.floor(this.random() * this.bins.length)]!;
			const t = this.anyTurn(this.items[i]!);
			const at = this.within(
				this.items[i]!,
				t,
				bin,
				bin.left + this.random() * (bin.right - bin.left),
				bin.low + this.random() * (bin.high - bin.low)
			);
			if (!at) continue;
			[this.x[i], this.y[i]] = at;
			this.turned[i] = t;
			this.box(i);
			this.movable = this.present();
			return true;
		}
		return false;
	}

	/** Whether a piece lies in a bin and covers nothing. */
	free(i: number): boolean {
		if (this.binOf(i) < 0 || this.loss(i, this.turned[i]!, this.x[i]!, this.y[i]!, 0) > 0) return false;
		return this.items.every((_, j) => j === i || this.boxesApart(i, j) || this.acrossEach(i, j) <= ACROSS);
	}
	shift(i: number, axis: 'x' | 'y', by: number) {
		this[axis][i]! += by;
		this.box(i);
	}
	/** Moves a piece off what it covers, the short way. @returns whether that could be done */
	moveOff(i: number): boolean {
		const turned = this.turned[i]!;
		const bin = this.bins[0]!;
		const at = this.within(this.items[i]!, turned, bin, this.x[i]!, this.y[i]!);
		if (!at) return false;
		const spot = { loss: Infinity, x: at[0], y: at[1], turned, bin };
		this.refine(i, spot, MOVED_OFF);
		[this.x[i], this.y[i]] = [spot.x, spot.y];
		this.turned[i] = spot.turned;
		this.box(i);
		return this.free(i);
	}

	/** How much is covered in all. */
	total(): number {
		let sum = 0;
		for (const i of this.movable) sum += this.overlapOf(i);
		return sum;
	}

	/**
	 * Moves pieces until none covers another and all lie in a bin. Yields after each round.
	 * @returns whether it came to that
	 */
	*separate(): Generator<void, boolean> {
		this.weights.fill(1);
		this.prepare();
		let least = this.total();
		let keep = this.kept();
		for (let strikes = 0; strikes < STRIKES;) {
			const begin = least;
			for (let without = 0; without < ROUNDS_WITHOUT; without++) {
				const order = this.movable.filter((i) => this.overlapOf(i) > 0);
				if (order.length === 0 && this.crossings() === 0) return true;
				for (let k = order.length - 1; k > 0; k--) {
					const j = Math.floor(this.random() * (k + 1));
					[order[k], order[j]] = [order[j]!, order[k]!];
				}
				for (const i of order) {
					if (this.overlapOf(i) > 0) this.improve(i);
					if (this.over()) return false;
				}
				const now = this.total();
				if (now === 0 && this.crossings() === 0) return true;
				if (now < least * GAIN) without = 0;
				if (now < least) {
					least = now;
					keep = this.kept();
				}
				this.weigh();
				yield;
			}
			strikes = least < begin * GAIN ? 0 : strikes + 1;
			this.put(keep);
			this.prepare();
		}
		return false;
	}

	/** Overlaps and rasters as everything lies now. */
	private prepare() {
		this.rasters = this.bins.map((bin) => new Raster(bin, this.cell, this.masks));
		for (let i = 0; i < this.items.length; i++) {
			this.measure(i);
			if (this.items[i]!.fixed || this.x[i]! < AWAY) this.paint(i, 1);
		}
	}

	private weigh() {
		const { overlaps, weights } = this;
		let most = 0;
		for (let k = 0; k < overlaps.length; k++) if (overlaps[k]! > most) most = overlaps[k]!;
		const [low, high] = GROW;
		for (let k = 0; k < overlaps.length; k++)
			weights[k] =
				overlaps[k]! > 0
					? weights[k]! * (low + ((high - low) * overlaps[k]!) / most)
					: Math.max(1, weights[k]! * FADE);
	}

	/**
	 * Thin parts can cross without a point of either border lying in the other: counted by the middles of what edges have within
	 * each other. Such pairs are marked as overlapping.
	 */
	private crossings(): number {
		const n = this.items.length;
		let found = 0;
		for (let i = 0; i < n; i++)
			for (let j = i + 1; j < n; j++) {
				if ((this.items[i]!.fixed && this.items[j]!.fixed) || this.boxesApart(i, j)) continue;
				const deep = this.acrossEach(i, j);
				if (deep > ACROSS) {
					found++;
					this.overlaps[i * n + j] = this.overlaps[j * n + i] = deep * deep;
				}
			}
		return found;
	}
	private acrossEach(i: number, j: number): number {
		const [a, b] = [this.items[i]!.shape.field, this.items[j]!.shape.field];
		const [ox, oy] = [this.x[i]! - this.x[j]!, this.y[i]! - this.y[j]!];
		const [s, t] = [this.turned[i]!, this.turned[j]!];
		return Math.max(deepestAcross(a, s, b, t, ox, oy), deepestAcross(b, t, a, s, -ox, -oy));
	}
	/**
	 * Takes up what lies around some place, and a few pieces from elsewhere, and lays them anew where there is room, the large ones
	 * first or nearly so; what finds none stays where it was. To get out of where the search is stuck (ruin and recreate: G. Schrimpf and
	 * others, 2000).
	 * @param share of all pieces that is taken up around the place
	 */
	remake(share: number) {
		const { movable } = this;
		const here = movable[Math.floor(this.random() * movable.length)]!;
		const far = (i: number) => (this.x[i]! - this.x[here]!) ** 2 + (this.y[i]! - this.y[here]!) ** 2;
		const near = movable.toSorted((p, q) => far(p) - far(q)).slice(0, Math.ceil(share * movable.length));
		const taken = new Set([...near, ...movable.filter(() => this.random() < share / 4)]);
		this.rasters = this.bins.map((bin) => new Raster(bin, this.cell, this.masks));
		this.items.forEach((item, i) => {
			if (item.fixed || (this.x[i]! < AWAY && !taken.has(i))) this.paint(i, 1);
		});
		const noise = this.random();
		const key = new Map(
			[...taken].map((i) => [i, this.items[i]!.shape.area * (1 + noise * (this.random() - 0.5))])
		);
		for (const i of [...taken].sort((p, q) => key.get(q)! - key.get(p)!)) {
			let at: ReturnType<Raster['lowest']> = null;
			for (const raster of this.rasters) {
				at = raster.lowest(this.items[i]!, this.held(i));
				if (at) break;
			}
			if (at) {
				this.x[i] = at.x;
				this.y[i] = at.y;
				this.turned[i] = at.turned;
				this.box(i);
			}
			this.paint(i, 1);
		}
	}

	/** Two pieces of about one size change places, whatever they cover there. */
	swap() {
		const { movable, items } = this;
		const one = movable[Math.floor(this.random() * movable.length)]!;
		const size = items[one]!.shape.area;
		const others = movable.filter((i) => {
			const { shape } = items[i]!;
			return shape !== items[one]!.shape && shape.area > size / 3 && shape.area < size * 3;
		});
		if (others.length === 0) return;
		const other = others[Math.floor(this.random() * others.length)]!;
		for (const of of [this.x, this.y]) [of[one], of[other]] = [of[other]!, of[one]!];
		this.box(one);
		this.box(other);
		this.inside();
	}

	/** What lies a little out of its bin is put in. */
	inside() {
		for (const i of this.movable) {
			const bin = this.bins.find(
				(b) =>
					this.x[i]! > b.left && this.x[i]! < b.right && this.y[i]! > b.low - 1 && this.y[i]! < b.high + 1
			);
			const at = bin && this.within(this.items[i]!, this.turned[i]!, bin, this.x[i]!, this.y[i]!);
			if (at) [this.x[i], this.y[i]] = at;
			this.box(i);
		}
	}

	/** Everything in a bin moves down by the same share, so that its top comes from one height to another. */
	squeeze(bin: Bin, from: number, to: number) {
		const share = (to - bin.low) / (from - bin.low);
		for (const i of this.movable) {
			if (this.x[i]! < bin.left || this.x[i]! > bin.right) continue;
			const { low, high } = this.turned[i]!;
			const y = bin.low + (this.y[i]! - bin.low) * share;
			this.y[i] = Math.max(bin.low - low, Math.min(to - high, y));
			this.box(i);
		}
	}
}
