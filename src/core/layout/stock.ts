import { EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import type { Point } from '../pattern/outline.ts';
import { areaOf } from './shape.ts';

/** What pieces are laid on, and what they have to keep from each other. */

export interface SheetForm {
	width: number;
	height: number;
	/** Its real outline, within width and height, of an offcut; null for a rectangle. */
	outline?: readonly Point[] | null;
	/** Places that are spoiled. */
	flaws?: readonly (readonly Point[])[];
}

export interface Stock {
	id: string;
	/** Sheets that are there, filled in this order. */
	sheets: readonly SheetForm[];
	/** As many more of these as are needed. */
	more: { width: number; height: number } | null;
	/** Cloth from a roll of this width, instead of sheets. */
	roll: number | null;
}

export interface LayPiece {
	id: string;
	stock: string;
	outline: readonly Point[];
	holes: readonly (readonly Point[])[];
	quantity: number;
	/** Each second copy is mirrored. */
	pair: boolean;
	/** Degrees, or any. */
	rotations: readonly number[] | 'any';
}

/** A placed point is: mirrored if so (x to −x), turned about the origin, moved by x, y. */
export interface Placement {
	piece: string;
	copy: number;
	stock: string;
	/** From 1. */
	sheet: number;
	mirrored: boolean;
	/** Degrees counter-clockwise. */
	rotation: number;
	x: number;
	y: number;
}

export interface LayoutTask {
	stock: readonly Stock[];
	pieces: readonly LayPiece[];
	/** The least distance between pieces, and from the border, mm. */
	gap: number;
	edge: number;
	seed: number;
	/** Copies that stay where they are; the rest is laid around them. */
	locked?: readonly Placement[];
}

export type WhyNot =
	'tooSmall' | 'crosses' | 'noStock' | 'tooLarge' | 'gapTooLarge' | 'noRoom' | 'badRotation';
export interface Unplaced {
	piece: string;
	copy: number;
	why: WhyNot;
}

export interface StockUse {
	id: string;
	sheets: number;
	/** Along y, on the roll or on the last sheet, mm. */
	usedLength: number;
	/** Of the pieces, holes taken out, over whole sheets, or over width × length of the roll. */
	density: number;
}

export interface Layout {
	placements: Placement[];
	unplaced: Unplaced[];
	stock: StockUse[];
}

const MITER = 2;

/** Larger all round by so much, corners never less than that: what lies beside it touches it at that distance. */
export function grown(paths: readonly (readonly Point[])[], by: number): Point[][] {
	if (by === 0) return paths.map((p) => [...p]);
	const out = inflatePathsD(
		paths.map((path) => path.map(([x, y]) => ({ x, y }))),
		by,
		JoinType.Miter,
		EndType.Polygon,
		MITER,
		5
	).map((path) => path.map((p): Point => [p.x, p.y]));
	// The outline comes first; a shape stays one shape when it grows.
	return out.sort((a, b) => Math.abs(areaOf(b)) - Math.abs(areaOf(a)));
}

/** Counter-clockwise, or clockwise. */
export const wound = (path: readonly Point[], left: boolean): Point[] =>
	areaOf(path) > 0 === left ? [...path] : [...path].reverse();

export const mirroredPaths = (paths: readonly (readonly Point[])[]): Point[][] =>
	paths.map((path) => path.map(([x, y]): Point => [-x, y]).reverse());
