import { z } from 'zod';
import { CORNERS } from './piece.ts';

/**
 * What is done to pieces after they are shaped, in order, and done again when the shape changes. Pieces and
 * edges are told by their index; places as shares of the piece's width and height from its lower left, so that
 * they keep their meaning when the piece grows.
 */
const index = z.number().int().min(0).max(10_000);
const share = z.number().min(-0.5).max(1.5);
const place = z.tuple([share, share]);
const edges = z.array(index).max(2000);

export const pieceOperation = z.discriminatedUnion('kind', [
	/** No edges: all of them. */
	z.strictObject({
		kind: z.literal('allowance'),
		piece: index,
		edges,
		mm: z.number().min(0).max(200),
		corner: z.enum(CORNERS)
	}),
	z.strictObject({ kind: z.literal('bevel'), piece: index, edges, degrees: z.number().min(-80).max(80) }),
	z.strictObject({
		kind: z.literal('split'),
		piece: index,
		from: place,
		to: place,
		allowance: z.number().min(0).max(200),
		marks: z.number().int().min(0).max(20)
	}),
	/** Edge to edge, the other piece turned to it. */
	z.strictObject({ kind: z.literal('join'), piece: index, edge: index, other: index, otherEdge: index }),
	z.strictObject({
		kind: z.literal('notch'),
		piece: index,
		edge: index,
		at: z.number().min(0).max(1),
		pair: z.string().trim().min(1).max(20)
	}),
	z.strictObject({
		kind: z.literal('line'),
		piece: index,
		use: z.enum(['fold', 'detail', 'placement']),
		from: place,
		to: place
	}),
	z.strictObject({
		kind: z.literal('hole'),
		piece: index,
		at: place,
		diameter: z.number().positive().max(5000)
	}),
	/** Where a fastener goes: so many beside each other, their outlines drawn on the piece. */
	z.strictObject({
		kind: z.literal('fastener'),
		piece: index,
		at: place,
		wide: z.number().positive().max(1000),
		long: z.number().positive().max(5000),
		count: z.number().int().min(1).max(500),
		degrees: z.number().min(-360).max(360)
	}),
	/** Printed larger or smaller: factors of width and height. */
	z.strictObject({
		kind: z.literal('resize'),
		piece: index,
		width: z.number().min(0.2).max(5),
		height: z.number().min(0.2).max(5)
	}),
	z.strictObject({ kind: z.literal('grow'), piece: index, mm: z.number().min(-500).max(500) }),
	/** As many again, mirrored. */
	z.strictObject({ kind: z.literal('pair'), piece: index }),
	/** The edge lies on the fold of the cloth. */
	z.strictObject({ kind: z.literal('fold'), piece: index, edge: index }),
	/** Mirrored over the edge into one piece. */
	z.strictObject({ kind: z.literal('unfold'), piece: index, edge: index }),
	z.strictObject({
		kind: z.literal('grain'),
		piece: index,
		degrees: z.number().min(-360).max(360).nullable()
	}),
	z.strictObject({ kind: z.literal('quantity'), piece: index, quantity: z.number().int().min(1).max(1000) }),
	z.strictObject({ kind: z.literal('name'), piece: index, name: z.string().trim().min(1).max(80) }),
	/** What it is for; nothing: what the shape is for. */
	z.strictObject({ kind: z.literal('role'), piece: index, role: z.string().trim().max(40) }),
	z.strictObject({ kind: z.literal('remove'), piece: index })
]);
export type PieceOperation = z.infer<typeof pieceOperation>;
export const MOST_OPERATIONS = 200;
