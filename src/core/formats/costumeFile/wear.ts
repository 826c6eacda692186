import { z } from 'zod';
import {
	CELL_KEYS,
	FACINGS,
	FEATURES,
	HOLDS_TO,
	MOST_STRANDS,
	SERIES_KEYS,
	TRAVELS
} from '../../facts/wear.ts';
import { ZONES } from '../../facts/zone.ts';
import { OCCASIONS } from '../../facts/fault.ts';
import { formatDate, formatLocalTime } from '../../units/localTime.ts';
import { handbookKey } from '../../trade/handbookRow.ts';
import {
	bare,
	byId,
	COSTUME,
	date,
	id,
	idOrNull,
	list,
	longLine,
	mm,
	stepsOf,
	time,
	type CostumeSource,
	type FileOf,
	type Rows
} from './fields.ts';

const place = z.number().min(-10_000).max(10_000);
const side = mm.positive();
const most = (limit: number) => z.number().positive().max(limit);
const strand = { volts: most(60), milliamps: most(5000), leds: most(50).int(), strings: most(200).int() };
const circuit = z.strictObject({
	cell: z.enum(CELL_KEYS),
	inSeries: most(40).int(),
	rows: most(20).int(),
	...strand,
	/** Since form 16. */
	more: z
		.array(z.strictObject(strand))
		.max(MOST_STRANDS - 1)
		.exactOptional(),
	series: z.enum(SERIES_KEYS),
	hours: most(1000).nullable(),
	fuse: most(50_000).nullable(),
	switch: most(50_000).nullable()
});
const box = z.tuple([side, side, side]).nullable();

/** What holds it on, and what it weighs. Since form 14. */
export const wearFields = {
	joins: list(
		z.strictObject({
			componentId: id,
			position: z.number().int().min(0),
			holdsTo: z.enum(HOLDS_TO),
			toComponentId: idOrNull,
			fastener: handbookKey,
			count: z.number().int().min(1).max(500),
			widthMm: mm.positive(),
			lengthMm: mm.positive(),
			zone: z.enum(ZONES).nullable(),
			outMm: place,
			upMm: place,
			forwardMm: place,
			faces: z.enum(FACINGS),
			breakaway: z.boolean(),
			hidden: z.boolean(),
			stepId: idOrNull
		}),
		5000
	),
	wearings: list(
		z.strictObject({
			componentId: id,
			grams: z.number().positive().max(1_000_000).nullable(),
			centre: z.tuple([place, place, place]).nullable(),
			onMinutes: z.number().positive().max(600).nullable(),
			hands: z.number().int().min(1).max(3),
			/** From here on since form 15. */
			size: box.default(null),
			parts: z.number().int().min(1).max(12).default(1),
			packed: box.default(null),
			softTo: z.number().gt(0).max(1).nullable().default(null),
			fragile: z.boolean().default(false),
			upright: z.boolean().default(false),
			travels: z.enum(TRAVELS).default('case'),
			insideId: idOrNull.default(null),
			features: z.array(z.enum(FEATURES)).max(FEATURES.length).default([]),
			offMinutes: z.number().positive().max(600).nullable().default(null),
			circuit: circuit.nullable().default(null)
		}),
		5000
	),
	/** From here on since form 15. */
	moving: list(
		z.strictObject({
			wideMm: side.nullable(),
			hipsMm: side.nullable(),
			openingWideMm: side.nullable(),
			openingHighMm: side.nullable(),
			eyeMm: side.nullable(),
			onMinutes: z.number().positive().max(1000).nullable(),
			restMinutes: z.number().positive().max(1000).nullable()
		}),
		1
	),
	moves: list(z.strictObject({ move: z.string().min(1).max(40), works: z.boolean(), checkedAt: time }), 100),
	preparations: list(
		z.strictObject({
			position: z.number().int().min(0),
			name: z.string().min(1).max(120),
			zones: z.array(z.enum(ZONES)).max(ZONES.length),
			minutes: z.number().positive().max(600),
			waitMinutes: z.number().min(0).max(600),
			hands: z.number().int().min(1).max(3),
			patchTest: z.boolean(),
			/** Since form 16. */
			variantId: idOrNull.default(null),
			id: id.optional()
		}),
		200
	),
	/** Ways to wear it, and how it was put on by the clock. Since form 16. */
	variants: list(
		z.strictObject({
			id,
			position: z.number().int().min(0),
			name: z.string().min(1).max(120),
			without: z.array(id).max(5000)
		}),
		100
	),
	wears: list(
		z.strictObject({
			variantId: idOrNull,
			wornOn: date,
			toldAt: time,
			hours: most(24).nullable(),
			occasion: z.enum(OCCASIONS),
			note: longLine,
			/** Since form 17. */
			hurts: z.array(z.enum(ZONES)).max(ZONES.length).default([])
		}),
		5000
	),
	/** What to do otherwise next time, and how components are kept. Since form 17. */
	nextTimes: list(
		z.strictObject({
			componentId: idOrNull,
			position: z.number().int().min(0),
			words: z.string().min(1).max(200),
			takenTo: z.string().max(200)
		}),
		1000
	),
	keepings: list(
		z.strictObject({
			componentId: id,
			place: z.string().max(200),
			note: longLine,
			everyMonths: z.number().int().min(1).max(120).nullable(),
			lookedOn: date.nullable()
		}),
		5000
	),
	rehearsals: list(
		z.strictObject({
			id,
			variantId: idOrNull,
			heldAt: time,
			dressers: z.number().int().min(1).max(3),
			minutes: most(10_000),
			times: z
				.array(
					z
						.strictObject({ componentId: idOrNull, preparationId: idOrNull, minutes: most(10_000) })
						.refine((t) => (t.componentId === null) !== (t.preparationId === null), {
							message: 'It is of a component or of a preparation.'
						})
				)
				.max(5000)
		}),
		1000
	)
};

export function writeWear(source: CostumeSource) {
	const steps = new Set(stepsOf(source).map((s) => s.id));
	return {
		joins: byId(source.wear.joins).map((j) => ({
			...bare(j),
			stepId: j.stepId !== null && steps.has(j.stepId) ? j.stepId : null
		})),
		wearings: byId(source.wear.wearings).map(
			({ centre, size, packed, ...w }): FileOf<typeof wearFields>['wearings'][number] => ({
				...bare(w),
				centre: centre && [...centre],
				size: size && [...size],
				packed: packed && [...packed]
			})
		),
		moving: source.wear.moving ? [bare(source.wear.moving)] : [],
		moves: byId(source.wear.moves).map((m) => ({ ...bare(m), checkedAt: formatLocalTime(m.checkedAt) })),
		preparations: byId(source.wear.preparations).map((p) => ({ ...bare(p), id: p.id })),
		variants: byId(source.wear.variants).map((v) => ({ ...bare(v), id: v.id, without: [...v.without] })),
		wears: byId(source.wears).map((w) => ({
			...bare(w),
			wornOn: formatDate(w.wornOn),
			toldAt: formatLocalTime(w.toldAt)
		})),
		nextTimes: byId(source.nextTimes).map((n) => bare(n)),
		keepings: byId(source.keepings).map((k) => ({
			...bare(k),
			lookedOn: k.lookedOn === null ? null : formatDate(k.lookedOn)
		})),
		rehearsals: byId(source.wear.rehearsals).map((r) => ({
			...bare(r),
			id: r.id,
			heldAt: formatLocalTime(r.heldAt),
			times: r.times.map((t) => ({ ...t }))
		}))
	};
}

export const wearRows = ({
	joins,
	wearings,
	preparations,
	moving,
	moves,
	rehearsals,
	wears,
	nextTimes,
	keepings
}: FileOf<typeof wearFields>): Rows[] => [
	{ table: 'wear_join', rows: joins },
	{ table: 'wearing', rows: wearings },
	{ table: 'moving', rows: moving.map((m) => ({ ...m, costumeId: COSTUME })) },
	{ table: 'move_check', rows: moves.map((m) => ({ ...m, costumeId: COSTUME })) },
	{ table: 'preparation', rows: preparations.map((p) => ({ ...p, costumeId: COSTUME })) },
	{ table: 'wear_log', rows: wears.map((w) => ({ ...w, costumeId: COSTUME })) },
	{ table: 'next_time', rows: nextTimes.map((n) => ({ ...n, costumeId: COSTUME })) },
	{ table: 'keeping', rows: keepings },
	{ table: 'rehearsal', rows: rehearsals.map(({ times: _, ...r }) => ({ ...r, costumeId: COSTUME })) },
	{
		table: 'rehearsal_time',
		rows: rehearsals.flatMap((r) => r.times.map((t) => ({ ...t, rehearsalId: r.id })))
	}
];

/** Fittings and preparations link to them. */
export const variantRows = ({ variants }: FileOf<typeof wearFields>): Rows[] => [
	{ table: 'variant', rows: variants.map(({ without: _, ...v }) => ({ ...v, costumeId: COSTUME })) },
	{
		table: 'variant_without',
		rows: variants.flatMap((v) =>
			[...new Set(v.without)].map((componentId) => ({ variantId: v.id, componentId }))
		)
	}
];
