import { z } from 'zod';
import { MEASURE_KEYS, MEASURE_SIDES, OVERS, bodySections } from '../../facts/bodyMeasure.ts';
import { POINT_DIRECTIONS } from '../../facts/fitting.ts';
import { DIRECTIONS, MADE_FOR, wearersOf } from '../../facts/measureRecord.ts';
import { PASSAGE_KEYS } from '../../facts/opening.ts';
import { formatDate, formatLocalTime } from '../../units/localTime.ts';
import {
	COSTUME,
	date,
	bare,
	dayOrNull,
	id,
	idOrNull,
	list,
	longLine,
	mm,
	text,
	time,
	timeOrNull,
	type CostumeSource,
	type FileOf,
	type Rows
} from './fields.ts';

/** Wearers with their measures, what goes on, fittings. */
export const fitFields = {
	wearers: list(
		z.strictObject({
			id,
			name: z.string().min(1).max(120),
			note: text,
			builtOn: date.nullable(),
			/** When the pieces began to follow this wearer. */
			fittedAt: time.nullable().default(null),
			/** Breadth to depth of sections of the body; since form 19. */
			sections: bodySections.default({}),
			measures: z
				.array(
					z.strictObject({
						measure: z.enum(MEASURE_KEYS),
						side: z.enum(MEASURE_SIDES),
						over: z.enum(OVERS),
						mm: z.number().positive().max(3000),
						takenOn: date,
						confirmed: z.boolean(),
						note: longLine
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
			/** Since form 16. */
			variantId: idOrNull.default(null),
			heldAt: time,
			note: text,
			clears: z.array(longLine).max(50),
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

export const writeFit = ({ fit }: CostumeSource) => {
	const worn = new Map(fit.worn.map((w) => [w.wearerId, w]));
	return {
		wearers: wearersOf(fit).map((w) => ({
			id: w.id,
			name: w.name,
			note: w.note,
			builtOn: dayOrNull(worn.get(w.id)?.builtOn ?? null),
			fittedAt: timeOrNull(worn.get(w.id)?.fittedAt ?? null),
			sections: w.sections,
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
		openings: fit.openings.map(bare),
		nominals: fit.nominals.map(bare),
		fittings: [...fit.fittings]
			.sort((a, b) => a.id - b.id)
			.map((f) => ({
				id: f.id,
				wearerId: worn.has(f.wearerId ?? 0) ? f.wearerId : null,
				variantId: f.variantId,
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
};

export const fitRows = ({ wearers, openings, nominals, fittings }: FileOf<typeof fitFields>): Rows[] => [
	{ table: 'wearer', rows: wearers.map(({ id, name, note, sections }) => ({ id, name, note, sections })) },
	{
		table: 'body_measure',
		rows: wearers.flatMap((w) => w.measures.map((m) => ({ ...m, wearerId: w.id })))
	},
	{
		table: 'costume_wearer',
		rows: wearers.map(({ id, builtOn, fittedAt }) => ({
			costumeId: COSTUME,
			wearerId: id,
			builtOn,
			fittedAt
		}))
	},
	{ table: 'opening', rows: openings },
	{ table: 'nominal', rows: nominals },
	{
		table: 'fitting',
		rows: fittings.map(({ componentIds: _c, points: _p, ...f }) => ({ ...f, costumeId: COSTUME }))
	},
	{
		table: 'fitting_component',
		rows: fittings.flatMap((f) =>
			[...new Set(f.componentIds)].map((componentId) => ({ fittingId: f.id, componentId }))
		)
	},
	{
		table: 'fitting_point',
		rows: fittings.flatMap((f) => f.points.map((p) => ({ ...p, fittingId: f.id })))
	}
];
