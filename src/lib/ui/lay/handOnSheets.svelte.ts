import { ByHand, nextTurn, turnedTo } from '$core/engines/layout/byHand.ts';
import type { CostumePiece, LaySettings, Placement, Stock } from '$core/facts/layout.ts';
import type { Point } from '$core/units/point.ts';
import { keyOfPlacement } from './layDesk.svelte.ts';

interface Around {
	placements: () => readonly Placement[];
	pieces: () => readonly CostumePiece[];
	stock: () => Stock;
	settings: () => LaySettings;
	/** mm within which a hand that is not exact means touching, on a sheet. */
	snap: (sheet: number) => number;
	onmove: (to: Placement) => void;
}

interface Drag {
	key: string;
	hand: ByHand;
	index: number;
	from: Placement;
	/** Where it was taken, mm on its sheet. */
	began: Point;
	to: Placement;
	free: boolean;
	/** It lies over another sheet, where it is tried when it is let go. */
	over: number;
}

/** `A-04 L+R 1/2` is known by its component and its number. */
export const shortCode = (code: string): string => `${/^\S+/.exec(code)![0]} ${/\S+$/.exec(code)![0]}`;

/**
 * A hand that moves pieces on sheets: let go, a piece is moved off what it covers and laid against what it nearly
 * touches, or stays where it was and it is said why.
 */
export class HandOnSheets {
	chosen = $state<string | null>(null);
	/** Why something could not be done. */
	told = $state('');
	drag = $state.raw<Drag | null>(null);
	readonly #around: Around;

	constructor(around: Around) {
		this.#around = around;
	}

	pieceOf(p: Placement): CostumePiece {
		return this.#around.pieces().find((piece) => piece.id === p.piece)!;
	}
	#onSheet(sheet: number): Placement[] {
		return this.#around.placements().filter((p) => p.sheet === sheet);
	}
	#hand(sheet: number, laid: readonly Placement[]): ByHand {
		return new ByHand(this.#around.stock(), sheet, this.#around.pieces(), laid, this.#around.settings());
	}
	#tell(at: Placement | null, p: Placement): void {
		this.told = at ? '' : `There is no room for ${shortCode(this.pieceOf(p).code)} there.`;
		if (at) this.#around.onmove(at);
	}
	/** Lays a piece down so, or says why not. */
	#layDown(to: Placement): void {
		const others = this.#onSheet(to.sheet).filter((p) => keyOfPlacement(p) !== keyOfPlacement(to));
		this.#tell(this.#hand(to.sheet, [...others, to]).letGo(others.length, this.#around.snap(to.sheet)), to);
	}

	grab(p: Placement, began: Point): void {
		const key = keyOfPlacement(p);
		const laid = this.#onSheet(p.sheet);
		this.chosen = key;
		this.told = '';
		this.drag = {
			key,
			hand: this.#hand(p.sheet, laid),
			index: laid.findIndex((own) => keyOfPlacement(own) === key),
			from: p,
			began,
			to: p,
			free: true,
			over: p.sheet
		};
	}
	/**
	 * @param at on the sheet that it was taken from, mm
	 * @param over the sheet beneath the hand
	 */
	drawTo([x, y]: Point, over: number): void {
		if (!this.drag) return;
		const { from, began, hand, index } = this.drag;
		const to = { ...from, x: from.x + x - began[0], y: from.y + y - began[1] };
		this.drag = { ...this.drag, to, over, free: hand.put(index, to) || over !== from.sheet };
	}
	/** @param at on the sheet beneath the hand, mm */
	letGo([x, y]: Point): void {
		if (!this.drag) return;
		const { from, to, over, began } = this.drag;
		this.drag = null;
		if (over !== from.sheet)
			// On another sheet it is held by the same place of it.
			this.#layDown({ ...from, sheet: over, x: from.x + x - began[0], y: from.y + y - began[1] });
		else if (Math.hypot(to.x - from.x, to.y - from.y) >= 1) this.#layDown(to);
	}
	cancel(): void {
		this.drag = null;
	}

	/** By so many mm, if nothing is in the way. */
	nudge(p: Placement, [dx, dy]: Point): void {
		const laid = this.#onSheet(p.sheet);
		const to = { ...p, x: p.x + dx, y: p.y + dy };
		const index = laid.findIndex((own) => keyOfPlacement(own) === keyOfPlacement(p));
		const free = this.#hand(p.sheet, laid).put(index, to);
		this.told = free ? '' : 'Something is in the way.';
		if (free) this.#around.onmove(to);
	}
	turn(p: Placement, by: 1 | -1): void {
		const piece = this.pieceOf(p);
		const rotation = nextTurn(piece, p.rotation, by);
		if (rotation === p.rotation) this.told = 'It may lie only this way.';
		else this.#layDown(turnedTo(piece, p, { rotation }));
	}
	turnOver(p: Placement): void {
		this.#layDown(turnedTo(this.pieceOf(p), p, { mirrored: !p.mirrored }));
	}
	/** Where there is room for it on another sheet. */
	putOn(p: Placement, sheet: number): void {
		const others = this.#onSheet(sheet);
		this.#tell(this.#hand(sheet, [...others, { ...p, sheet }]).findRoom(others.length), p);
	}
}
