import { z } from 'zod';
import { layPlan } from '../../facts/layout.ts';
import { DAY, formatLocalTime } from '../../units/localTime.ts';
import { byId, id, line, stepsOf, time, timeOrNull, type CostumeSource } from './fields.ts';

/** Places that steps need with their hours, the order of steps that a search found, cutting layouts that are kept. */
export const planFields = {
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
		.default([]),
	found: z
		.array(z.strictObject({ step: id, makers: z.array(line).max(20).optional() }))
		.max(20_000)
		.nullable()
		.default(null),
	layouts: z
		.array(
			z.strictObject({
				materialId: id,
				name: z.string().min(1).max(120),
				plan: layPlan,
				keptAt: time,
				cutAt: time.nullable(),
				fromStash: z.number().min(0).max(1e6).nullable()
			})
		)
		.max(1000)
		.default([])
};

export const writePlan = (source: CostumeSource) => {
	const { record, workshop } = source;
	const steps = stepsOf(source);
	const usedPlaces = new Set(steps.map((s) => s.placeId));
	const stepIds = new Set(steps.map((s) => s.id));
	const components = new Set(record.components.map((c) => c.id));
	const makerNames = new Map(workshop.makers.map((m) => [m.id, m.name]));
	return {
		places: workshop.places
			.filter((p) => usedPlaces.has(p.id))
			.map(({ id, name, capacity, forSpray, daylightOnly, dryOnly, windows }) => ({
				id,
				name,
				capacity,
				forSpray,
				daylightOnly,
				dryOnly,
				windows: windows.map(({ days, from, to }) => ({ days: [...days], from, to }))
			})),
		found:
			record.found
				?.filter((f) => stepIds.has(f.step))
				.map(({ step, makers: by }) =>
					by ? { step, makers: by.flatMap((m) => makerNames.get(m) ?? []) } : { step }
				) ?? null,
		layouts: byId(source.layouts).flatMap((l) => {
			// Pieces of a component that was removed since are not cut any more.
			const pieces = l.plan.pieces.filter((p) => components.has(p.componentId));
			const left = new Set(pieces.map((p) => p.id));
			const placements = l.plan.placements.filter((p) => left.has(p.piece));
			if (placements.length === 0) return [];
			return {
				materialId: l.materialId,
				name: l.name,
				plan: { ...l.plan, pieces, placements },
				keptAt: formatLocalTime(l.keptAt),
				cutAt: timeOrNull(l.cutAt),
				fromStash: l.fromStash
			};
		})
	};
};
