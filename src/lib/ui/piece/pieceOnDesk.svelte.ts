import { moveHandle, movePoint, snap, type Snap } from '$core/engines/pattern/edit.ts';
import type { Piece } from '$core/facts/piece.ts';
import type { PieceOperation } from '$core/facts/pieceOperation.ts';
import type { LengthUnit } from '$core/units/measure.ts';
import type { Point } from '$core/units/point.ts';
import { Typed } from './typed.svelte.ts';

/** What is kept: an operation on the pieces, or all pieces as they are drawn now. */
export type ToKeep = { work: PieceOperation } | { draw: readonly Piece[] };

interface Around {
	/** The pieces of the shape as they are kept, and which one lies on the desk. */
	pieces: () => readonly Piece[];
	index: () => number;
	unit: () => LengthUnit;
	/** Tells whether it was kept. */
	keep: (what: ToKeep) => Promise<boolean>;
}

/** To be kept, with what stood in the fields and was clicked for it: only that is done with afterwards. */
interface Waiting {
	what: { work: PieceOperation } | { draw: Piece };
	texts: Record<string, string>;
	ends: readonly Point[];
}

/**
 * One piece on the desk: what is chosen of it, what is typed, and what is done to it. That is kept at once, as
 * everywhere; hands that are faster than the server wait in a row.
 */
export class PieceOnDesk {
	readonly typed: Typed;
	tool = $state<'choose' | 'line'>('choose');
	point = $state<number | null>(null);
	#edges = $state<number[]>([]);
	/** The ends of a line that is laid over the piece. */
	ends = $state.raw<readonly Point[]>([]);
	/** Points catch on whole steps of this, mm; 0: on other points only. */
	grid = $state('1');
	/** While a point is being moved, and until what was drawn is kept. */
	#draft = $state.raw<{ of: Piece; piece: Piece; caught: Snap['to'] } | null>(null);
	#row: Waiting[] = [];
	#busy: Waiting | null = null;
	readonly #around: Around;

	constructor(around: Around) {
		this.#around = around;
		this.typed = new Typed(around.unit);
	}

	/** As it is kept. */
	get kept(): Piece {
		return this.#around.pieces()[this.#around.index()]!;
	}
	/** As it is shown: moved, while it is being moved. */
	get piece(): Piece {
		return this.#draft?.of === this.kept ? this.#draft.piece : this.kept;
	}
	get caught(): Snap['to'] {
		return this.#draft?.caught ?? null;
	}
	get edges(): readonly number[] {
		return this.#edges.filter((e) => e < this.piece.outline.edges.length);
	}

	work(work: PieceOperation): void {
		this.#row.push({ what: { work }, texts: { ...this.typed.texts }, ends: this.ends });
		void this.#next();
	}
	draw(draw: Piece): void {
		this.#draft = { of: this.kept, piece: draw, caught: null };
		const last = this.#row.at(-1);
		// Each drawing holds the ones before it: only the last of a row has to be kept.
		if (last && 'draw' in last.what) this.#row.pop();
		this.#row.push({ what: { draw }, texts: { ...this.typed.texts }, ends: this.ends });
		void this.#next();
	}
	/** What was moved is dropped. */
	drop(): void {
		if (this.#draft) this.draw(this.#draft.piece);
	}

	async #next(): Promise<void> {
		if (this.#busy) return;
		const first = this.#row.shift();
		if (!first) {
			this.#draft = null;
			return;
		}
		this.#busy = first;
		this.typed.wrong = null;
		const { what } = first;
		if ('draw' in what) this.#draft = { of: this.kept, piece: what.draw, caught: null };
		const index = this.#around.index();
		const done = await this.#around.keep(
			'work' in what
				? what
				: { draw: this.#around.pieces().map((piece, i) => (i === index ? what.draw : piece)) }
		);
		this.#busy = null;
		if (!done) {
			// What was typed stays, to be mended; what was drawn goes back to what is kept.
			this.#row = [];
			this.#draft = null;
			return;
		}
		this.typed.done(first.texts);
		if (this.ends === first.ends) this.ends = [];
		await this.#next();
	}

	take(tool: 'choose' | 'line'): void {
		this.tool = tool;
		this.ends = [];
		this.typed.clear();
	}
	choosePoint(i: number): void {
		this.typed.clear();
		this.point = i;
		this.#edges = [];
	}
	chooseEdge(i: number, more: boolean): void {
		this.typed.clear();
		this.point = null;
		const others = this.#edges.filter((e) => e !== i);
		this.#edges = !more ? [i] : others.length < this.#edges.length ? others : [...others, i];
	}
	/** @param reach mm within which it catches on something; 0 for nothing */
	move(i: number, to: Point, reach: number): void {
		const caught: Snap =
			reach > 0 ? snap(this.kept.outline, to, reach, Number(this.grid), i) : { at: to, to: null };
		this.#draft = {
			of: this.kept,
			piece: { ...this.piece, outline: movePoint(this.piece.outline, i, caught.at) },
			caught: caught.to
		};
	}
	bend(edge: number, handle: 'c1' | 'c2', to: Point): void {
		this.#draft = {
			of: this.kept,
			piece: { ...this.piece, outline: moveHandle(this.piece.outline, edge, handle, to) },
			caught: null
		};
	}
	/** Lays an end of a line; the third begins another line. */
	end(at: Point, reach: number): void {
		const caught = snap(this.piece.outline, at, reach, Number(this.grid), null).at;
		this.ends = this.ends.length === 1 ? [this.ends[0]!, caught] : [caught];
		this.typed.clear();
	}
	/** Nothing is chosen, typed or under way. */
	leave(): void {
		this.point = null;
		this.#edges = [];
		this.typed.clear();
		this.ends = [];
		this.#draft = null;
	}
}
