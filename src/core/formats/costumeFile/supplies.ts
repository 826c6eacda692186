import { z } from 'zod';
import type { costumeFields } from './costume.ts';
import { usagesOf } from '../../answers/shopping.ts';
import { FAMILIES, PURCHASE_STATES } from '../../facts/material.ts';
import { CURRENCIES } from '../../units/money.ts';
import { lab } from './palette.ts';
import { handbookKey } from '../../trade/handbookRow.ts';
import {
	byId,
	COSTUME,
	date,
	dayOrNull,
	id,
	idOrNull,
	line,
	minor,
	size,
	text,
	type CostumeSource,
	type FileOf,
	type Rows
} from './fields.ts';

/** Materials, what takes them, and what is bought. */
export const supplyFields = {
	materials: z
		.array(
			z.strictObject({
				id,
				name: z.string().min(1).max(120),
				/** Since form 11. */
				colour: line.default(''),
				family: z.enum(FAMILIES),
				unit: z.string().min(1).max(20),
				packSize: z.number().positive().max(1e6),
				/** Null where nobody knows it. Before form 4 nothing stood for that too. */
				packPriceMinor: minor.nullable(),
				/** Of the price; the costume's, where it is not said. */
				currency: z.enum(CURRENCIES).nullable().default(null),
				supplier: line,
				leadDays: z.number().int().min(0).max(400).nullable(),
				leadWorkingDays: z.boolean(),
				coatProduct: handbookKey.nullable(),
				/** A supply of the handbook; since form 8. */
				supply: handbookKey.nullable().default(null),
				thicknessMm: size.default(null),
				widthMm: size.default(null),
				lengthMm: size.default(null),
				gramsPerM2: size.default(null),
				/** Percent of its length; since form 6. */
				stretchAcross: z.number().min(0).max(200).nullable().default(null),
				stretchAlong: z.number().min(0).max(200).nullable().default(null),
				/** mm² that a pack covers with one coat; since form 5. */
				coversMm2: z.number().positive().max(1e9).nullable().default(null),
				/** How it looks, dry; since form 12. */
				lab: lab.nullable().default(null)
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
				guessed: z.boolean().default(false),
				/** Since form 8. */
				byWork: z.boolean().nullable().default(null),
				taken: z.number().min(0).max(1e6).default(0),
				/** What that cost; since form 9. */
				takenMinor: minor.nullable().default(null)
			})
		)
		.max(20_000),
	purchases: z
		.array(
			z.strictObject({
				componentId: idOrNull,
				materialId: id,
				packs: z.number().int().min(1).max(10_000),
				/** Units in a pack; null: of the material's own. Since form 7. */
				packSize: z.number().positive().max(1e6).nullable().default(null),
				packPriceMinor: minor.nullable(),
				shippingMinor: minor,
				supplier: line,
				leadDays: z.number().int().min(0).max(400).nullable(),
				leadWorkingDays: z.boolean(),
				state: z.enum(PURCHASE_STATES),
				orderedOn: date.nullable(),
				dueOn: date.nullable(),
				arrivedOn: date.nullable(),
				/** Of what was sent back; since form 8. */
				refundMinor: minor.default(0),
				/** Units that were left over and went to the stash; since form 9. */
				stashed: z.number().min(0).max(1e6).default(0),
				note: text
			})
		)
		.max(20_000)
};

export const writeSupplies = ({ record, workshop, fit, layouts }: CostumeSource) => {
	const needs = byId([...record.needs, ...record.leftOutNeeds]);
	const used = new Set([
		...needs.map((n) => n.materialId),
		...layouts.map((l) => l.materialId),
		...record.purchases.map((p) => p.materialId),
		...record.palette.flatMap((c) => c.mix.map((part) => part.materialId)),
		...record.swatches.flatMap((s) => s.materialId ?? []),
		...fit.shapes.flatMap((s) => [s.materialId ?? [], ...Object.values(s.roles)].flat())
	]);
	const coats = new Set(record.coats.map((c) => c.product));
	const asked = new Set(usagesOf(record, workshop).map((u) => u.materialId));
	return {
		materials: workshop.materials
			.filter(
				(m) => used.has(m.id) || asked.has(m.id) || (m.coatProduct !== null && coats.has(m.coatProduct))
			)
			.map((m) => ({
				id: m.id,
				name: m.name,
				colour: m.colour,
				lab: m.lab,
				family: m.family,
				unit: m.unit,
				packSize: m.packSize,
				packPriceMinor: m.packPriceMinor,
				currency: m.currency as (typeof CURRENCIES)[number],
				supplier: m.supplier,
				leadDays: m.leadDays,
				leadWorkingDays: m.leadWorkingDays,
				coatProduct: m.coatProduct,
				supply: m.supply,
				thicknessMm: m.thicknessMm,
				widthMm: m.widthMm,
				lengthMm: m.lengthMm,
				gramsPerM2: m.gramsPerM2,
				stretchAcross: m.stretchAcross,
				stretchAlong: m.stretchAlong,
				coversMm2: m.coversMm2
			})),
		needs: needs.map((n) => ({
			componentId: n.componentId,
			materialId: n.materialId,
			quantity: n.quantity,
			stepId: n.stepId,
			waste: n.waste,
			guessed: n.guessed,
			byWork: n.byWork,
			taken: n.taken,
			takenMinor: n.takenMinor
		})),
		purchases: byId(record.purchases).map((p) => ({
			componentId: p.componentId,
			materialId: p.materialId,
			packs: p.packs,
			packSize: p.packSize,
			packPriceMinor: p.packPriceMinor,
			shippingMinor: p.shippingMinor,
			supplier: p.supplier,
			leadDays: p.leadDays,
			leadWorkingDays: p.leadWorkingDays,
			state: p.state,
			orderedOn: dayOrNull(p.orderedOn),
			dueOn: dayOrNull(p.dueOn),
			arrivedOn: dayOrNull(p.arrivedOn),
			refundMinor: p.refundMinor,
			stashed: p.stashed,
			note: p.note
		}))
	};
};

/** What costs and needs are of: before all that is put on or cut from it. */
export const materialRows = ({
	version,
	costume,
	materials
}: FileOf<typeof supplyFields> & FileOf<typeof costumeFields> & { version: number }): Rows[] => [
	{
		table: 'material',
		// Before form 4 a price was in the costume's currency, and nothing stood for one that nobody knew.
		rows: materials.map((m) => ({
			...m,
			currency: m.currency ?? costume.currency,
			packPriceMinor: m.packPriceMinor === 0 && version < 4 ? null : m.packPriceMinor
		}))
	}
];

export const supplyRows = ({ needs, purchases }: FileOf<typeof supplyFields>): Rows[] => [
	{ table: 'need', rows: needs },
	{ table: 'purchase', rows: purchases.map((p) => ({ ...p, costumeId: COSTUME })) }
];
