import { z } from 'zod';
import { circleOf, dressOrder } from './order.ts';

const id = z.string().min(1).max(200);

/** The job kind `dress`, as docs/jobs.md describes it. */
export const dressJob = z
	.strictObject({
		kind: z.literal('dress'),
		dressers: z.number().int().min(1, 'The wearer is one.').max(20).default(1),
		seconds: z.number().positive().max(3600).default(1),
		components: z
			.array(
				z.strictObject({
					id,
					minutes: z.number().positive('Minutes are more than nothing.').max(10_000),
					layer: z.number().int().min(0).max(100).default(0),
					zones: z.array(z.string().min(1).max(60)).max(100).default([]),
					after: z.array(id).max(500).default([]),
					hands: z.number().int().min(1).max(20).default(1)
				})
			)
			.min(1, 'Nothing is put on.')
			.max(500)
			.refine((all) => new Set(all.map((c) => c.id)).size === all.length, {
				message: 'Two components have the same id.'
			})
	})
	.superRefine(({ components, dressers }, ctx) => {
		const known = new Set(components.map((c) => c.id));
		for (const [i, c] of components.entries()) {
			if (c.hands > dressers)
				ctx.addIssue({
					code: 'custom',
					path: ['components', i, 'hands'],
					message: `It takes ${c.hands} people to put it on; there are ${dressers}.`
				});
			for (const other of c.after)
				if (!known.has(other))
					ctx.addIssue({
						code: 'custom',
						path: ['components', i, 'after'],
						message: `There is no component “${other}”.`
					});
		}
	});

/** The quickest order to put everything on, or what waits for itself. */
export function runDressJob(
	{ components, dressers, seconds }: z.infer<typeof dressJob>,
	elapsed: () => number
) {
	const circle = circleOf(components);
	return circle ? { circle } : dressOrder({ components, dressers }, seconds, elapsed);
}
