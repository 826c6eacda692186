import { z } from 'zod';
import { groupLoad } from './fastenerGroup.ts';

const mm = z.number().min(-10_000).max(10_000);
const place = z.tuple([mm, mm, mm]);
const capacity = z.number().positive('What it bears is more than nothing.').max(1e6);
const id = z.string().min(1).max(200);
const unique = (things: readonly { id: string }[]) => new Set(things.map((t) => t.id)).size === things.length;

/** The job kind `load`, as docs/jobs.md describes it. */
export const loadJob = z.strictObject({
	kind: z.literal('load'),
	factor: z.number().positive('The factor is more than nothing.').max(100).default(1),
	bodies: z
		.array(
			z.strictObject({
				id,
				kg: z.number().positive('Its weight is not known: more than nothing.').max(1000),
				centre: place,
				joins: z
					.array(
						z.strictObject({
							id,
							at: place,
							capacityN: z.strictObject({ shear: capacity, pull: capacity })
						})
					)
					.min(1, 'It needs a join.')
					.max(500, 'At most 500 joins.')
					.refine(unique, { message: 'Two joins have the same id.' })
			})
		)
		.min(1, 'Needs a body.')
		.max(1000)
		.refine(unique, { message: 'Two bodies have the same id.' })
});

const round = (value: number) => Number(value.toFixed(6));

/** What every join takes, and which bodies tip. */
export const runLoadJob = ({ factor, bodies }: z.infer<typeof loadJob>) => ({
	bodies: bodies.map((body) => {
		const { joins, tips, residual } = groupLoad(body, factor);
		return {
			id: body.id,
			tips,
			residual: { force: round(residual.force), moment: round(residual.moment) },
			joins: joins.map(({ id, force, share, holds }) => ({
				id,
				force: force.map(round),
				share: round(share),
				holds
			}))
		};
	})
});
