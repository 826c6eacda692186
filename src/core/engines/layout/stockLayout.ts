import type { Point } from '../../units/point.ts';
import { layBoxes, type BoxWays } from './boxes.ts';
import { copyOf, degrees, hugsOf, radians, type Copy } from './copies.ts';
import { turn, type Turned } from './overlap.ts';
import { APART, placeOf, type Place } from './place.ts';
import { Masks, Raster } from './raster.ts';
import { seeded } from '../../units/random.ts';
import { AWAY, Search, type Laid } from './search.ts';
import type { Item } from './item.ts';
import { moreOf, useOf, type Layout, type LayoutTask, type Unplaced, type WhyNot } from './stock.ts';
import type { LayPiece, Placement, SheetForm, Stock } from '../../facts/layout.ts';

/** Pieces on one stock. */

/** Places that are tried for a piece on an offcut. */
const TRIES = 80;

/** Turns that the box of a shape of any rotation is tried in: with each of its longer sides flat. */
function flatTurns(outline: readonly Point[]): number[] {
	const sides = outline
		.map(([x, y], i) => {
			const [px, py] = outline[(i + 1) % outline.length]!;
			return { long: Math.hypot(px - x, py - y), angle: Math.atan2(py - y, px - x) };
		})
		.sort((a, b) => b.long - a.long)
		.slice(0, 6);
	return [0, ...sides.map((s) => -s.angle)].flatMap((a) => [a, a + Math.PI / 2]);
}

/** How good a layout is: what is left out, the last sheet, how far it reaches on it. Less is better, in this order. */
type Measure = readonly [number, number, number];
const better = (a: Measure, b: Measure): boolean => {
	for (let k = 0; k < 3; k++) if (Math.abs(a[k]! - b[k]!) > 1e-6) return a[k]! < b[k]!;
	return false;
};

/** How many times over all copies are there, left and right together. */
function timesAlike(copies: readonly Copy[]): number {
	const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));
	const counts = new Map<LayPiece, number>();
	for (const { piece } of copies) counts.set(piece, (counts.get(piece) ?? 0) + 1);
	return [...counts].reduce(
		(all, [{ pair }, count]) => divisor(all, pair ? (count % 2 ? 1 : count / 2) : count),
		0
	);
}

/** The search on one stock. */
export class StockLayout {
	private readonly random: () => number;
	private readonly inset: number;
	private readonly copies: Copy[];
	private readonly places: Place[] = [];
	private readonly unplaced: Unplaced[] = [];
	private readonly locked: { copy: Copy; at: Placement }[] = [];
	/** The ways that each copy is tried in when a layout is begun. */
	private readonly ways: readonly (readonly Turned[])[];
	/** Of the raster that room is looked for by, mm. */
	private readonly cell: number;
	private readonly masks = new Masks();
	private search!: Search;
	private best!: Laid;
	private measure!: Measure;

	constructor(
		private readonly stock: Stock,
		copies: readonly Copy[],
		private readonly task: LayoutTask,
		private readonly over: () => boolean
	) {
		this.random = seeded(task.seed);
		this.inset = task.edge - task.gap / 2;
		for (const form of stock.sheets) this.addPlace(form);
		if (stock.roll !== null) this.addPlace(moreOf(stock)!);
		const most = [...stock.sheets, moreOf(stock) ?? []].flat();
		this.copies = copies.filter((c) => {
			const at = task.locked?.find(
				(p) => p.stock === stock.id && p.piece === c.piece.id && p.copy === c.copy
			);
			if (at && this.lock(c, at)) return false;
			const why = this.tooLarge(c, most);
			if (why) this.unplaced.push({ piece: c.piece.id, copy: c.copy, why });
			return !why;
		});
		this.cell = this.cellSize();
		this.ways = this.copies.map((c) => c.turns ?? flatTurns(c.outline).map((a) => turn(c.shape, a)));
		this.begin();
	}

	private addPlace(form: SheetForm): Place {
		const last = this.places[this.places.length - 1];
		const left = last ? last.left + last.form.width + APART : 0;
		const place = placeOf(form, left, this.inset, this.task.gap);
		this.places.push(place);
		return place;
	}
	/** A copy that stays is a thing that does not move, as a flaw is. */
	private lock(copy: Copy, at: Placement): boolean {
		while (this.places.length < at.sheet) {
			if (this.stock.roll !== null || !this.stock.more) return false;
			this.addPlace(this.stock.more);
		}
		const place = this.places[at.sheet - 1]!;
		// The maker may have turned it over.
		if (copy.mirrored !== at.mirrored)
			copy = { ...copyOf(copy.piece, at.mirrored, this.task.gap), copy: copy.copy };
		const turned = turn(copy.shape, radians(at.rotation));
		const [mx, my] = copy.middle;
		place.fixed.push({ shape: copy.shape, turns: [turned], fixed: true, hugs: null });
		place.at.push({
			x: place.left + at.x + mx * turned.cos - my * turned.sin,
			y: at.y + mx * turned.sin + my * turned.cos
		});
		this.locked.push({ copy, at });
		return true;
	}
	private tooLarge(
		{ shape, turns, outline }: Copy,
		sizes: readonly { width: number; height: number }[]
	): WhyNot | null {
		if (sizes.length === 0) return 'noStock';
		const open = sizes.filter((s) => s.width > 2 * this.inset && s.height > 2 * this.inset);
		if (open.length === 0) return 'gapTooLarge';
		const ways = turns ?? flatTurns(outline).map((a) => turn(shape, a));
		const fits = (t: Turned) =>
			open.some(
				(s) =>
					t.right - t.left <= s.width - 2 * this.inset + 1e-6 &&
					t.high - t.low <= s.height - 2 * this.inset + 1e-6
			);
		if (ways.some(fits)) return null;
		const turned = turns !== null && flatTurns(outline).some((a) => fits(turn(shape, a)));
		return turned ? 'wontTurn' : 'tooLarge';
	}

	private get smallest(): number {
		return Math.min(...this.ways.flatMap((w) => w.map((t) => t.high - t.low)));
	}

	/** The first whole layout: boxes into plain sheets, the rest wherever there is room. */
	private begin() {
		const { stock, inset, copies } = this;
		const n = copies.length;
		const { ways } = this;
		const boxes = ways.map((w, i): BoxWays => ({
			ways: w.map((t) => [t.right - t.left, t.high - t.low]),
			area: copies[i]!.area
		}));
		const inner = ({ width, height }: { width: number; height: number }) => ({
			width: width - 2 * inset,
			height: height - 2 * inset
		});
		const roll = stock.roll === null ? null : this.places[stock.sheets.length]!;
		const plain = this.places.filter((p) => p.fixed.length === 0 || p === roll);
		const given = plain.map((p) => (p === roll ? { ...inner(p.form), height: Infinity } : inner(p.form)));
		// Offcuts have no free boxes: they are filled by trying, first. So is what has to lie on the fold.
		const x = new Float64Array(n).fill(AWAY);
		const y = new Float64Array(n);
		const turned: Turned[] = ways.map((w) => w[0]!);
		const odd = this.places.filter((p) => p.fixed.length > 0 && p !== roll);
		const open = copies.map((_, i) => i).sort((a, b) => copies[b]!.shape.area - copies[a]!.shape.area);
		if (odd.length) {
			this.makeSearch({ x, y, turned });
			for (const i of open)
				if (
					this.search.insert(
						i,
						odd.map((p) => p.bin),
						TRIES
					)
				)
					this.note(i, x, y, turned);
		}
		// On a roll, what is locked comes first, then what lies on the fold, one above the other.
		let begins = roll ? Math.max(roll.bin.low, this.lockedHigh(stock.sheets.length)) : 0;
		for (const i of open) {
			const hugs = hugsOf(copies[i]!, inset);
			if (hugs === null || !roll || x[i]! < AWAY) continue;
			const t = turned[i]!;
			[x[i], y[i]] = [roll.bin.left + hugs, begins - t.low];
			begins += t.high - t.low;
		}
		const rest = open.filter((i) => x[i]! >= AWAY);
		const found = layBoxes(
			rest.map((i) => boxes[i]!),
			given,
			stock.more && inner(stock.more),
			this.over
		);
		rest.forEach((i, k) => {
			const p = found[k];
			if (!p) return;
			while (plain.length <= p.bin) plain.push(this.addPlace(stock.more!));
			const place = plain[p.bin]!;
			const t = ways[i]![p.way]!;
			turned[i] = t;
			x[i] = place.bin.left + p.x - t.left;
			y[i] = (place === roll ? begins : place.bin.low) + p.y - t.low;
		});
		this.makeSearch({ x, y, turned });
		const bins = this.places.map((p) => p.bin);
		for (const i of open) if (x[i]! >= AWAY) this.search.insert(i, bins, TRIES);
		this.keep(this.search.kept());
	}
	/** How far up what does not move reaches on a sheet. */
	private lockedHigh(sheet: number): number {
		return this.locked
			.filter(({ at }) => at.sheet === sheet + 1)
			.reduce((most, { copy, at }) => {
				const t = turn(copy.shape, radians(at.rotation));
				return Math.max(most, at.y + copy.middle[0] * t.sin + copy.middle[1] * t.cos + t.high);
			}, 0);
	}
	private note(i: number, x: Float64Array, y: Float64Array, turned: Turned[]) {
		x[i] = this.search.x[i]!;
		y[i] = this.search.y[i]!;
		turned[i] = this.search.turned[i]!;
	}

	/** Copies first, then all that does not move. */
	private makeSearch(laid: Laid) {
		const fixed = this.places.flatMap((p) => p.fixed);
		const at = this.places.flatMap((p) => p.at);
		const items: Item[] = [
			...this.copies.map((c): Item => ({
				shape: c.shape,
				turns: c.turns,
				fixed: false,
				hugs: hugsOf(c, this.inset)
			})),
			...fixed
		];
		const n = this.copies.length;
		this.search = new Search(
			items,
			{
				x: Float64Array.from([...laid.x.slice(0, n), ...at.map((p) => p.x)]),
				y: Float64Array.from([...laid.y.slice(0, n), ...at.map((p) => p.y)]),
				turned: [...laid.turned.slice(0, n), ...fixed.map((f) => f.turns![0]!)]
			},
			this.places.map((p) => p.bin),
			this.random,
			this.over,
			this.cell,
			this.masks
		);
	}

	/**
	 * A layout made anew piece by piece, the large ones first or nearly so, each as low as there is room: small ones fill what is
	 * between. By a coarse raster, so what it lays may overlap a little.
	 * @param noise how far the order strays from that of size
	 */
	private sketch(noise: number): Laid {
		const n = this.copies.length;
		const key = this.copies.map((c) => c.shape.area * (1 + noise * (this.random() - 0.5)));
		const order = this.copies.map((_, i) => i).sort((a, b) => key[b]! - key[a]! || a - b);
		const { cell } = this;
		// A roll is looked at a little farther than it is used; one that is not begun stays so.
		const roll = this.stock.roll === null ? null : this.places[this.stock.sheets.length];
		const used = this.measure[1] === this.stock.sheets.length ? this.measure[2] * 1.2 : 0;
		const rasterOf = (place: Place) => {
			const high = place === roll ? used : place.bin.high;
			const raster = new Raster({ ...place.bin, high }, cell, this.masks);
			place.fixed.forEach((item, k) =>
				raster.paint(item, item.turns![0]!, place.at[k]!.x, place.at[k]!.y, 1)
			);
			return raster;
		};
		const rasters = this.places.map(rasterOf);
		const laid: Laid = {
			x: this.best.x.map((x, i) => (i < n ? AWAY : x)),
			y: this.best.y.slice(),
			turned: [...this.best.turned]
		};
		for (const i of order) {
			if (this.over()) break;
			const item = this.search.items[i]!;
			// What does not even fit into an empty raster, as it can when it fits to the last digit, is not laid by this one.
			const most = rasters.length + (this.stock.more ? 1 : 0);
			for (let b = 0; b < most; b++) {
				rasters[b] ??= rasterOf(this.places[b] ?? this.addPlace(this.stock.more!));
				const at = rasters[b]!.lowest(item, this.ways[i]!);
				if (!at) continue;
				rasters[b]!.paint(item, at.turned, at.x, at.y, 1);
				laid.x[i] = at.x;
				laid.y[i] = at.y;
				laid.turned[i] = at.turned;
				break;
			}
		}
		return laid;
	}

	/** What was sketched, moved apart; it may take a little more room for that. */
	private *apart(laid: Laid): Generator<boolean, boolean> {
		const { search } = this;
		const [out, last, high] = this.measureOf(laid);
		if (out > this.measure[0]) return false;
		search.put(laid);
		search.bins = this.places.slice(0, last + 1).map((p) => p.bin);
		search.bins[last] = { ...search.bins[last]!, high: Math.min(search.bins[last]!.high, high + this.cell) };
		search.inside();
		return (yield* this.separated()) && this.keep(search.kept());
	}
	private *separated(): Generator<boolean, boolean> {
		const work = this.search.separate();
		let round = work.next();
		while (!round.done) {
			yield false;
			round = work.next();
		}
		return round.value;
	}

	/** Of the raster, mm: the smaller pieces still have some cells. */
	private cellSize(): number {
		const sizes = this.copies.map((c) => c.shape.reach).sort((a, b) => a - b);
		return Math.max(2, sizes[Math.floor(sizes.length / 4)]! / 14);
	}

	private binIndex(x: number): number {
		for (let b = this.places.length - 1; b > 0; b--) if (x > this.places[b]!.left - APART / 2) return b;
		return 0;
	}
	private measureOf(laid: Laid): Measure {
		const held = this.locked.reduce((most, { at }) => Math.max(most, at.sheet - 1), 0);
		let [out, last, high] = [0, held, this.lockedHigh(held)];
		this.copies.forEach((c, i) => {
			if (laid.x[i]! >= AWAY) {
				out += c.area;
				return;
			}
			const bin = this.binIndex(laid.x[i]!);
			const top = laid.y[i]! + laid.turned[i]!.high;
			if (bin > last) [last, high] = [bin, top];
			else if (bin === last) high = Math.max(high, top);
		});
		return [out, last, high];
	}
	private keep(laid: Laid): boolean {
		const measure = this.measureOf(laid);
		if (this.measure && !better(measure, this.measure)) return false;
		[this.best, this.measure] = [laid, measure];
		return true;
	}

	/** Tighter and tighter; yields each time a better one is found, and between rounds. */
	*improve(): Generator<boolean, void> {
		if (this.copies.length === 0) return;
		yield true;
		// The first whole one; then the best of some others.
		if (yield* this.apart(this.sketch(0))) yield true;
		let best: Laid | null = null;
		for (let k = 0; k < SKETCHES && !this.over(); k++) {
			const laid = this.sketch(NOISE[k % NOISE.length]!);
			if (!best || better(this.measureOf(laid), this.measureOf(best))) best = laid;
			yield false;
		}
		if (best && !this.over() && better(this.measureOf(best), this.measure) && (yield* this.apart(best)))
			yield true;
		if (yield* this.timesOver()) yield true;
		yield* this.tighten();
	}

	/**
	 * Everything so many times over, as layers of a stack are, is laid once and repeated: what fills a sheet well fills the next one as
	 * well.
	 */
	private *timesOver(): Generator<boolean, boolean> {
		const { stock, copies, task } = this;
		const times = timesAlike(copies);
		if (times < 2 || stock.roll !== null || stock.sheets.length > 0 || this.locked.length > 0) return false;
		const once = copies.filter((c) => c.copy <= c.piece.quantity / times);
		const part = new StockLayout(stock, once, task, this.over);
		const work = part.improve();
		for (let round = 0; round < ONCE_ROUNDS && !work.next().done; round++) yield false;
		const [out, last] = part.measure;
		if (out > 0 || times * (last + 1) > this.measure[1] + 1) return false;
		const at = new Map(copies.map((c, i) => [c.piece.id + ' ' + c.copy, i]));
		const laid: Laid = {
			...this.best,
			x: this.best.x.slice(),
			y: this.best.y.slice(),
			turned: [...this.best.turned]
		};
		part.copies.forEach((c, k) => {
			const bin = part.binIndex(part.best.x[k]!);
			for (let time = 0; time < times; time++) {
				const i = at.get(c.piece.id + ' ' + (c.copy + (time * c.piece.quantity) / times))!;
				const sheet = bin + time * (last + 1);
				while (this.places.length <= sheet) this.addPlace(stock.more!);
				laid.x[i] = part.best.x[k]! - part.places[bin]!.left + this.places[sheet]!.left;
				laid.y[i] = part.best.y[k]!;
				laid.turned[i] = part.best.turned[k]!;
			}
		});
		return this.keep(laid);
	}

	private *tighten(): Generator<boolean, void> {
		let step = FIRST_STEP;
		let fails = 0;
		let stuck = 0;
		while (!this.over()) {
			const [out] = this.measure;
			const { search } = this;
			search.put(this.best);
			if (out > 0) {
				// Room for one more: it is laid over others, and they are moved.
				search.bins = this.places.map((p) => p.bin);
				if (!search.drop(this.copies.findIndex((_, k) => this.best.x[k]! >= AWAY))) return;
			} else {
				const way = this.shorter(step, fails);
				if (way === 'never') return;
				if (way === 'less') {
					if (step <= LAST_STEP) return;
					step /= 2;
					continue;
				}
			}
			if ((yield* this.separated()) && this.keep(search.kept())) {
				fails = stuck = 0;
				step = Math.min(FIRST_STEP, step * 1.2);
				yield true;
				continue;
			}
			fails++;
			stuck++;
			if (fails >= FAILS) {
				fails = 0;
				step = Math.max(LAST_STEP, step * 0.5);
			}
			if (stuck > (out > 0 ? STUCK_OUT : STUCK)) return;
		}
	}

	/** Takes away a share of the length in all, and moves everything down into the rest of it. */
	private shorter(step: number, fails: number): 'tried' | 'less' | 'never' {
		const { search } = this;
		const [, last, high] = this.measure;
		const before = this.places.slice(0, last).reduce((sum, p) => sum + p.bin.high - p.bin.low, 0);
		const bin = this.places[last]!.bin;
		const to = high - Math.max(0.02, step * (before + high - bin.low));
		const gone = to - bin.low < this.smallest - 1e-6;
		if ((gone && last === 0) || to < this.lockedHigh(last)) return 'never';
		const bins = this.places.slice(0, gone ? last : last + 1).map((p) => p.bin);
		if (!gone) bins[last] = { ...bin, high: to };
		const room = bins.reduce((sum, b) => sum + (b.right - b.left) * (b.high - b.low), 0);
		if (this.copies.reduce((sum, c) => sum + c.shape.area, 0) > room) return 'less';
		search.bins = bins;
		search.squeeze(bin, high, gone ? high : to);
		search.inside();
		if (fails > 0) {
			if (last > 0 && this.random() < SWAPPED)
				for (let k = Math.ceil(3 * this.random()); k > 0; k--) search.swap();
			else search.remake(Math.min(0.5, (4 + 16 * this.random()) / this.copies.length));
		}
		return 'tried';
	}

	result(): Layout {
		const placements = this.locked.map(({ at }) => at);
		const unplaced = [...this.unplaced];
		this.copies.forEach((c, i) => {
			const { piece, copy, mirrored, middle } = c;
			if (this.best.x[i]! >= AWAY) {
				unplaced.push({ piece: piece.id, copy, why: 'noRoom' });
				return;
			}
			const bin = this.binIndex(this.best.x[i]!);
			const t = this.best.turned[i]!;
			placements.push({
				piece: piece.id,
				copy,
				stock: this.stock.id,
				sheet: bin + 1,
				mirrored,
				rotation: degrees(t.angle),
				x: this.best.x[i]! - this.places[bin]!.left - (middle[0] * t.cos - middle[1] * t.sin),
				y: this.best.y[i]! - (middle[0] * t.sin + middle[1] * t.cos)
			});
		});
		return { placements, unplaced, stock: [useOf(this.stock, this.task.pieces, placements)] };
	}
}
/** Layouts that are sketched before one is worked on, and how far their orders stray. */
const SKETCHES = 24;
const NOISE = [0.2, 0.5, 1] as const;
/** Of the length in all, that is taken off at a time: at first, and at last. */
const [FIRST_STEP, LAST_STEP] = [0.006, 0.0003];
const FAILS = 3;
/** For so many rounds what is there several times is laid once. */
const ONCE_ROUNDS = 250;
/** How often some pieces change places, of sheets, where it sticks; else what lies around a place is laid anew. */
const SWAPPED = 0.5;
const STUCK = 60;
const STUCK_OUT = 8;
