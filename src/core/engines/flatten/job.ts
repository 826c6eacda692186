import { z } from 'zod';
import { good, type Parsed } from '../../units/problem.ts';
import { MOST_TRIANGLES, soundMesh } from '../mesh/mesh.ts';
import { cross, norm, sub, type Vec } from '../../units/vec.ts';
import { cutAlong, flatten } from './flatten.ts';
import type { Flat } from './flat.ts';
import { endOf, startOf, surfaceOf } from './patch.ts';

const corner = z.number().int().min(0);
/** The job kind `flatten`, as docs/jobs.md describes it. */
export const flattenJob = z
	.strictObject({
		kind: z.literal('flatten'),
		seconds: z.number().positive().max(3600).default(10),
		limit: z.number().positive().max(1).default(0.03),
		vertices: z
			.array(z.tuple([z.number(), z.number(), z.number()]))
			.min(3)
			.max(MOST_TRIANGLES * 3),
		faces: z
			.array(z.tuple([corner, corner, corner]))
			.min(1)
			.max(MOST_TRIANGLES),
		cuts: z.array(z.array(corner).min(2)).default([]),
		propose: z.boolean().default(false),
		least: z.number().min(0).max(1000).default(15)
	})
	.superRefine((job, ctx) => {
		const out = (i: number) => i >= job.vertices.length;
		for (const key of ['faces', 'cuts'] as const) {
			const wrong = job[key].findIndex((list) => list.some(out));
			if (wrong >= 0)
				ctx.addIssue({ code: 'custom', path: [key, wrong], message: 'Names a point that is not there.' });
		}
	});
export type FlattenJob = z.infer<typeof flattenJob>;

const exact = (value: number) => Math.round(value * 1e5) / 1e5;

/** A piece as the job tells it: points by the name of their vertex, with a letter where the piece has it more than once. */
function pieceOf(flat: Flat) {
	const { patch, at } = flat;
	const strain = flat.strains();
	const times = new Map<number, number>();
	for (const v of patch.vertices) times.set(v, (times.get(v) ?? 0) + 1);
	const used = new Map<number, number>();
	const labels = patch.vertices.map((v) => {
		if (times.get(v) === 1) return String(v);
		const i = used.get(v) ?? 0;
		used.set(v, i + 1);
		return `${v}${letters(i)}`;
	});
	const point = (i: number) => [exact(at[2 * i]!), exact(at[2 * i + 1]!)];
	const area = (round: readonly number[]) =>
		round.reduce((sum, a, i) => {
			const b = round[(i + 1) % round.length]!;
			return sum + at[2 * a]! * at[2 * b + 1]! - at[2 * b]! * at[2 * a + 1]!;
		}, 0);
	const [outline, ...holes] = [...patch.borders].sort((a, b) => area(b) - area(a));
	return {
		points: Object.fromEntries(labels.map((label, i) => [label, point(i)])),
		...([...times.values()].some((n) => n > 1)
			? { corners: patch.faces.map((_, i) => [0, 1, 2].map((k) => labels[patch.corners[3 * i + k]!]!)) }
			: {}),
		outline: outline!.map(point),
		...(holes.length ? { holes: holes.map((h) => h.map(point)) } : {}),
		strain: { max: exact(strain.max), rms: exact(strain.rms) }
	};
}

/** a, b … z, aa, ab … */
const letters = (i: number): string =>
	(i >= 26 ? letters(Math.floor(i / 26) - 1) : '') + String.fromCharCode(97 + (i % 26));

/**
 * @param elapsed seconds since the job began
 * @returns pieces with their strain, the cuts and the length of both sides of each, or what is wrong with the mesh
 */
export function runFlattenJob(job: FlattenJob, elapsed: () => number): Parsed<unknown> {
	const sound = soundMesh({
		points: new Float64Array(job.vertices.flat()),
		triangles: new Uint32Array(job.faces.flat())
	});
	if (!sound.ok) return sound;
	const vertices = job.vertices as readonly Vec[];
	// Faces without area pull nothing.
	const kept = job.faces.flatMap((corners, i) => {
		const [a, b, c] = corners.map((v) => vertices[v]!) as [Vec, Vec, Vec];
		return norm(cross(sub(b, a), sub(c, a))) > 1e-9 ? [i] : [];
	});
	const surface = surfaceOf(
		vertices,
		kept.map((i) => job.faces[i]!)
	);
	const cut = cutAlong(surface, job.cuts);
	if (!cut.ok) return cut;
	const done = flatten(surface, cut.value, {
		limit: job.limit,
		propose: job.propose,
		least: job.least,
		spent: () => elapsed() / job.seconds
	});
	if (!done.ok) return done;
	const { flats, seams, lengths, overlapping } = done.value;
	return good({
		pieces: flats.map((flat) => ({
			...pieceOf(flat),
			faces: flat.patch.faces.map((f) => kept[f]!)
		})),
		cuts: seams.map(({ halves }) => [startOf(surface, halves[0]!), ...halves.map((h) => endOf(surface, h))]),
		seams: lengths.map(({ a, b }) => ({ a: exact(a), b: exact(b) })),
		...(overlapping ? { overlapping } : {}),
		seconds: Math.round(elapsed() * 1000) / 1000
	});
}
