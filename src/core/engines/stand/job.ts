import { z } from 'zod';
import {
	definitionOf,
	MEASURE_KEYS,
	type MeasureKey,
	type MeasureSide,
	measureWords
} from '../../facts/bodyMeasure.ts';
import type { Point3 } from '../../units/point.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { type Limb, type Measured, standOf } from './form.ts';
import { standSurface } from './surface.ts';

/** The job kind `stand`, as docs/jobs.md describes it. */
export const standJob = z.strictObject({
	kind: z.literal('stand'),
	measures: z.record(z.string(), z.number()).default({})
});
export type StandJob = z.infer<typeof standJob>;

/** What each name means: of a measure with sides without one, both. */
const NAMES = new Map<string, { key: MeasureKey; sides: MeasureSide[] }>(
	MEASURE_KEYS.flatMap((key) => {
		const sided = definitionOf(key).sided;
		return [
			[measureWords(key), { key, sides: sided ? ['left', 'right'] : ['none'] }] as const,
			...(sided
				? (['left', 'right'] as const).map(
						(side) => [measureWords(key, side), { key, sides: [side] as MeasureSide[] }] as const
					)
				: [])
		] as [string, { key: MeasureKey; sides: MeasureSide[] }][];
	})
);

const hundredth = (value: number) => Math.round(value * 100) / 100;
const exact = (value: number) => Math.round(value * 1e6) / 1e6;

/** Where the plane of a section lies: n·x = d. */
function planeOf({ axis, begins }: Limb, along: number): [number, number, number, number] {
	const [a, b, c] = axis.map(exact) as [number, number, number];
	const d = axis[0] * begins[0] + axis[1] * begins[1] + axis[2] * begins[2] + along;
	return [a, b, c, exact(d)];
}

/** @returns the form as a mesh, with the girth at each level that is measured, or what is wrong with a measure */
export function runStandJob({ measures }: StandJob): Parsed<unknown> {
	const taken = new Map<string, number>();
	for (const [name, mm] of Object.entries(measures)) {
		const named = NAMES.get(name);
		if (!named) return bad('noSuchMeasure', { name }, ['measures', name]);
		const { least, most } = definitionOf(named.key);
		if (!(mm >= least)) return bad('tooSmall', { least }, ['measures', name]);
		if (!(mm <= most)) return bad('tooLarge', { most }, ['measures', name]);
		// One that names its side counts before one that does not.
		for (const side of named.sides)
			if (named.sides.length === 1 || !taken.has(`${named.key} ${side}`))
				taken.set(`${named.key} ${side}`, mm);
	}
	const measured: Measured = (key, side) => taken.get(`${key} ${side}`) ?? null;
	const stand = standOf(measured);
	const { vertices, faces } = standSurface(stand);
	return good({
		vertices: vertices.map((p) => p.map(hundredth) as unknown as Point3),
		faces,
		levels: stand.limbs.flatMap((limb) =>
			limb.sections.flatMap(({ level, along, girth, guessed }) =>
				level.measure === null
					? []
					: [
							{
								measure: definitionOf(level.measure).name,
								side: limb.side,
								plane: planeOf(limb, along),
								girth: hundredth(girth),
								wanted: hundredth(girth),
								guessed
							}
						]
			)
		),
		lengths: stand.lengths.map(({ measure, side, mm, guessed }) => ({
			measure: definitionOf(measure).name,
			side,
			length: hundredth(mm),
			guessed
		})),
		contradictions: stand.contradictions.map(({ measure, taken, because }) => ({
			measure: definitionOf(measure).name,
			taken: hundredth(taken),
			because
		}))
	});
}
