import { z } from 'zod';
import { MEASURE_KEYS } from './bodyMeasure.ts';
import type { PieceOperation } from './pieceOperation.ts';
import type { KeptForm, Placement } from './placement.ts';
import type { PanelPlan } from './panelPlan.ts';
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
	/** Panels on the form of the wearer that the pieces are laid flat from; null where a shaper makes them. */
	panels: PanelPlan | null;
	/** The surface that the pieces were unfolded from; null where none was kept. */
	kept: KeptForm | null;
	/** Where it was moved to on the wearer; null while it stands where its component is worn. */
	placed: Placement | null;
	/** What the pieces are cut from. */
	materialId: number | null;
	/** What pieces of a role are cut from instead, by the role's name. */
	roles: Record<string, number>;
	/** So many pieces of it, one on the other, make the thickness. */
	layers: number;
	/** What changed, and why. */
	note: string;
	version: number;
}

/** What a piece of a shape is cut from, and in how many layers: by its role, where one was given a material, else as the shape. */
export function cutFrom(
	{ materialId, layers, roles }: Pick<StoredShape, 'materialId' | 'layers' | 'roles'>,
	{ role }: Pick<Piece, 'role'>
): { materialId: number | null; layers: number } {
	const own = role === undefined ? undefined : roles[role];
	return own === undefined ? { materialId, layers } : { materialId: own, layers: 1 };
}
