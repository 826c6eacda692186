import { copyOf, hugsOf, radians } from './copies.ts';
import { turn } from './overlap.ts';
import { placeOf, type Place } from './place.ts';
import { Masks } from './raster.ts';
import { randomOf, Search, type Item } from './search.ts';
import type { Point } from '../pattern/outline.ts';
import { moreOf, type LayPiece, type Placement, type Stock } from './stock.ts';

/** One sheet of a layout whose pieces are moved by hand: what they cover, and where they come to lie when they are let go. */

/** A piece that is let go nearer than this to another, or to the border, is laid against it, mm. */
const SNAP = 8;
/** How near against it, mm. */
const FINE = 0.002;
/** Of the raster that room is looked for by, mm. */
const CELL = 8;

export class ByHand {
	private readonly place: Place;
	private readonly search: Search;
	private readonly middles: Point[];

	/** @param laid what lies on that sheet */
	constructor(
		stock: Stock,
		sheet: number,
		pieces: readonly LayPiece[],
		private readonly laid: readonly Placement[],
		{ gap, edge }: { gap: number; edge: number }
	) {
		const form = stock.sheets[sheet - 1] ?? moreOf(stock)!;
		this.place = placeOf(form, 0, edge - gap / 2, gap);
		const copies = laid.map((p) =>
			copyOf(
				pieces.find((own) => own.id === p.piece)!,
				p.mirrored,
				gap
			)
		);
		this.middles = copies.map((c) => c.middle);
		const turned = copies.map((c, i) => turn(c.shape, radians(laid[i]!.rotation)));
		const items = copies.map((c, i): Item => ({
			shape: c.shape,
			turns: [turned[i]!],
			fixed: false,
			hugs: hugsOf(c, edge - gap / 2)
		}));
		const at = copies.map((_, i) => this.inPlane(i, laid[i]!));
		const all = [...at, ...this.place.at.map((p): Point => [p.x, p.y])];
		this.search = new Search(
			[...items, ...this.place.fixed],
			{
				x: Float64Array.from(all, (p) => p[0]),
				y: Float64Array.from(all, (p) => p[1]),
				turned: [...turned, ...this.place.fixed.map((f) => f.turns![0]!)]
			},
			[this.place.bin],
			randomOf(1),
			() => false,
			CELL,
			new Masks()
		);
	}

	/** Where the middle of its box lies. */
	private inPlane(i: number, { rotation, x, y }: Pick<Placement, 'rotation' | 'x' | 'y'>): Point {
		const [mx, my] = this.middles[i]!;
		const a = radians(rotation);
		return [x + mx * Math.cos(a) - my * Math.sin(a), y + mx * Math.sin(a) + my * Math.cos(a)];
	}
	private back(i: number, { x, y }: { x: number; y: number }): Placement {
		const p = this.laid[i]!;
		const [ax, ay] = this.inPlane(i, { ...p, x: 0, y: 0 });
		return { ...p, x: x - ax, y: y - ay };
	}

	/** Pieces that lie too near to another or beyond the border, by their place in what lies on the sheet. */
	clashes(): number[] {
		return this.laid.flatMap((_, i) => (this.search.free(i) ? [] : [i]));
	}

	/**
	 * A piece that is let go: what it covers it is moved away from, and against what it nearly touches it is laid.
	 * @returns where it comes to lie; null when it covers too much to be moved off it
	 */
	letGo(i: number): Placement | null {
		const { search } = this;
		const wanted: Point = [search.x[i]!, search.y[i]!];
		if (!search.free(i)) {
			if (!search.moveOff(i)) return null;
			this.backTowards(i, wanted);
		}
		for (const axis of ['x', 'y'] as const) {
			const steps = [-1, 1].map((sign) => sign * this.gapTo(i, axis, sign));
			const [less, more] = [steps[0]!, steps[1]!];
			const step = Math.abs(less) <= Math.abs(more) ? less : more;
			if (Math.abs(step) < SNAP) search.shift(i, axis, step);
		}
		return this.back(i, { x: search.x[i]!, y: search.y[i]! });
	}
	/** What was moved off goes back as far as there is room. */
	private backTowards(i: number, [x, y]: Point) {
		const { search } = this;
		const [dx, dy] = [x - search.x[i]!, y - search.y[i]!];
		const go = (share: number) => {
			search.shift(i, 'x', share * dx);
			search.shift(i, 'y', share * dy);
		};
		for (let share = 0.5; share * Math.hypot(dx, dy) > FINE; share /= 2) {
			go(share);
			if (!search.free(i)) go(-share);
		}
	}
	/** How far it can go that way before it touches, at most as far as it is drawn to things, mm. */
	private gapTo(i: number, axis: 'x' | 'y', sign: number): number {
		const { search } = this;
		const clear = (by: number) => {
			search.shift(i, axis, sign * by);
			const free = search.free(i);
			search.shift(i, axis, -sign * by);
			return free;
		};
		let [free, taken] = [0, 0];
		for (let by = 1; by <= SNAP && taken === 0; by++) {
			if (clear(by)) free = by;
			else taken = by;
		}
		if (taken === 0) return SNAP;
		while (taken - free > FINE) {
			const half = (free + taken) / 2;
			if (clear(half)) free = half;
			else taken = half;
		}
		return free;
	}

	/** Moves it to where there is room, the lowest that is found; null when there is none. */
	findRoom(i: number): Placement | null {
		if (!this.search.insert(i, [this.place.bin], TRIES)) return null;
		return this.back(i, { x: this.search.x[i]!, y: this.search.y[i]! });
	}
}
const TRIES = 400;
