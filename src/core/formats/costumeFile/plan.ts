import { z } from 'zod';
import { layPlan } from '../../facts/layout.ts';
import { formatLocalTime, type LocalMinutes } from '../../units/localTime.ts';
import {
	byId,
	COSTUME,
	id,
	line,
	stepsOf,
	time,
	timeOrNull,
	type CostumeSource,
	type FileOf,
	type Links,
	type Rows
} from './fields.ts';

/** The order of steps that a search found, and cutting layouts that are kept. */
export const planFields = {
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
				/** What each component takes by it; since form 5. */
				parts: z
					.array(
						z.strictObject({
							componentId: id,
							quantity: z.number().positive().max(1e6),
							area: z.number().min(0)
						})
					)
					.max(2000)
					.default([]),
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
	const stepIds = new Set(steps.map((s) => s.id));
	const components = new Set(record.components.map((c) => c.id));
	const makerNames = new Map(workshop.makers.map((m) => [m.id, m.name]));
	return {
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
				parts: l.parts.filter((p) => components.has(p.componentId)),
				keptAt: formatLocalTime(l.keptAt),
				cutAt: timeOrNull(l.cutAt),
				fromStash: l.fromStash
			};
		})
	};
};

export const planRows = (
	{ found, layouts }: FileOf<typeof planFields>,
	{ to, maker }: Links,
	now: LocalMinutes
): Rows[] => [
	{
		table: 'found_plan',
		rows: found
			? [
					{
						costumeId: COSTUME,
						foundAt: now,
						plan: found.map(({ step, makers: names }) => {
							// A maker of the same name is the same one; a step of another is done by whoever is free.
							const known = names?.flatMap((name) => maker(name) ?? []);
							return {
								step: to('step', step),
								...(known?.length && known.length === names!.length ? { makers: known } : {})
							};
						})
					}
				]
			: []
	},
	{
		table: 'layout',
		rows: layouts.map(({ plan, parts, ...layout }) => {
			const stock = String(to('material', layout.materialId));
			return {
				...layout,
				costumeId: COSTUME,
				parts: parts.map((p) => ({ ...p, componentId: to('component', p.componentId) })),
				plan: {
					...plan,
					stock: { ...plan.stock, id: stock },
					pieces: plan.pieces.map((p) => ({
						...p,
						stock,
						componentId: to('component', p.componentId)
					})),
					placements: plan.placements.map((p) => ({ ...p, stock }))
				}
			};
		})
	}
];
