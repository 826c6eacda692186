import { z } from 'zod';
import {
	ANGLES,
	CALLOUT_SHAPES,
	CALLOUT_SIDES,
	DESIGNS,
	PURPOSES,
	type LookRecord
} from '../costume/picture.ts';
import { POINT_DIRECTIONS } from '../fitting/fitting.ts';
import { MEASURE_KEYS, MEASURE_SIDES, OVERS } from '../measure/body/bodyMeasure.ts';
import { PASSAGE_KEYS } from '../measure/body/goesOn.ts';
import { wearersOf, type MeasureRecord } from '../measure/body/measureRecord.ts';
import { DIRECTIONS, MADE_FOR } from '../measure/body/resize.ts';
import { referenceSchema } from '../measure/plane/job.ts';
import { MEASURE_KINDS } from '../measure/plane/pictureMeasure.ts';
import { shapeValue } from '../pattern/storedShape.ts';
import { SHAPE_KEYS } from '../pattern/shapers.ts';
import { storedPieces } from '../pattern/storedPiece.ts';
import { MOST_WORKS, pieceWork } from '../pattern/work.ts';
import { formatDate, formatLocalTime, parseDate, parseLocalTime } from '../units/localTime.ts';

/** The parts of the costume file about pictures, wearers and fittings. They came with form 2 and may be missing. */
const id = z.number().int().positive();
const idOrNull = id.nullable();
const line = z.string().max(500);
const text = z.string().max(4000);
const mm = z.number().min(0).max(100_000);
const minor = z.number().int().min(0).max(1_000_000_000_000);
const date = z.string().refine((t) => parseDate(t).ok, 'is not a date like 2031-05-16');
const time = z.string().refine((t) => parseLocalTime(t).ok, 'is not a local time like 2031-05-16T09:00');
const points = z
	.array(z.tuple([z.number(), z.number()]))
	.min(1)
	.max(500);
const list = <T extends z.ZodType>(item: T, most: number) => z.array(item).max(most).default([]);

export const lookFields = {
	pictures: list(
		z.strictObject({
			id,
			hash: z.string().regex(/^[0-9a-f]{64}$/),
			title: line,
			angle: z.enum(ANGLES),
			design: z.enum(DESIGNS),
			sourceNote: line,
			purpose: z.enum(PURPOSES).default('look'),
			axisPx: z.number().min(0).nullable(),
			scale: referenceSchema.nullable(),
			clickPx: z.number().min(0.1).max(100),
			scaleSigmaMm: z.number().min(0).max(1000)
		}),
		500
	),
	callouts: list(
		z.strictObject({
			pictureId: id,
			componentId: idOrNull,
			label: line,
			shape: z.enum(CALLOUT_SHAPES),
			side: z.enum(CALLOUT_SIDES),
			points
		}),
		5000
	),
	pictureMeasures: list(
		z.strictObject({
			pictureId: id,
			componentId: idOrNull,
			label: line.min(1),
			kind: z.enum(MEASURE_KINDS),
			points: points.min(2),
			offPlaneMm: z.number().min(-10_000).max(10_000)
		}),
		5000
	),
	decisions: list(
		z.strictObject({
			componentId: id,
			source: z.enum(['make', 'buy', 'alter']),
			reason: text,
			decidedAt: time,
			buyPriceMinor: minor,
			buyLeadDays: z.number().int().min(0).max(400),
			alterPriceMinor: minor,
			alterLeadDays: z.number().int().min(0).max(400)
		}),
		5000
	),
	wearers: list(
		z.strictObject({
			id,
			name: z.string().min(1).max(120),
			note: text,
			builtOn: date.nullable(),
			/** When the pieces began to follow this wearer. */
			fittedAt: time.nullable().default(null),
			measures: z
				.array(
					z.strictObject({
						measure: z.enum(MEASURE_KEYS),
						side: z.enum(MEASURE_SIDES),
						over: z.enum(OVERS),
						mm: z.number().positive().max(3000),
						takenOn: date,
						confirmed: z.boolean(),
						note: line
					})
				)
				.max(20_000)
		}),
		50
	),
	openings: list(
		z.strictObject({
			componentId: id,
			passage: z.enum(PASSAGE_KEYS),
			closedMm: mm.positive().max(3000),
			stretchPercent: z.number().min(0).max(200),
			openingMm: mm.max(3000),
			split: z.boolean()
		}),
		5000
	),
	shapes: list(
		z.strictObject({
			componentId: id,
			shaper: z.enum(SHAPE_KEYS),
			name: line,
			values: z.record(z.string().max(60), shapeValue),
			works: z.array(pieceWork).max(MOST_WORKS).default([]),
			drawn: storedPieces.nullable().default(null),
			materialId: id.nullable().default(null),
			layers: z.number().int().min(1).max(6).default(1),
			note: text
		}),
		5000
	),
	nominals: list(
		z.strictObject({
			componentId: id,
			measure: z.enum(MEASURE_KEYS),
			direction: z.enum(DIRECTIONS),
			nominalMm: mm.positive().max(5000),
			madeFor: z.enum(MADE_FOR).default('garment'),
			easeMm: z.number().min(-1000).max(1000)
		}),
		5000
	),
	fittings: list(
		z.strictObject({
			id,
			wearerId: idOrNull,
			heldAt: time,
			note: text,
			clears: z.array(line).max(50),
			componentIds: z.array(id).max(2000),
			points: z
				.array(
					z.strictObject({
						componentId: id,
						what: z.string().min(1).max(200),
						direction: z.enum(POINT_DIRECTIONS),
						moveMm: mm.positive().max(2000).nullable(),
						side: z.enum(['none', 'left', 'right']),
						stepId: idOrNull,
						settled: z.boolean()
					})
				)
				.max(5000)
		}),
		1000
	)
};

export type LookFile = z.infer<z.ZodObject<typeof lookFields>>;

/** Links of these parts: what they are called, where they lead, and to which list. */
export function lookLinks(
	file: LookFile
): [string, number | null, 'components' | 'steps' | 'pictures' | 'wearers' | 'materials'][] {
	return [
		...[...file.callouts, ...file.pictureMeasures].flatMap((c): ReturnType<typeof lookLinks> => [
			['picture', c.pictureId, 'pictures'],
			['component', c.componentId, 'components']
		]),
		...[...file.decisions, ...file.openings, ...file.shapes, ...file.nominals].map(
			(r): ReturnType<typeof lookLinks>[number] => ['component', r.componentId, 'components']
		),
		...file.shapes.map((s): ReturnType<typeof lookLinks>[number] => ['material', s.materialId, 'materials']),
		...file.fittings.flatMap((f): ReturnType<typeof lookLinks> => [
			['wearer', f.wearerId, 'wearers'],
			...f.componentIds.map((c): ReturnType<typeof lookLinks>[number] => ['component', c, 'components']),
			...f.points.flatMap((p): ReturnType<typeof lookLinks> => [
				['component', p.componentId, 'components'],
				['step', p.stepId, 'steps']
			])
		])
	];
}

export function toLookFile(look: LookRecord, fit: MeasureRecord): LookFile {
	const day = (d: number | null) => (d === null ? null : formatDate(d));
	const clock = (t: number | null) => (t === null ? null : formatLocalTime(t));
	const worn = new Map(fit.worn.map((w) => [w.wearerId, w]));
	return {
		pictures: look.pictures.map(
			({ id, hash, title, angle, design, sourceNote, purpose, axisPx, scale, clickPx, scaleSigmaMm }) => ({
				id,
				hash,
				title,
				angle,
				design,
				sourceNote,
				purpose,
				axisPx,
				scale: scale as LookFile['pictures'][number]['scale'],
				clickPx,
				scaleSigmaMm
			})
		),
		callouts: look.callouts.map(({ pictureId, componentId, label, shape, side, points }) => ({
			pictureId,
			componentId,
			label,
			shape,
			side,
			points: points.map(([x, y]): [number, number] => [x, y])
		})),
		pictureMeasures: look.measures.map(({ pictureId, componentId, label, kind, points, offPlaneMm }) => ({
			pictureId,
			componentId,
			label,
			kind,
			points: points.map(([x, y]): [number, number] => [x, y]),
			offPlaneMm
		})),
		decisions: look.decisions.map(({ id: _i, version: _v, decidedAt, ...d }) => ({
			...d,
			decidedAt: formatLocalTime(decidedAt)
		})),
		wearers: wearersOf(fit).map((w) => ({
			id: w.id,
			name: w.name,
			note: w.note,
			builtOn: day(worn.get(w.id)?.builtOn ?? null),
			fittedAt: clock(worn.get(w.id)?.fittedAt ?? null),
			measures: w.measures.map(({ measure, side, over, mm, takenOn, confirmed, note }) => ({
				measure,
				side,
				over,
				mm,
				takenOn: formatDate(takenOn),
				confirmed,
				note
			}))
		})),
		openings: fit.openings.map(({ id: _i, version: _v, ...o }) => o),
		shapes: fit.shapes.map((s) => ({
			componentId: s.componentId,
			shaper: s.shaper,
			name: s.name,
			values: s.values,
			works: s.works,
			drawn: s.drawn as LookFile['shapes'][number]['drawn'],
			materialId: s.materialId,
			layers: s.layers,
			note: s.note
		})),
		nominals: fit.nominals.map(({ id: _i, version: _v, ...n }) => n),
		fittings: [...fit.fittings]
			.sort((a, b) => a.id - b.id)
			.map((f) => ({
				id: f.id,
				wearerId: worn.has(f.wearerId ?? 0) ? f.wearerId : null,
				heldAt: formatLocalTime(f.heldAt),
				note: f.note,
				clears: f.clears,
				componentIds: f.componentIds,
				points: fit.points
					.filter((p) => p.fittingId === f.id)
					.map(({ componentId, what, direction, moveMm, side, stepId, settled }) => ({
						componentId,
						what,
						direction,
						moveMm,
						side,
						stepId,
						settled
					}))
			}))
	};
}
