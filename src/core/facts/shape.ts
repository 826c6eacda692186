import { z } from 'zod';
import { MEASURE_KEYS } from './bodyMeasure.ts';
import type { PieceOperation } from './pieceOperation.ts';
import type { Piece } from './piece.ts';

/** A value of a shape: as typed, or following a measure of the wearer over what is worn beneath, and so much more. */
export const shapeValue = z.union([
	z.number(),
	z.strictObject({ follows: z.enum(MEASURE_KEYS), plus: z.number() })
]);
export type ShapeValue = z.infer<typeof shapeValue>;

/** The shaper that makes the pieces, or where they were brought from. */
export type ShapeKey = string;

export interface StoredShape {
	id: number;
	componentId: number;
	shaper: ShapeKey;
	name: string;
	values: Record<string, ShapeValue>;
	/** What is done to the pieces after shaping, in order. */
	works: PieceOperation[];
	/** Pieces drawn by hand: the shaper only tells what they began as. Null while it makes them. */
	drawn: Piece[] | null;
	/** What the pieces are cut from. */
	materialId: number | null;
	/** So many pieces of it, one on the other, make the thickness. */
	layers: number;
	/** What changed, and why. */
	note: string;
	version: number;
}
