import { z } from 'zod';
import {
	ANGLES,
	CALLOUT_SHAPES,
	CALLOUT_SIDES,
	DESIGNS,
	MEASURE_KINDS,
	TAKEN,
	PURPOSES
} from '../../facts/picture.ts';
import { referenceSchema } from '../../engines/plane/job.ts';
import { formatLocalTime } from '../../units/localTime.ts';
import type { Point } from '../../units/point.ts';
import {
	COSTUME,
	bare,
	hash,
	id,
	idOrNull,
	list,
	longLine,
	minor,
	points,
	text,
	time,
	type CostumeSource,
	type FileOf,
	type Rows
} from './fields.ts';

/** Reference pictures with callouts and measures, and how each component is got. */
export const pictureFields = {
	pictures: list(
		z.strictObject({
			id,
			hash,
			title: longLine,
			angle: z.enum(ANGLES),
			design: z.enum(DESIGNS),
			sourceNote: longLine,
			purpose: z.enum(PURPOSES).default('look'),
			axisPx: z.number().min(0).nullable(),
			scale: referenceSchema.nullable(),
			clickPx: z.number().min(0.1).max(100),
			scaleSigmaMm: z.number().min(0).max(1000),
			/** Since form 6. */
			taken: z.enum(TAKEN).default('hand')
		}),
		500
	),
	callouts: list(
		z.strictObject({
			pictureId: id,
			componentId: idOrNull,
			label: longLine,
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
			label: longLine.min(1),
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
	)
};

const withPoints = <T extends { points: readonly Point[] }>(row: T) => ({
	...bare(row),
	points: row.points.map(([x, y]): [number, number] => [x, y])
});

export const writePictures = ({ look }: CostumeSource) => {
	return {
		pictures: look.pictures.map(
			({
				id,
				hash,
				title,
				angle,
				design,
				sourceNote,
				purpose,
				axisPx,
				scale,
				clickPx,
				scaleSigmaMm,
				taken
			}) => ({
				id,
				hash,
				title,
				angle,
				design,
				sourceNote,
				purpose,
				axisPx,
				scale: scale as z.infer<typeof referenceSchema> | null,
				clickPx,
				scaleSigmaMm,
				taken
			})
		),
		callouts: look.callouts.map(withPoints),
		pictureMeasures: look.measures.map(withPoints),
		decisions: look.decisions.map((d) => ({ ...bare(d), decidedAt: formatLocalTime(d.decidedAt) }))
	};
};

export const pictureRows = ({
	pictures,
	callouts,
	pictureMeasures,
	decisions
}: FileOf<typeof pictureFields>): Rows[] => [
	{
		table: 'reference_picture',
		rows: pictures.map((p, position) => ({ ...p, position, costumeId: COSTUME }))
	},
	{ table: 'callout', rows: callouts },
	{ table: 'picture_measure', rows: pictureMeasures },
	{ table: 'decision', rows: decisions }
];
