import { z } from 'zod';
import { good, type Parsed } from '../../units/problem.ts';
import { figuresOfMesh, MOST_TRIANGLES, scaled, soundMesh } from './mesh.ts';
import { unfold } from './unfold.ts';

/** The job kind `unfold`, as docs/jobs.md describes it. */
const point = z.tuple([z.number(), z.number(), z.number()]);
export const unfoldJob = z
	.strictObject({
		kind: z.literal('unfold'),
		points: z
			.array(point)
			.min(3)
			.max(MOST_TRIANGLES * 3),
		faces: z
			.array(z.array(z.number().int().min(0)).min(3).max(200))
			.min(1)
			.max(MOST_TRIANGLES),
		scale: z.number().positive().max(1e6).default(1),
		thickness: z.number().min(0).max(100).default(0),
		most: z.number().positive().max(1e6).nullable().default(null)
	})
	.superRefine((job, ctx) => {
		const wrong = job.faces.findIndex((f) => f.some((i) => i >= job.points.length));
		if (wrong >= 0)
			ctx.addIssue({ code: 'custom', path: ['faces', wrong], message: 'Names a point that is not there.' });
	});
export type UnfoldJob = z.infer<typeof unfoldJob>;

const hundredth = (value: number) => Math.round(value * 100) / 100;

/** @returns pieces with the seam, inside angle and bevel of every edge, or what is wrong with the mesh */
export function runUnfoldJob(job: UnfoldJob): Parsed<unknown> {
	const triangles = job.faces.flatMap((f) => f.slice(1, -1).flatMap((_, i) => [f[0]!, f[i + 1]!, f[i + 2]!]));
	const sound = soundMesh({
		points: new Float64Array(job.points.flat()),
		triangles: new Uint32Array(triangles)
	});
	if (!sound.ok) return sound;
	const mesh = scaled(sound.value.mesh, job.scale);
	const done = unfold(mesh, { thickness: job.thickness, most: job.most });
	if (!done.ok) return done;
	const figures = figuresOfMesh(mesh);
	const { pieces, seams, seamLength, notes } = done.value;
	return good({
		closed: figures.closed,
		volume: figures.closed ? hundredth(figures.volume) : null,
		area: hundredth(figures.area),
		seamLength: hundredth(seamLength),
		notes: [...sound.value.notes, ...notes].map(({ code, values }) => ({ code, ...values })),
		seams: seams.map((s) => ({ name: s.name, length: hundredth(s.length), inside: hundredth(s.inside) })),
		pieces: pieces.map((p) => ({
			name: p.name,
			outline: [p.outline, ...p.holes].map((o) =>
				o.edges.map((e) => ({
					to: e.to.map(hundredth),
					...(e.seam === undefined ? {} : { seam: e.seam }),
					bevel: e.bevel ?? 0
				}))
			),
			folds: p.lines.map((l) => l.points.map((q) => q.map(hundredth)))
		}))
	});
}
