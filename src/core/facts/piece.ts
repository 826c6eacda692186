import type { Point } from '../units/point.ts';

/** How the allowances of two edges meet. */
export const CORNERS = ['miter', 'round', 'bevel'] as const;
export type Corner = (typeof CORNERS)[number];

/** What an edge carries besides its line. */
export interface EdgeMarks {
	/** Edges with the same seam are joined to each other. Its first word says what it is: `line 3` is one of the lines. */
	seam?: string;
	/** Joined to something that is not among the component's pieces, so that its whole length is sewn or glued. */
	onto?: boolean;
	/** Gathered or pleated: so many times longer than what it is drawn in to. */
	fullness?: number;
	/** Laid on another piece's edge and handled with it: no work of its own. */
	along?: boolean;
	/** Cut by a template, or said not to be. */
	shaped?: boolean;
	/** Sewn, glued on or turned beyond the line, mm. */
	allowance?: number;
	/** Off square, degrees; positive undercuts the back. */
	bevel?: number;
}
export type Edge = EdgeMarks &
	(
		| { kind: 'line'; to: Point }
		/** `bulge` is tan(θ/4), positive counter-clockwise: a half circle is 1. */
		| { kind: 'arc'; to: Point; bulge: number }
		| { kind: 'cubic'; c1: Point; c2: Point; to: Point }
	);

/** A closed line: the last edge ends where the first begins. Counter-clockwise round what is cut out. */
export interface Outline {
	start: Point;
	edges: readonly Edge[];
}

/** A line on the piece that is not cut. */
export interface InnerLine {
	use: 'fold' | 'detail' | 'placement';
	points: readonly Point[];
}

/** A mark on an edge that meets the one of the same pair on another piece. */
export interface Notch {
	edge: number;
	/** From the beginning of the edge, mm. */
	along: number;
	pair: string;
}

/** A flat shape cut from one material. */
export interface Piece {
	name: string;
	outline: Outline;
	holes: readonly Outline[];
	lines: readonly InnerLine[];
	notches: readonly Notch[];
	/** Direction of the grain, degrees counter-clockwise from x; null where it does not matter. */
	grain: number | null;
	/** How many are cut for one copy of the component. */
	quantity: number;
	/** Half of them mirrored. */
	mirrored: boolean;
	/** Laid on the fold along this edge, and cut double. */
	foldEdge: number | null;
	/** What it is for, where a shape is cut from several materials: `structure net`, `lining`. */
	role?: string;
	/** How allowances meet at the corners; mitred if not said. */
	corner?: Corner;
	/** So many are set into it. */
	eyelets?: number;
	/** mm of boning that go into it. */
	boned?: number;
}
