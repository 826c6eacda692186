import { depthAt } from './shape.ts';
import type { Turned } from './overlap.ts';
import type { Bin } from './item.ts';
import type { Item } from './item.ts';

/**
 * Where there is room: the bins as bits, a row of words each, so that a piece is tried in thousands of places in a millisecond. It is
 * coarse, and a little hopeful: what it finds is looked at exactly afterwards.
 */

/** Of a cell, how deep its middle has to lie in a piece to count. */
const DEEP = -0.1;

/** The cells of a piece, moved right by 0 to 31 bits. */
interface Mask {
	rows: number;
	columns: number;
	words: number;
	/** By shift, row, word. */
	bits: Uint32Array;
	/** Of each row its first cell, or −1 where its cells do not lie side by side. */
	first: Int32Array;
	/** Of each row, the most cells side by side. */
	run: Int32Array;
	/** From its middle to the middle of its lower left cell, mm. */
	left: number;
	low: number;
}

/** How many side by side are so, at most. */
function longest(is: (c: number) => boolean, columns: number): number {
	let [most, its] = [0, 0];
	for (let c = 0; c < columns; c++) {
		its = is(c) ? its + 1 : 0;
		if (its > most) most = its;
	}
	return most;
}

/** The cells of each piece, as it is turned; worked out once for one size of cells. */
export class Masks {
	private readonly known = new WeakMap<Turned, Mask>();

	of(item: Item, turned: Turned, cell: number): Mask {
		const known = this.known.get(turned);
		if (known) return known;
		// What lies beyond the border, of a piece on the fold, takes no room.
		const begins = item.hugs === null ? turned.left : -item.hugs;
		const columns = Math.max(1, Math.ceil((turned.right - begins) / cell - 1e-6));
		const rows = Math.max(1, Math.ceil((turned.high - turned.low) / cell - 1e-6));
		const words = Math.ceil((columns + 31) / 32);
		const left = (begins + turned.right - (columns - 1) * cell) / 2;
		const low = (turned.low + turned.high - (rows - 1) * cell) / 2;
		const bits = new Uint32Array(32 * rows * words);
		const { cos, sin } = turned;
		let any = false;
		const set = (r: number, c: number) => {
			any = true;
			for (let shift = 0; shift < 32; shift++) {
				const b = c + shift;
				bits[(shift * rows + r) * words + (b >> 5)]! |= 1 << (b & 31);
			}
		};
		for (let r = 0; r < rows; r++)
			for (let c = 0; c < columns; c++) {
				const [x, y] = [left + c * cell, low + r * cell];
				if (depthAt(item.shape.field, x * cos + y * sin, y * cos - x * sin) > DEEP * cell) set(r, c);
			}
		// Thinner than a cell: its middle stands for it.
		if (!any) set(rows >> 1, columns >> 1);
		const first = Int32Array.from({ length: rows }, (_, r) => {
			const its = Array.from({ length: columns }, (_, c) => (bits[r * words + (c >> 5)]! >>> (c & 31)) & 1);
			const from = its.indexOf(1);
			return from >= 0 && its.lastIndexOf(1) - from + 1 === its.reduce((a, b) => a + b, 0) ? from : -1;
		});
		const run = Int32Array.from({ length: rows }, (_, r) =>
			longest((c) => ((bits[r * words + (c >> 5)]! >>> (c & 31)) & 1) === 1, columns)
		);
		const mask = { rows, columns, words, bits, first, run, left, low };
		this.known.set(turned, mask);
		return mask;
	}
}

export class Raster {
	/** Words of a row, with one to spare. */
	private readonly words: number;
	private readonly columns: number;
	private readonly rows: number;
	private readonly counts: Uint8Array;
	private readonly bits: Uint32Array;
	/** Of each row the most free cells side by side; −1 where that has changed since. */
	private readonly open: Int32Array;

	constructor(
		readonly bin: Bin,
		readonly cell: number,
		private readonly masks: Masks
	) {
		this.columns = Math.max(1, Math.floor((bin.right - bin.left) / cell + 1e-6));
		this.rows = Math.max(1, Math.floor((bin.high - bin.low) / cell + 1e-6));
		this.words = Math.ceil(this.columns / 32) + 2;
		this.counts = new Uint8Array(this.columns * this.rows);
		this.bits = new Uint32Array(this.words * this.rows);
		this.open = new Int32Array(this.rows).fill(-1);
	}

	/** Marks what a piece covers, or takes it off again. */
	paint(item: Item, turned: Turned, x: number, y: number, by: 1 | -1) {
		const { cell, bin, columns, rows, counts, bits, words } = this;
		const { cos, sin } = turned;
		const from = (at: number, low: number) => Math.max(0, Math.floor((at - low) / cell - 0.5));
		const [c0, r0] = [from(x + turned.left, bin.left), from(y + turned.low, bin.low)];
		const c1 = Math.min(columns - 1, Math.ceil((x + turned.right - bin.left) / cell));
		const r1 = Math.min(rows - 1, Math.ceil((y + turned.high - bin.low) / cell));
		for (let r = r0; r <= r1; r++) {
			this.open[r] = -1;
			for (let c = c0; c <= c1; c++) {
				const dx = bin.left + (c + 0.5) * cell - x;
				const dy = bin.low + (r + 0.5) * cell - y;
				if (depthAt(item.shape.field, dx * cos + dy * sin, dy * cos - dx * sin) <= DEEP * cell) continue;
				const i = r * columns + c;
				counts[i]! += by;
				const w = r * words + (c >> 5);
				if (counts[i]! > 0) bits[w]! |= 1 << (c & 31);
				else bits[w]! &= ~(1 << (c & 31));
			}
		}
	}

	private openAt(r: number): number {
		if (this.open[r]! < 0) {
			const row = r * this.words;
			this.open[r] = longest((c) => ((this.bits[row + (c >> 5)]! >>> (c & 31)) & 1) === 0, this.columns);
		}
		return this.open[r]!;
	}

	/**
	 * The first place with room, row by row from the one that `from` says.
	 * @returns the middle of the piece there, or null
	 */
	find(item: Item, turned: Turned, from = 0): { x: number; y: number } | null {
		const mask = this.masks.of(item, turned, this.cell);
		const { columns, rows, bits, words, cell, bin } = this;
		const across = columns - mask.columns;
		// A piece as large as the bin may be a part of a cell too large for whole cells.
		const up = rows - mask.rows === -1 ? 0 : rows - mask.rows;
		const lastColumn = across === -1 || item.hugs !== null ? 0 : across;
		if (up < 0) return null;
		for (let r = from; r <= up; r++) {
			let narrow = false;
			for (let k = 0; k < mask.rows && !narrow; k++)
				narrow = r + k < rows && this.openAt(r + k) < Math.min(columns, mask.run[k]!);
			if (narrow) continue;
			for (let c = 0; c <= lastColumn;) {
				const shift = c & 31;
				const word = c >> 5;
				let at = shift * mask.rows * mask.words;
				/** Where to go on when this place is taken. */
				let on = -1;
				for (let k = 0; k < mask.rows && r + k < rows && on < 0; k++) {
					const row = (r + k) * words + word;
					for (let w = mask.words - 1; w >= 0; w--) {
						const taken = bits[row + w]! & mask.bits[at + w]!;
						if (taken === 0) continue;
						const from = mask.first[k]!;
						on = from < 0 ? c + 1 : Math.max(c + 1, (word + w) * 32 + 31 - Math.clz32(taken) - from + 1);
						break;
					}
					at += mask.words;
				}
				if (on < 0)
					return {
						x: item.hugs !== null ? bin.left + item.hugs : bin.left + (c + 0.5) * cell - mask.left,
						y: bin.low + (r + 0.5) * cell - mask.low
					};
				c = on;
			}
		}
		return null;
	}
	/** Of some turns, the place whose top is lowest. */
	lowest(item: Item, turns: readonly Turned[]): { x: number; y: number; turned: Turned } | null {
		let low = Infinity;
		let at: { x: number; y: number; turned: Turned } | null = null;
		for (const turned of turns) {
			const found = this.find(item, turned);
			if (!found || found.y + turned.high >= low) continue;
			low = found.y + turned.high;
			at = { ...found, turned };
		}
		return at;
	}
	/** A row of cells, by a number from 0 to 1. */
	rowAt(share: number): number {
		return Math.floor(share * this.rows);
	}
}
