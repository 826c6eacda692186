import { z } from 'zod';
import { pack, TURNS } from './pack.ts';

const id = z.string().min(1).max(200);
const mm = z.number().positive('A side is longer than nothing.').max(100_000);
const box = z.tuple([mm, mm, mm]);
const kg = z.number().min(0).max(10_000);
const unique = (things: readonly { id: string }[]) => new Set(things.map((t) => t.id)).size === things.length;

/** The job kind `case`, as docs/jobs.md describes it. */
export const caseJob = z.strictObject({
	kind: z.literal('case'),
	seed: z
		.number()
		.int()
		.min(0)
		.max(2 ** 31)
		.default(1),
	seconds: z.number().positive().max(3600).default(3),
	cases: z
		.array(z.strictObject({ id, inner: box, kg: kg.default(10_000) }))
		.min(1, 'There is no case.')
		.max(50)
		.refine(unique, { message: 'Two cases have the same id.' }),
	items: z
		.array(
			z.strictObject({
				id,
				size: box,
				kg: kg.default(0),
				quantity: z.number().int().min(1).max(500).default(1),
				turns: z.enum(TURNS).default('any'),
				fragile: z.boolean().default(false),
				softTo: z.number().gt(0, 'Something stays of it.').max(1).nullable().default(null)
			})
		)
		.min(1, 'There is nothing to pack.')
		.max(500)
		.refine(unique, { message: 'Two things have the same id.' })
		.refine((items) => items.reduce((sum, i) => sum + i.quantity, 0) <= 500, {
			message: 'At most 500 at once.'
		})
});

/** What goes into which case, and where. */
export const runCaseJob = ({ cases, items, seed, seconds }: z.infer<typeof caseJob>, elapsed: () => number) =>
	pack({ cases, items }, seed, seconds, elapsed);
