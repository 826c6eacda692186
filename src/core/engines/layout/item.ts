import type { Shape } from './shape.ts';
import type { Turned } from './overlap.ts';

/** A piece, or something that is in its way, as the search moves it. */
export interface Item {
	shape: Shape;
	/** The ways it may lie; null for any. */
	turns: readonly Turned[] | null;
	/** It is not moved: a flaw, what lies beyond an offcut, a piece that the maker has locked. */
	fixed: boolean;
	/** Half a piece on the fold: its middle stays so far from the left border of its bin, beyond which the rest of it lies. */
	hugs: number | null;
}

/** A sheet, or the roll, as the search sees it: a box in its plane. */
export interface Bin {
	left: number;
	low: number;
	right: number;
	high: number;
}
