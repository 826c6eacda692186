import { z } from 'zod';
import {
	BODY_MEASURES,
	definitionOf,
	MEASURE_KEYS,
	type MeasureKey,
	type MeasureSide
} from '../../facts/bodyMeasure.ts';
import { closureRange, goesOn } from './goesOn.ts';
import { PASSAGE_KEYS, PASSAGES } from '../../facts/opening.ts';

const mm = z.number().positive('Must be more than zero.');
const thickness = z.number().min(0).max(200);

const girth = z.union([
	mm.transform((value) => ({ none: value, left: value, right: value })),
	z.strictObject({ left: mm.optional(), right: mm.optional() })
]);
const measures = z.partialRecord(z.enum(MEASURE_KEYS), girth).superRefine((given, ctx) => {
	for (const [key, value] of Object.entries(given)) {
		const { least, most, name } = BODY_MEASURES[key as MeasureKey];
		for (const length of Object.values(value))
			if (length < least || length > most)
				ctx.addIssue({
					code: 'custom',
					path: [key],
					message: `${name} cannot be ${length} mm: from ${least} to ${most}.`
				});
	}
});

/** The job kind `goes-on`, as docs/jobs.md describes it. */
export const goesOnJob = z.strictObject({
	kind: z.literal('goes-on'),
	passage: z.enum(PASSAGE_KEYS),
	sides: z
		.array(z.enum(['left', 'right']))
		.min(1)
		.optional(),
	closed: mm.max(5000),
	stretch: z.number().min(0).max(200, 'At most 200 %.').default(0),
	opening: z.number().min(0).max(5000).default(0),
	split: z.boolean().default(false),
	ease: z.enum(['rigid', 'woven', 'stretch']).default('rigid'),
	beneath: z
		.array(
			z.strictObject({
				name: z.string().max(200).default(''),
				thickness,
				at: z.array(z.enum(MEASURE_KEYS)).optional()
			})
		)
		.max(100)
		.default([]),
	wearers: z
		.array(z.strictObject({ name: z.string().min(1).max(200), measures }))
		.min(1)
		.max(20)
});

export type GoesOnJob = z.infer<typeof goesOnJob>;

const tenth = (value: number) => Math.round(value * 10) / 10;

export function runGoesOnJob(job: GoesOnJob) {
	const sided = definitionOf(PASSAGES[job.passage].seat).sided;
	const sides: MeasureSide[] = sided ? (job.sides ?? ['left', 'right']) : ['none'];
	const wearers = job.wearers.map((wearer) => ({
		name: wearer.name,
		results: sides.map((side) =>
			goesOn(
				job,
				(key, at) => {
					const given = wearer.measures[key] as Partial<Record<MeasureSide, number>> | undefined;
					const body = given?.[at];
					if (body === undefined) return null;
					const on = job.beneath.filter((layer) => !layer.at || layer.at.includes(key));
					return { body, beneath: on.reduce((sum, layer) => sum + layer.thickness, 0) };
				},
				side
			)
		)
	}));
	const all = wearers.flatMap((w) => w.results);
	const range = all.length > 1 ? closureRange(all) : null;
	return {
		wearers: wearers.map((w) => ({
			name: w.name,
			sides: w.results.map((r) => ({
				side: r.side,
				passes: r.passes,
				reach: tenth(r.reach),
				tightest: r.tightest && { measure: r.tightest.key, girth: tenth(r.tightest.mm) },
				missing: tenth(r.missing),
				cures: r.cures && {
					opening: { more: tenth(r.cures.opening.more), slit: tenth(r.cures.opening.slit) },
					stretch: { percent: tenth(r.cures.stretch.percent), would: r.cures.stretch.would },
					split: r.cures.split
				},
				seat: r.seat && {
					girth: tenth(r.seat.girth.mm),
					closedFrom: tenth(r.seat.range[0]),
					closedTo: tenth(r.seat.range[1]),
					fit: r.seat.fit
				},
				unknown: r.unknown
			}))
		})),
		closure: range && { from: tenth(range[0]), to: tenth(range[1]) },
		passes: all.some((r) => r.passes === false) ? false : all.some((r) => r.passes === null) ? null : true
	};
}
