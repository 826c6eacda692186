import { z } from 'zod';
import { CORNERS } from './piece.ts';
import type { Edge } from './piece.ts';
import type { Piece } from './piece.ts';

/** A piece as it is kept and exchanged when somebody drew it: mm, y up. */
const mm = z.number().min(-100_000).max(100_000);
const point = z.tuple([mm, mm]);
const marks = {
	seam: z.string().max(60).optional(),
	allowance: z.number().min(0).max(200).optional(),
	bevel: z.number().min(-80).max(80).optional(),
	onto: z.boolean().optional(),
	fullness: z.number().min(1).max(20).optional(),
	along: z.boolean().optional(),
	shaped: z.boolean().optional()
};
const edge = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('line'), to: point, ...marks }),
	z.strictObject({ kind: z.literal('arc'), to: point, bulge: z.number().min(-100).max(100), ...marks }),
	z.strictObject({ kind: z.literal('cubic'), c1: point, c2: point, to: point, ...marks })
]);
/** A key that is there but undefined is as good as none. */
const bare = (e: z.infer<typeof edge>): Edge =>
	Object.fromEntries(Object.entries(e).filter(([, v]) => v !== undefined)) as unknown as Edge;
const outline = z
	.strictObject({ start: point, edges: z.array(edge).min(1).max(10_000) })
	.transform((o) => ({ start: o.start, edges: o.edges.map(bare) }));

export const storedPiece = z
	.strictObject({
		name: z.string().trim().min(1).max(80),
		outline,
		holes: z.array(outline).max(500),
		lines: z
			.array(
				z.strictObject({
					use: z.enum(['fold', 'detail', 'placement']),
					points: z.array(point).min(2).max(2000)
				})
			)
			.max(500),
		notches: z
			.array(
				z.strictObject({ edge: z.number().int().min(0), along: z.number().min(0), pair: z.string().max(40) })
			)
			.max(1000),
		grain: z.number().min(-720).max(720).nullable(),
		quantity: z.number().int().min(1).max(1000),
		mirrored: z.boolean(),
		foldEdge: z.number().int().min(0).nullable(),
		corner: z.enum(CORNERS).optional(),
		role: z.string().trim().min(1).max(40).optional(),
		eyelets: z.number().int().min(1).max(1000).optional(),
		boned: z.number().positive().max(100_000).optional()
	})
	.transform(({ corner, role, eyelets, boned, ...p }): Piece => ({
		...p,
		...(corner ? { corner } : {}),
		...(role ? { role } : {}),
		...(eyelets ? { eyelets } : {}),
		...(boned ? { boned } : {})
	}));

export const storedPieces = z.array(storedPiece).min(1).max(300);
