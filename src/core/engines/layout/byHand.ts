import { copyOf, hugsOf, radians, type Copy } from './copies.ts';
import { turn } from './overlap.ts';
import { placeOf, type Place } from './place.ts';
import { Masks } from './raster.ts';
import { seeded } from '../../units/random.ts';
import { Search } from './search.ts';
import type { Item } from './item.ts';
import { boxOf } from '../pattern/outline.ts';
import type { Point } from '../../units/point.ts';
import { laidPaths, moreOf } from './stock.ts';
import type { LayPiece, Placement, Stock } from '../../facts/layout.ts';

/** One sheet of a layout whose pieces are moved by hand: what they cover, and where they come to lie when they are let go. */

/** A piece that is let go nearer than this to another, or to the border, is laid against it, mm; farther where the drawing is small. */
const SNAP = 8;
/** How near against it, mm. */
const FINE = 0.002;
/** Of the raster that room is looked for by, mm. */
const CELL = 8;

/** Shapes are worked out once for a piece, not at each touch of it. */
const known = new WeakMap<LayPiece, Map<string, Omit<Copy, 'copy'>>>();
function knownCopy(piece: LayPiece, mirrored: boolean, gap: number): Omit<Copy, 'copy'> {
	const its = known.get(piece) ?? new Map<string, Omit<Copy, 'copy'>>();
	known.set(piece, its);
	const key = `${mirrored} ${gap}`;
	const copy = its.get(key) ?? copyOf(piece, mirrored, gap);
	its.set(key, copy);
	return copy;
}

/** A piece turned, or turned over, about the middle of where it lies. */
export function turnedTo(
	piece: LayPiece,
	p: Placement,
	to: { rotation?: number; mirrored?: boolean }
): Placement {
	const middle = (of: Placement): Point => {
		const box = boxOf(laidPaths(piece, of)[0]!);
		return [(box.left + box.right) / 2, (box.bottom + box.top) / 2];
	};
	const turned = { ...p, ...to };
	const [[x, y], [tx, ty]] = [middle(p), middle(turned)];
	return { ...turned, x: p.x + x - tx, y: p.y + y - ty };
}

/** The next of the ways that a piece may lie, degrees; 15 more where it may lie any way. */
export function nextTurn(piece: LayPiece, rotation: number, by: 1 | -1): number {
	const whole = (d: number) => ((d % 360) + 360) % 360;
	if (piece.rotations === 'any') return whole(rotation + by * 15);
	const ways = [...new Set(piece.rotations.map(whole))].sort((a, b) => a - b);
	const at = whole(rotation);
	const next =
		by > 0
			? (ways.find((w) => w > at + 1e-6) ?? ways[0])
			: (ways.findLast((w) => w < at - 1e-6) ?? ways[ways.length - 1]);
	return next ?? at;
}

export class ByHand {
	private readonly place: Place;
	private readonly search: Search;
	private readonly middles: Point[];
	private readonly laid: Placement[];

	/** @param laid what lies on that sheet */
	constructor(
		stock: Stock,
		sheet: number,
		pieces: readonly LayPiece[],
		laid: readonly Placement[],
		{ gap, edge }: { gap: number; edge: number }
	) {
		const form = stock.sheets[sheet - 1] ?? moreOf(stock)!;
		this.place = placeOf(form, 0, edge - gap / 2, gap);
		this.laid = [...laid];
		const copies = laid.map((p) =>
			knownCopy(
				pieces.find((its) => its.id === p.piece)!,
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
			seeded(1),
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

	/** Moves a piece, whatever it covers there. @returns whether it lies free */
	put(i: number, to: { x: number; y: number }): boolean {
		this.laid[i] = { ...this.laid[i]!, x: to.x, y: to.y };
		const [x, y] = this.inPlane(i, this.laid[i]);
		this.search.shift(i, 'x', x - this.search.x[i]!);
		this.search.shift(i, 'y', y - this.search.y[i]!);
		return this.search.free(i);
	}

	/** Pieces that lie too near to another or beyond the border, by their place in what lies on the sheet. */
	clashes(): number[] {
		return this.laid.flatMap((_, i) => (this.search.free(i) ? [] : [i]));
	}

	/**
	 * A piece that is let go: what it covers it is moved away from, and against what it nearly touches it is laid.
	 * @returns where it comes to lie; null when it covers too much to be moved off it
	 */
	letGo(i: number, snap = SNAP): Placement | null {
		const { search } = this;
		const wanted: Point = [search.x[i]!, search.y[i]!];
		if (!search.free(i)) {
			if (!search.moveOff(i)) return null;
			this.backTowards(i, wanted);
		}
		for (const axis of ['x', 'y'] as const) {
			const steps = [-1, 1].map((sign) => sign * this.gapTo(i, axis, sign, snap));
			const [less, more] = [steps[0]!, steps[1]!];
			const step = Math.abs(less) <= Math.abs(more) ? less : more;
			if (Math.abs(step) < snap) search.shift(i, axis, step);
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
	private gapTo(i: number, axis: 'x' | 'y', sign: number, most: number): number {
		const { search } = this;
		const clear = (by: number) => {
			search.shift(i, axis, sign * by);
			const free = search.free(i);
			search.shift(i, axis, -sign * by);
			return free;
		};
		let [free, taken] = [0, 0];
		for (let by = 1; by <= most && taken === 0; by++) {
			if (clear(by)) free = by;
			else taken = by;
		}
		if (taken === 0) return most;
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
