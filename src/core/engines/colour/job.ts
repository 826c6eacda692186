import { z } from 'zod';
import { difference, differenceWords } from './difference.ts';
import { isShown } from './lab.ts';
import type { Lab } from '../../units/lab.ts';
import { typedColour } from './typed.ts';
import { alike, bestMixes, mixOf, type MixTask } from './mix.ts';

const coordinate = z.number().min(-200).max(200);
const lab = z
	.tuple([
		z.number().min(0, 'Lightness is 0 to 100.').max(100, 'Lightness is 0 to 100.'),
		coordinate,
		coordinate
	])
	.readonly();
/** CIELAB, or as it is typed. */
const colour = z.union([lab, typedColour]);
const id = z.string().min(1).max(200);

/** The job kind `mix`, as docs/jobs.md describes it. */
export const mixJob = z
	.strictObject({
		kind: z.literal('mix'),
		target: colour.optional(),
		paints: z
			.array(z.strictObject({ id, lab: colour, strength: z.number().min(0.05).max(20).default(1) }))
			.max(200)
			.refine((paints) => new Set(paints.map((p) => p.id)).size === paints.length, {
				message: 'Two paints have the same id.'
			})
			.default([]),
		drops: z.number().int().min(1).max(24).default(12),
		together: z.union([z.literal(1), z.literal(2), z.literal(3)]).default(3),
		most: z.number().int().min(1).max(50).default(5),
		/** Mixes whose colour is asked for. */
		mixes: z
			.array(
				z
					.array(z.strictObject({ paint: id, drops: z.number().int().min(1).max(1000) }))
					.min(1)
					.max(10)
			)
			.max(1000)
			.default([]),
		pairs: z
			.array(z.tuple([colour, colour]))
			.max(100_000)
			.default([])
	})
	.superRefine((job, ctx) => {
		if (job.target && !job.paints.length)
			ctx.addIssue({ code: 'custom', path: ['paints'], message: 'A mix needs a paint.' });
		const same = alike(job.paints);
		if (same)
			ctx.addIssue({
				code: 'custom',
				path: ['paints'],
				message: `“${same[0]}” and “${same[1]}” are the same colour: one of them is enough.`
			});
		for (const [i, parts] of job.mixes.entries()) {
			if (new Set(parts.map((p) => p.paint)).size < parts.length)
				ctx.addIssue({ code: 'custom', path: ['mixes', i], message: 'A paint stands in it twice.' });
			for (const { paint } of parts)
				if (!job.paints.some((p) => p.id === paint))
					ctx.addIssue({ code: 'custom', path: ['mixes', i], message: `There is no paint “${paint}”.` });
		}
		if (!job.target && !job.pairs.length && !job.mixes.length)
			ctx.addIssue({ code: 'custom', path: ['target'], message: 'Nothing is asked for.' });
	});

const round = (lab: Lab) => lab.map((v) => Number(v.toFixed(4)));
const told = (apart: number) => ({
	difference: Number(apart.toFixed(4)),
	words: differenceWords(apart)
});

/** The nearest mixes of a target, the colours of given ones, and how far pairs are apart. */
export function runMixJob({ target, paints, mixes, pairs, ...rest }: z.infer<typeof mixJob>) {
	return {
		...(target && {
			shown: isShown(target),
			mixes: run({ target, paints, ...rest }).map((m) => ({ ...m, lab: round(m.lab), ...told(m.difference) }))
		}),
		...(mixes.length && {
			colours: mixes.map((parts) =>
				round(mixOf(parts.map((p) => ({ paint: paints.find(({ id }) => id === p.paint)!, drops: p.drops }))))
			)
		}),
		...(pairs.length && { pairs: pairs.map(([a, b]) => told(difference(a, b))) })
	};
}

function run(task: MixTask) {
	const work = bestMixes(task);
	for (;;) {
		const turn = work.next();
		if (turn.done) return turn.value;
	}
}
