import { z } from 'zod';

export const PLACED_LIMBS = ['trunk', 'arm', 'leg', 'foot'] as const;

/**
 * Where an assembled shape stands on the wearer: round a limb or on its surface, at a level and turn of it as panels are (0 is the
 * wearer's left, on a limb of a pair its outside; 90 is the front), so far off, tipped and spun, degrees.
 */
export const placement = z.strictObject({
	limb: z.enum(PLACED_LIMBS),
	way: z.enum(['round', 'on']),
	level: z.number().min(-1).max(20),
	turn: z.number().min(-720).max(720),
	/** mm */
	out: z.number().min(-500).max(2000),
	tip: z.number().min(-360).max(360),
	spin: z.number().min(-360).max(360)
});
export type Placement = z.infer<typeof placement>;

/** The surface of a shape that was unfolded, kept to be put together again: thinned, mm. */
export const keptForm = z
	.strictObject({
		vertices: z
			.array(z.tuple([z.number(), z.number(), z.number()]))
			.min(3)
			.max(6000),
		faces: z
			.array(z.tuple([z.int().min(0), z.int().min(0), z.int().min(0)]))
			.min(1)
			.max(12_000)
	})
	.refine(
		({ vertices, faces }) => faces.every((f) => f.every((v) => v < vertices.length)),
		'A corner is not there.'
	);
export type KeptForm = z.infer<typeof keptForm>;
