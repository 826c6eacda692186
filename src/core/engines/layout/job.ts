import { z } from 'zod';
import { sayOf } from '../../units/problem.ts';
import { layOut } from './engine.ts';
import type { Layout, LayoutTask } from './stock.ts';
import type { Stock } from '../../facts/layout.ts';

/** The job kind `layout`, as docs/jobs.md describes it. */
const mm = z.number().positive().max(1e6);
const point = z.tuple([z.number(), z.number()]);
const id = z.string().min(1).max(200);
/** More copies than these are no costume's. */
const MOST_COPIES = 5000;
export const layoutJob = z
	.strictObject({
		kind: z.literal('layout'),
		seed: z
			.number()
			.int()
			.min(0)
			.max(2 ** 32 - 1)
			.default(1),
		seconds: z.number().positive().max(3600).default(5),
		gap: z.number().min(0).max(10_000).default(0),
		edge: z.number().min(0).max(10_000).default(0),
		stock: z
			.array(
				z.strictObject({
					id,
					width: mm,
					height: mm.nullable(),
					count: z.number().int().min(0).max(10_000).nullable().default(null),
					/** Within width and height: of an offcut. */
					outline: z.array(point).min(3).max(5000).optional(),
					flaws: z.array(z.array(point).min(3).max(5000)).max(1000).optional()
				})
			)
			.min(1)
			.max(1000),
		pieces: z
			.array(
				z.strictObject({
					id,
					stock: id,
					outline: z.array(point).max(20_000),
					holes: z.array(z.array(point).max(20_000)).max(1000).default([]),
					quantity: z.number().int().min(1).max(MOST_COPIES).default(1),
					pair: z.boolean().default(false),
					rotations: z.union([z.literal('any'), z.array(z.number()).max(3600)]).default([0])
				})
			)
			.max(MOST_COPIES)
	})
	.superRefine((job, ctx) => {
		const wrong = (path: PropertyKey[], message: string) => ctx.addIssue({ code: 'custom', path, message });
		job.stock.forEach((s, i) => {
			if (job.stock.findIndex((o) => o.id === s.id) !== i)
				wrong(['stock', i, 'id'], 'There is another of this id.');
			if (s.height === null && (s.outline || s.flaws))
				wrong(['stock', i, 'height'], 'A roll has no outline or flaws.');
		});
		job.pieces.forEach((p, i) => {
			if (job.pieces.findIndex((o) => o.id === p.id) !== i)
				wrong(['pieces', i, 'id'], 'There is another of this id.');
		});
		if (job.pieces.reduce((sum, p) => sum + p.quantity, 0) > MOST_COPIES)
			wrong(['pieces'], `More than ${MOST_COPIES} copies in all.`);
	});
export type LayoutJob = z.infer<typeof layoutJob>;

function stockOf(s: LayoutJob['stock'][number]): Stock {
	const { id, width, height, count, outline, flaws } = s;
	if (height === null) return { id, sheets: [], more: null, roll: width };
	const form = { width, height, outline: outline ?? null, flaws: flaws ?? [] };
	if (count !== null)
		return { id, sheets: Array.from({ length: count }, () => form), more: null, roll: null };
	return { id, sheets: [], more: { width, height }, roll: null };
}

const MOST_ROUND = 1e6;
const round = (v: number) => Math.round(v * MOST_ROUND) / MOST_ROUND;

/** The layout as a job gives it. */
export function layoutResult({ placements, unplaced, stock }: Layout) {
	return {
		placements: placements.map((p) => ({ ...p, rotation: round(p.rotation), x: round(p.x), y: round(p.y) })),
		stock: stock.map((s) => ({
			...s,
			usedLength: Math.round(s.usedLength * 1000) / 1000,
			density: Math.round(s.density * 10_000) / 10_000
		})),
		unplaced: unplaced.map(({ piece, copy, why }) => ({
			piece,
			copy,
			reason: sayOf(`lay.${why}`)
		}))
	};
}

/** @param elapsed seconds since the job began */
export function runLayoutJob(job: LayoutJob, elapsed: () => number) {
	const task: LayoutTask = {
		stock: job.stock.map(stockOf),
		pieces: job.pieces,
		gap: job.gap,
		edge: job.edge,
		seed: job.seed
	};
	let cut = false;
	const over = () => (cut ||= elapsed() > job.seconds);
	const { work, soFar } = layOut(task, over);
	while (!work.next().done);
	return {
		...layoutResult(soFar()),
		seconds: Math.round(elapsed() * 1000) / 1000,
		stoppedBy: cut ? ('time' as const) : ('search' as const)
	};
}
