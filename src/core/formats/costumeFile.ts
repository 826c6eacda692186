import { z } from 'zod';
import { FLEXES, KINDS, SEEN_FROM, SIDES, SOURCES } from '../costume/component.ts';
import type { CostumeRecord, Workshop } from '../costume/record.ts';
import { ROUTE_KEYS } from '../costume/route.ts';
import { PHASES } from '../costume/step.ts';
import { TECHNIQUE_KEYS } from '../costume/technique.ts';
import { ZONES } from '../costume/zone.ts';
import { COAT_PRODUCT_KEYS } from '../finish/coatProduct.ts';
import { layPlan, type KeptLayout } from '../layout/plan.ts';
import { OCCASIONS } from '../mend/fault.ts';
import { FAMILIES, PURCHASE_STATES } from '../needs/material.ts';
import { DAY, formatDate, formatLocalTime, parseDate, parseLocalTime } from '../units/localTime.ts';
import { CURRENCIES } from '../units/money.ts';
import { lookFields, lookLinks, toLookFile } from './costumeFileLook.ts';
import type { LookRecord } from '../costume/picture.ts';
import type { MeasureRecord } from '../measure/body/measureRecord.ts';

/**
 * The costume file: one zip of `costume.json` in the form below and `pictures/<hash>`. Described in
 * docs/formats.md. Ids are the file's own and only link its entries; reading gives new ones.
 */
export const COSTUME_FORMAT = 'dapper-ledger-costume';
export const COSTUME_VERSION = 3;

const id = z.number().int().positive();
const idOrNull = id.nullable();
const line = z.string().max(200);
const text = z.string().max(4000);
const minutes = z.number().int().min(0).max(1_000_000);
const minor = z.number().int().min(0).max(1_000_000_000_000);
const amount = z.number().min(0).max(1e12);
const size = z.number().positive().max(1e6).nullable();
const time = z.string().refine((t) => parseLocalTime(t).ok, 'is not a local time like 2031-05-16T09:00');
const date = z.string().refine((t) => parseDate(t).ok, 'is not a date like 2031-05-16');

export const costumeFile = z.strictObject({
	format: z.literal(COSTUME_FORMAT),
	version: z.union([z.literal(1), z.literal(2), z.literal(COSTUME_VERSION)]),
	costume: z.strictObject({
		name: z.string().min(1).max(120),
		wearer: line,
		eventName: line,
		eventAt: time,
		bufferDays: z.number().int().min(0).max(60),
		limitMinor: minor.nullable(),
		currency: z.enum(CURRENCIES),
		stashAtCost: z.boolean(),
		split: z.enum(['windows', 'anywhere']),
		targetOdds: z.number().int().min(50).max(99).default(85),
		rehearsalAt: time.nullable().default(null),
		note: text
	}),
	components: z
		.array(
			z.strictObject({
				id,
				parentId: idOrNull,
				position: z.number().int().min(0),
				code: z.string().min(1).max(20),
				name: z.string().min(1).max(120),
				kind: z.enum(KINDS),
				form: line,
				layer: z.number().int().min(0).max(20),
				zones: z.array(z.enum(ZONES)),
				side: z.enum(SIDES),
				count: z.number().int().min(1).max(1000),
				flex: z.enum(FLEXES),
				thicknessMm: z.number().min(0).max(200).nullable().default(null),
				source: z.enum(SOURCES),
				seenFrom: z.enum(SEEN_FROM),
				lookNeed: z.number().int().min(0).max(5),
				route: z.enum(ROUTE_KEYS).nullable(),
				note: text
			})
		)
		.max(2000),
	coats: z
		.array(
			z.strictObject({
				id,
				componentId: id,
				position: z.number().int().min(0),
				product: z.enum(COAT_PRODUCT_KEYS),
				coats: z.number().int().min(1).max(20),
				areaMm2: amount,
				fromPieces: z.boolean().default(false),
				recoatMinutes: minutes,
				handlingMinutes: minutes
			})
		)
		.max(5000),
	faults: z
		.array(
			z.strictObject({
				id,
				componentId: id,
				symptom: z.string().min(1).max(200),
				cause: line,
				cure: line,
				occasion: z.enum(OCCASIONS),
				happenedAt: time,
				minutesLost: minutes,
				cameBackOf: idOrNull
			})
		)
		.max(5000),
	steps: z
		.array(
			z.strictObject({
				id,
				componentId: id,
				position: z.number().int().min(0),
				name: z.string().min(1).max(120),
				technique: z.enum(TECHNIQUE_KEYS),
				phase: z.enum(PHASES),
				amount,
				fromPieces: z.boolean().default(false),
				perCopy: z.boolean(),
				setUpMinutes: minutes,
				waitMinutes: minutes,
				withinMinutes: minutes.nullable(),
				orAfterMinutes: minutes.nullable(),
				oneSitting: z.boolean(),
				needsHelper: z.boolean(),
				placeId: idOrNull.default(null),
				/** In forms 1 and 2: it needs the spray place of the workshop that reads the file. */
				needsSprayPlace: z.boolean().default(false),
				coatId: idOrNull,
				faultId: idOrNull,
				doneAt: time.nullable(),
				/** A start that is kept for it. */
				pinnedAt: time.nullable().default(null),
				/** Left out to be in time. */
				leftOut: z.boolean().default(false),
				after: z.array(id)
			})
		)
		.max(20_000),
	logs: z
		.array(
			z.strictObject({
				stepId: id,
				/** By name. */
				maker: line.nullable().default(null),
				startedAt: time,
				endedAt: time,
				minutes,
				note: text
			})
		)
		.max(100_000),
	materials: z
		.array(
			z.strictObject({
				id,
				name: z.string().min(1).max(120),
				family: z.enum(FAMILIES),
				unit: z.string().min(1).max(20),
				packSize: z.number().positive().max(1e6),
				packPriceMinor: minor,
				supplier: line,
				leadDays: z.number().int().min(0).max(400),
				leadWorkingDays: z.boolean(),
				coatProduct: z.enum(COAT_PRODUCT_KEYS).nullable(),
				thicknessMm: size.default(null),
				widthMm: size.default(null),
				lengthMm: size.default(null),
				gramsPerM2: size.default(null)
			})
		)
		.max(5000),
	needs: z
		.array(
			z.strictObject({
				componentId: id,
				materialId: id,
				quantity: z.number().positive().max(1e6),
				stepId: idOrNull,
				waste: z.number().min(1).max(5).nullable().default(null),
				taken: z.number().min(0).max(1e6).default(0)
			})
		)
		.max(20_000),
	purchases: z
		.array(
			z.strictObject({
				componentId: idOrNull,
				materialId: id,
				packs: z.number().int().min(1).max(10_000),
				packPriceMinor: minor,
				shippingMinor: minor,
				supplier: line,
				leadDays: z.number().int().min(0).max(400),
				leadWorkingDays: z.boolean(),
				state: z.enum(PURCHASE_STATES),
				orderedOn: date.nullable(),
				dueOn: date.nullable(),
				arrivedOn: date.nullable(),
				note: text
			})
		)
		.max(20_000),
	photos: z
		.array(
			z.strictObject({
				hash: z.string().regex(/^[0-9a-f]{64}$/),
				componentId: idOrNull,
				stepId: idOrNull,
				faultId: idOrNull,
				fittingId: idOrNull.default(null),
				caption: line,
				takenAt: time
			})
		)
		.max(5000),
	/** Places that steps need, with their hours. */
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
	/** The order of steps that a search found, while it is in use. */
	found: z
		.array(z.strictObject({ step: id, makers: z.array(line).max(20).optional() }))
		.max(20_000)
		.nullable()
		.default(null),
	/** Cutting layouts that are kept. */
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
		.default([]),
	...lookFields
});

export type CostumeFile = z.infer<typeof costumeFile>;

/** The file's content of a costume. A running timer is left out: it has no end yet. */
export function toCostumeFile(
	record: CostumeRecord,
	{ materials, places, makers }: Pick<Workshop, 'materials' | 'places' | 'makers'>,
	look: LookRecord,
	fit: MeasureRecord,
	layouts: readonly KeptLayout[]
): CostumeFile {
	const { costume } = record;
	const components = new Set(record.components.map((c) => c.id));
	const steps = byId([...record.steps, ...record.leftOut]);
	const stepIds = new Set(steps.map((s) => s.id));
	const needs = byId([...record.needs, ...record.leftOutNeeds]);
	const makerNames = new Map(makers.map((m) => [m.id, m.name]));
	const usedPlaces = new Set(steps.map((s) => s.placeId));
	const used = new Set([
		...needs.map((n) => n.materialId),
		...layouts.map((l) => l.materialId),
		...record.purchases.map((p) => p.materialId),
		...fit.shapes.flatMap((s) => s.materialId ?? [])
	]);
	const coats = new Set(record.coats.map((c) => c.product));
	const day = (d: number | null) => (d === null ? null : formatDate(d));
	return {
		format: COSTUME_FORMAT,
		version: COSTUME_VERSION,
		costume: {
			name: costume.name,
			wearer: costume.wearer,
			eventName: costume.eventName,
			eventAt: formatLocalTime(costume.eventAt),
			bufferDays: costume.bufferDays,
			limitMinor: costume.limitMinor,
			currency: costume.currency as CostumeFile['costume']['currency'],
			stashAtCost: costume.stashAtCost,
			split: costume.split,
			targetOdds: costume.targetOdds,
			rehearsalAt: costume.rehearsalAt === null ? null : formatLocalTime(costume.rehearsalAt),
			note: costume.note
		},
		components: byId(record.components).map(({ costumeId: _c, version: _v, ...c }) => c),
		coats: byId(record.coats).map((c) => ({
			id: c.id,
			componentId: c.componentId,
			position: c.position,
			product: c.product,
			coats: c.coats,
			areaMm2: c.area,
			fromPieces: c.fromPieces,
			recoatMinutes: c.recoatMinutes,
			handlingMinutes: c.handlingMinutes
		})),
		faults: byId(record.faults).map((f) => ({
			id: f.id,
			componentId: f.componentId,
			symptom: f.symptom,
			cause: f.cause,
			cure: f.cure,
			occasion: f.occasion,
			happenedAt: formatLocalTime(f.happenedAt),
			minutesLost: f.minutesLost,
			cameBackOf: f.cameBackOf
		})),
		steps: steps.map((s) => ({
			id: s.id,
			componentId: s.componentId,
			position: s.position,
			name: s.name,
			technique: s.technique,
			phase: s.phase,
			amount: s.amount,
			fromPieces: s.fromPieces,
			perCopy: s.perCopy,
			setUpMinutes: s.setUpMinutes,
			waitMinutes: s.waitMinutes,
			withinMinutes: s.withinMinutes,
			orAfterMinutes: s.orAfterMinutes,
			oneSitting: s.oneSitting,
			needsHelper: s.needsHelper,
			placeId: s.placeId,
			needsSprayPlace: false,
			coatId: s.coatId,
			faultId: s.faultId,
			doneAt: s.doneAt === null ? null : formatLocalTime(s.doneAt),
			pinnedAt: s.pinnedAt === null ? null : formatLocalTime(s.pinnedAt),
			leftOut: record.leftOut.includes(s),
			after: s.after
		})),
		logs: byId(record.logs)
			.filter((l) => l.endedAt !== null)
			.map((l) => ({
				stepId: l.stepId,
				maker: makerNames.get(l.makerId ?? 0) ?? null,
				startedAt: formatLocalTime(l.startedAt),
				endedAt: formatLocalTime(l.endedAt!),
				minutes: l.minutes,
				note: l.note
			})),
		materials: materials
			.filter((m) => used.has(m.id) || (m.coatProduct !== null && coats.has(m.coatProduct)))
			.map((m) => ({
				id: m.id,
				name: m.name,
				family: m.family,
				unit: m.unit,
				packSize: m.packSize,
				packPriceMinor: m.packPriceMinor,
				supplier: m.supplier,
				leadDays: m.leadDays,
				leadWorkingDays: m.leadWorkingDays,
				coatProduct: m.coatProduct,
				thicknessMm: m.thicknessMm,
				widthMm: m.widthMm,
				lengthMm: m.lengthMm,
				gramsPerM2: m.gramsPerM2
			})),
		needs: needs.map((n) => ({
			componentId: n.componentId,
			materialId: n.materialId,
			quantity: n.quantity,
			stepId: n.stepId,
			waste: n.waste,
			taken: n.taken
		})),
		purchases: byId(record.purchases).map((p) => ({
			componentId: p.componentId,
			materialId: p.materialId,
			packs: p.packs,
			packPriceMinor: p.packPriceMinor,
			shippingMinor: p.shippingMinor,
			supplier: p.supplier,
			leadDays: p.leadDays,
			leadWorkingDays: p.leadWorkingDays,
			state: p.state,
			orderedOn: day(p.orderedOn),
			dueOn: day(p.dueOn),
			arrivedOn: day(p.arrivedOn),
			note: p.note
		})),
		photos: byId(record.photos).map((p) => ({
			hash: p.hash,
			componentId: p.componentId,
			stepId: p.stepId,
			faultId: p.faultId,
			fittingId: p.fittingId,
			caption: p.caption,
			takenAt: formatLocalTime(p.takenAt)
		})),
		places: places
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
		layouts: byId(layouts).flatMap((l) => {
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
				cutAt: l.cutAt === null ? null : formatLocalTime(l.cutAt),
				fromStash: l.fromStash
			};
		}),
		...toLookFile(look, fit)
	};
}

/** As they were written down: reading gives new ids in the same order. */
const byId = <T extends { id: number }>(rows: readonly T[]): T[] => [...rows].sort((a, b) => a.id - b.id);

/** Reads and checks the content: the reason in words when it cannot be used. */
export function readCostumeFile(
	json: unknown
): { ok: true; file: CostumeFile } | { ok: false; reason: string } {
	const head = json as { format?: unknown; version?: unknown } | null;
	if (typeof head !== 'object' || head === null || head.format !== COSTUME_FORMAT)
		return { ok: false, reason: 'This is not a costume file of Dapper Ledger.' };
	if (typeof head.version === 'number' && head.version > COSTUME_VERSION)
		return {
			ok: false,
			reason: `The file was written by a newer Dapper Ledger (form ${head.version}, this one knows ${COSTUME_VERSION}).`
		};
	const parsed = costumeFile.safeParse(json);
	if (!parsed.success) {
		const issue = parsed.error.issues[0]!;
		return {
			ok: false,
			reason: `The file has a wrong field: ${issue.path.join('.') || 'top'} — ${issue.message}.`
		};
	}
	const dangling = findDangling(parsed.data);
	return dangling ? { ok: false, reason: dangling } : { ok: true, file: parsed.data };
}

type Ids = Set<number>;
type Tuple9 = [Ids, Ids, Ids, Ids, Ids, Ids, Ids, Ids, Ids];

/** Links that lead nowhere, and parts that contain themselves. */
function findDangling(file: CostumeFile): string | null {
	const ids = (rows: readonly { id: number }[]) => new Set(rows.map((r) => r.id));
	const [components, steps, coats, faults, materials, pictures, wearers, fittings, places] = [
		file.components,
		file.steps,
		file.coats,
		file.faults,
		file.materials,
		file.pictures,
		file.wearers,
		file.fittings,
		file.places
	].map(ids) as Tuple9;
	const lists = { components, steps, pictures, wearers, materials };
	const links: [string, number | null, Set<number>][] = [
		...file.components.map((c): [string, number | null, Set<number>] => [
			'component part of',
			c.parentId,
			components
		]),
		...[...file.coats, ...file.faults, ...file.steps, ...file.needs, ...file.purchases, ...file.photos].map(
			(r): [string, number | null, Set<number>] => ['component', r.componentId, components]
		),
		...file.steps.flatMap((s): [string, number | null, Set<number>][] => [
			['coat', s.coatId, coats],
			['fault', s.faultId, faults],
			['place', s.placeId, places],
			...s.after.map((a): [string, number, Set<number>] => ['step', a, steps])
		]),
		...file.logs.map((l): [string, number | null, Set<number>] => ['step', l.stepId, steps]),
		...file.needs.flatMap((n): [string, number | null, Set<number>][] => [
			['material', n.materialId, materials],
			['step', n.stepId, steps]
		]),
		...file.purchases.map((p): [string, number | null, Set<number>] => ['material', p.materialId, materials]),
		...file.photos.flatMap((p): [string, number | null, Set<number>][] => [
			['step', p.stepId, steps],
			['fault', p.faultId, faults],
			['fitting', p.fittingId, fittings]
		]),
		...(file.found ?? []).map((f): [string, number | null, Set<number>] => ['step', f.step, steps]),
		...file.layouts.flatMap((l): [string, number | null, Set<number>][] => [
			['material', l.materialId, materials],
			...l.plan.pieces.map((p): [string, number, Set<number>] => ['component', p.componentId, components])
		]),
		...lookLinks(file).map(([name, at, list]): [string, number | null, Set<number>] => [
			name,
			at,
			lists[list]
		]),
		...file.faults.map((f): [string, number | null, Set<number>] => ['fault', f.cameBackOf, faults])
	];
	const broken = links.find(([, to, known]) => to !== null && !known.has(to));
	if (broken) return `The file has a link that leads nowhere: ${broken[0]} ${broken[1]}.`;
	const parents = new Map(file.components.map((c) => [c.id, c.parentId]));
	for (const c of file.components) {
		const seen = new Set<number>();
		for (let at: number | null | undefined = c.id; at != null; at = parents.get(at)) {
			if (seen.has(at)) return `The file has a component that is a part of itself: ${c.code}.`;
			seen.add(at);
		}
	}
	const codes = new Set(file.components.map((c) => c.code));
	return codes.size < file.components.length ? 'The file has two components with the same code.' : null;
}
