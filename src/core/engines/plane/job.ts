import { z } from 'zod';
import { say } from '../../units/problem.ts';
import type { Problem } from '../../units/problem.ts';
import { lensOfLines } from './lens.ts';
import { calibrate, measure, TILT } from './pictureMeasure.ts';
import { MEASURE_KINDS } from '../../facts/picture.ts';

const point = z.tuple([z.number(), z.number()]);
const mm = z.number().positive('Must be more than zero.').max(100_000);

/** What gives the scale; also how it is stored with a picture. */
export const referenceSchema = z.discriminatedUnion('kind', [
	z.strictObject({
		kind: z.literal('rectangle'),
		points: z.tuple([point, point, point, point]),
		width: mm,
		height: mm
	}),
	z.strictObject({ kind: z.literal('length'), points: z.tuple([point, point]), mm }),
	z.strictObject({ kind: z.literal('height'), points: z.tuple([point, point]), mm })
]);

/** The job kind `plane`, as docs/jobs.md describes it. */
export const planeJob = z.strictObject({
	kind: z.literal('plane'),
	picture: z.strictObject({
		width: z.number().int().positive().max(100_000),
		height: z.number().int().positive().max(100_000)
	}),
	reference: referenceSchema,
	precision: z
		.strictObject({
			click: z.number().min(0).max(1000).default(2),
			reference: z.number().min(0).max(1000).default(0),
			/** How far off square it may have been taken, about each axis, one standard deviation, degrees. */
			tilt: z.number().min(0).max(30).default(TILT.hand)
		})
		.default({ click: 2, reference: 0, tilt: TILT.hand }),
	/** Edges that are straight in truth, px: they tell how the lens bends. */
	straight: z.array(z.array(point).min(3).max(500)).max(100).default([]),
	measures: z
		.array(
			z.strictObject({
				id: z.string().min(1).max(200),
				kind: z.enum(MEASURE_KINDS),
				points: z.array(point).max(500),
				offPlane: z.number().min(-10_000).max(10_000).default(0)
			})
		)
		.max(10_000)
});

export type PlaneJob = z.infer<typeof planeJob>;

const UNIT = {
	length: 'mm',
	circle: 'mm',
	angle: 'deg',
	area: 'mm2',
	heads: 'heads',
	straight: 'mm'
} as const;
const round = (value: number) => Math.round(value * 1000) / 1000;

/** @returns the measures, or what is wrong with the reference */
export function runPlaneJob(job: PlaneJob) {
	const lens = job.straight.length ? lensOfLines(job.straight, job.picture, job.precision.click) : null;
	if (lens && !lens.ok) return { ok: false as const, problem: { ...lens.problem, path: ['straight'] } };
	const plane = calibrate(job.reference, job.picture, job.precision, lens?.value);
	if (!plane.ok)
		return {
			ok: false as const,
			problem: { ...plane.problem, path: ['reference', 'points'] } satisfies Problem
		};
	const measured = job.measures.map((m) => ({ given: m, found: measure(plane.value, m) }));
	return {
		ok: true as const,
		result: {
			plane: {
				homography: plane.value.toPlane,
				tilt: round(plane.value.camera.tilt),
				distance: round(plane.value.camera.distance),
				distanceAssumed: plane.value.camera.assumed,
				lens: plane.value.lens.k
			},
			measures: measured.map(({ given, found }) =>
				found.ok
					? {
							id: given.id,
							kind: given.kind,
							value: round(found.value.value),
							plusMinus: round(2 * found.value.sigma),
							sigma: round(found.value.sigma),
							unit: UNIT[given.kind],
							warnings: found.value.warnings
						}
					: {
							id: given.id,
							kind: given.kind,
							value: null,
							code: found.problem.code,
							reason: say(found.problem)
						}
			)
		}
	};
}
