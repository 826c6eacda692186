import { z } from 'zod';
import { DAY } from '../../units/localTime.ts';
import { id, stepsOf, type CostumeSource, type FileOf, type Rows } from './fields.ts';

/** Places that steps need, with their hours. */
export const placeFields = {
	places: z
		.array(
			z.strictObject({
				id,
				name: z.string().min(1).max(120),
				capacity: z.number().int().min(1).max(100),
				forSpray: z.boolean(),
				daylightOnly: z.boolean(),
				dryOnly: z.boolean(),
				windows: z
					.array(
						z.strictObject({
							days: z.array(z.number().int().min(1).max(7)).min(1).max(7),
							from: z
								.number()
								.int()
								.min(0)
								.max(DAY - 1),
							to: z.number().int().min(1).max(DAY)
						})
					)
					.max(50)
			})
		)
		.max(100)
		.default([])
};

export const writePlaces = (source: CostumeSource) => {
	const usedPlaces = new Set(stepsOf(source).map((s) => s.placeId));
	return {
		places: source.workshop.places
			.filter((p) => usedPlaces.has(p.id))
			.map(({ id, name, capacity, forSpray, daylightOnly, dryOnly, windows }) => ({
				id,
				name,
				capacity,
				forSpray,
				daylightOnly,
				dryOnly,
				windows: windows.map(({ days, from, to }) => ({ days: [...days], from, to }))
			}))
	};
};

/** Hours are those of a place that the reader does not have yet. */
export const placeRows = ({ places }: FileOf<typeof placeFields>): Rows[] => [
	{ table: 'place', rows: places.map(({ windows: _, ...p }) => p) },
	{
		table: 'working_window',
		rows: places.flatMap((p) => p.windows.map((w) => ({ ...w, placeId: p.id })))
	}
];
