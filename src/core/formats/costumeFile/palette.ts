import { z } from 'zod';
import {
	bare,
	COSTUME,
	id,
	idOrNull,
	line,
	list,
	text,
	type CostumeSource,
	type FileOf,
	type Links,
	type Rows
} from './fields.ts';

/** CIELAB for D65. */
export const lab = z
	.tuple([z.number().min(0).max(100), z.number().min(-200).max(200), z.number().min(-200).max(200)])
	.readonly();
const point = z.tuple([z.number(), z.number()]);

/** What parts are meant to look like. Since form 12. */
export const paletteFields = {
	palette: list(
		z.strictObject({
			id,
			name: line.min(1),
			lab,
			spread: z.number().min(0).max(200).nullable(),
			pictureId: idOrNull,
			picked: z
				.strictObject({ centre: point, radius: z.number().positive().max(10_000), neutral: point.nullable() })
				.nullable(),
			mix: z.array(z.strictObject({ materialId: id, drops: z.number().int().min(1).max(1000) })).max(10),
			componentIds: z.array(id).max(2000),
			note: text
		}),
		500
	)
};

export const writePalette = ({ record }: CostumeSource) => ({
	palette: record.palette.map(({ position: _, mix, componentIds, picked, ...c }) => ({
		id: c.id,
		...bare(c),
		picked: picked && {
			...picked,
			centre: [picked.centre[0], picked.centre[1]] as [number, number],
			neutral: picked.neutral && ([picked.neutral[0], picked.neutral[1]] as [number, number])
		},
		mix: mix.map((part) => ({ ...part })),
		componentIds: [...componentIds]
	}))
});

export const paletteRows = ({ palette }: FileOf<typeof paletteFields>, links: Links): Rows[] => [
	{
		table: 'palette_colour',
		rows: palette.map(({ componentIds: _, mix, ...c }, position) => ({
			...c,
			costumeId: COSTUME,
			position,
			mix: mix.map((part) => ({ ...part, materialId: links.to('material', part.materialId) }))
		}))
	},
	{
		table: 'palette_part',
		rows: palette.flatMap(({ id, componentIds }) =>
			componentIds.map((componentId) => ({ paletteColourId: id, componentId }))
		)
	}
];
