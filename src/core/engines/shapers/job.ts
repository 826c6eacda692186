import { z } from 'zod';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { cutLine } from '../pattern/allowance.ts';
import { flatten, TOLERANCE } from '../pattern/outline.ts';
import type { Point } from '../../units/point.ts';
import { sizesOfPiece, notchPlace } from '../pattern/piece.ts';
import { SHAPE_FORMULAS } from '../pattern/formulas.ts';
import { runShaper } from '../pattern/shaper.ts';
import { SHAPER_KEYS, SHAPERS } from './shapers.ts';
import { applyOperations } from '../pattern/operations.ts';
import { MOST_OPERATIONS, pieceOperation } from '../../facts/pieceOperation.ts';

/** The job kind `shape`, as docs/jobs.md describes it. */
export const shapeJob = z.strictObject({
	kind: z.literal('shape'),
	shaper: z.enum(SHAPER_KEYS),
	values: z.record(z.string(), z.number()).default({}),
	works: z.array(pieceOperation).max(MOST_OPERATIONS).default([]),
	tolerance: z.number().min(0.001).max(10).default(TOLERANCE)
});
export type ShapeJob = z.infer<typeof shapeJob>;

const hundredth = (value: number) => Math.round(value * 100) / 100;
const points = (list: readonly Point[]) => list.map(([x, y]) => [hundredth(x), hundredth(y)]);

/** @returns pieces with flattened outlines and their figures, or what is wrong with a value */
export function runShapeJob(job: ShapeJob): Parsed<unknown> {
	const shaper = SHAPERS[job.shaper];
	const strange = Object.keys(job.values).find((key) => !(key in shaper.params));
	if (strange !== undefined)
		return bad('noSuchValue', { known: Object.keys(shaper.params).join(', ') }, ['values', strange]);
	const done = runShaper(shaper, job.values);
	if (!done.ok) {
		const [first] = done.problem.path;
		const inValues = typeof first === 'string' && first in shaper.params;
		return {
			ok: false,
			problem: { ...done.problem, path: inValues ? ['values', ...done.problem.path] : done.problem.path }
		};
	}
	const worked = applyOperations(done.value.pieces, job.works);
	if (!worked.ok) return worked;
	return good({
		shaper: job.shaper,
		dimensions: done.value.dimensions.map((d) => ({
			title: d.title,
			value: hundredth(SHAPE_FORMULAS[d.formula].compute(d.inputs.map((i) => i.value))),
			unit: { length: 'mm', angle: 'deg', count: 'count', area: 'mm2' }[d.of]
		})),
		warnings: done.value.warnings,
		pieces: worked.value.map((piece) => {
			const f = sizesOfPiece(piece);
			return {
				name: piece.name,
				quantity: piece.quantity,
				mirrored: piece.mirrored,
				grain: piece.grain,
				outline: points(flatten(piece.outline, job.tolerance).points),
				cut: points(cutLine(piece, job.tolerance)),
				holes: piece.holes.map((h) => points(flatten(h, job.tolerance).points)),
				notches: piece.notches.map((n) => ({ at: points([notchPlace(piece, n).at])[0], pair: n.pair })),
				lines: piece.lines.map((l) => ({ use: l.use, points: points(l.points) })),
				area: hundredth(f.area),
				cutArea: hundredth(f.cutArea),
				cutLength: hundredth(f.cutLength),
				seam: hundredth(f.seam),
				bevelled: hundredth(f.bevelled)
			};
		})
	});
}
