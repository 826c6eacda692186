import { z } from 'zod';
import { entriesOf } from '$core/answers/jointPurchase.ts';
import { packsOf, listLines, openPurchases } from '$core/answers/purchase.ts';
import { workshopFor } from '$core/answers/stash.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Purchase } from '$core/facts/material.ts';
import { parseBreaks, parseDays } from '$core/formats/terms.ts';
import { CURRENCIES, parseMoney, type Currency } from '$core/units/money.ts';
import { formatDate } from '$core/units/localTime.ts';
import { namesWords } from '$core/units/names.ts';
import { say, type Parsed } from '$core/units/problem.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, insertAll, selectOfCostumes, update } from '../db/tables.ts';
import { loadJoints } from '../read/joints.ts';
import { loadOffers } from '../read/workshop.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { takeOff } from './joint.ts';

const supplierShape = ({ settings }: Context) => ({
	name: f.name(),
	currency: f.choice(CURRENCIES).default(settings.currency as Currency),
	shipping: f.text(),
	freeFrom: f.text(),
	minOrder: f.text(),
	days: z
		.array(f.whole(1, 7))
		.default([])
		.refine((d) => d.length > 0, 'Choose at least one day.'),
	closed: f.read(parseDays).default([]),
	note: f.note()
});

/** Money that is read in the currency of its row. */
function priced(text: string, currency: string, field: string): number | null {
	if (text.trim() === '') return null;
	return readOr(parseMoney(text, currency), field);
}

function readOr<T>(read: Parsed<T>, field: string): T {
	if (!read.ok) throw new Refused(say(read.problem), field);
	return read.value;
}

type SupplierInput = z.infer<z.ZodObject<ReturnType<typeof supplierShape>>>;

const supplierRow = ({
	name,
	currency,
	shipping,
	freeFrom,
	minOrder,
	days,
	closed,
	note
}: SupplierInput) => ({
	name,
	currency,
	shippingMinor: priced(shipping, currency, 'shipping') ?? 0,
	freeFromMinor: priced(freeFrom, currency, 'freeFrom'),
	minOrderMinor: priced(minOrder, currency, 'minOrder'),
	workingDays: [...new Set(days)].sort(),
	closed: closed.map(formatDate),
	note
});

async function refuseTwice(tx: Executor, name: string, id: number): Promise<void> {
	const other = await one(tx, 'select id from supplier where lower(name) = lower($1) and id <> $2', [
		name,
		id
	]);
	if (other) throw new Refused(`${name} is there already.`, 'name');
}

const offerShape = () => ({
	supplierId: f.id(),
	packSize: f.above0(1_000_000),
	packPrice: f.text(),
	breaks: f.text(2000),
	leadDays: f.orNull(f.whole(0, 400)),
	mostPacks: f.orNull(f.whole(0, 100_000)),
	note: f.text()
});

/** A row of a price list, which names its material and its supplier. */
export const offerLine = () => {
	const { supplierId: _, ...shape } = offerShape();
	return z.object({ material: f.name(), supplier: f.name(), ...shape });
};

type OfferInput = z.infer<z.ZodObject<ReturnType<typeof offerShape>>>;

async function offerRow(tx: Executor, { supplierId, packPrice, breaks, ...rest }: OfferInput) {
	const its = await one<{ currency: string; name: string }>(
		tx,
		'select currency, name from supplier where id = $1',
		[supplierId]
	);
	if (!its) throw new Absent('supplier');
	return {
		supplier: its.name,
		row: { supplierId, ...offerTerms({ packPrice, breaks, ...rest }, its.currency) }
	};
}

/** What an offer says, with its money read in the currency of its supplier. */
export function offerTerms<T extends Pick<OfferInput, 'packPrice' | 'breaks'>>(
	{ packPrice, breaks, ...rest }: T,
	currency: string
) {
	const packPriceMinor = priced(packPrice, currency, 'packPrice');
	if (packPriceMinor === null) throw new Refused('Needs a price.', 'packPrice');
	return { packPriceMinor, breaks: readOr(parseBreaks(breaks, currency), 'breaks'), ...rest };
}

async function materialName(tx: Executor, id: number): Promise<string> {
	const row = await one<{ name: string }>(tx, 'select name from material where id = $1', [id]);
	if (!row) throw new Absent('material');
	return row.name;
}

/** A supplier by its name, added on the usual terms when it is not known. */
export async function supplierFor(tx: Executor, name: string, currency: string): Promise<number> {
	const known = await one<{ id: number }>(tx, 'select id from supplier where lower(name) = lower($1)', [
		name
	]);
	return known?.id ?? insert(tx, 'supplier', { name, currency });
}

/** An offer, in place of one of the same pack by the same supplier. */
export async function putOffer(
	tx: Executor,
	materialId: number,
	input: OfferInput
): Promise<'added' | 'changed'> {
	const { row } = await offerRow(tx, input);
	const known = await one<{ id: number; version: number }>(
		tx,
		'select id, version from offer where material_id = $1 and supplier_id = $2 and pack_size = $3',
		[materialId, row.supplierId, row.packSize]
	);
	if (known) await update(tx, 'offer', known, row);
	else await insert(tx, 'offer', { materialId, ...row });
	return known ? 'changed' : 'added';
}

export const supplierCommands = {
	addSupplier: command(
		(context) => z.object(supplierShape(context)),
		async (tx, v) => {
			await refuseTwice(tx, v.name, 0);
			return {
				words: `Added supplier ${v.name}`,
				result: { id: await insert(tx, 'supplier', supplierRow(v)) }
			};
		}
	),

	editSupplier: command(
		(context) => z.object({ id: f.id(), version: f.version(), ...supplierShape(context) }),
		async (tx, v) => {
			await refuseTwice(tx, v.name, v.id);
			await update(tx, 'supplier', v, supplierRow(v));
			return { words: `Changed supplier ${v.name}` };
		}
	),

	removeSupplier: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const row = await one<{ name: string; offers: number }>(
				tx,
				'select s.name, (select count(*)::integer from offer where supplier_id = s.id) as offers from supplier s where s.id = $1',
				[id]
			);
			if (!row) throw new Absent('supplier');
			await tx.query('delete from supplier where id = $1', [id]);
			return { words: `Removed supplier ${row.name}${row.offers > 0 ? ` with ${row.offers} offers` : ''}` };
		}
	),

	addOffer: command(
		() => z.object({ materialId: f.id(), ...offerShape() }),
		async (tx, { materialId, ...v }) => {
			const name = await materialName(tx, materialId);
			const { supplier, row } = await offerRow(tx, v);
			await insert(tx, 'offer', { materialId, ...row });
			return { words: `${supplier} offers ${name}` };
		}
	),

	editOffer: command(
		() => z.object({ id: f.id(), version: f.version(), ...offerShape() }),
		async (tx, { id, version, ...v }) => {
			const { supplier, row } = await offerRow(tx, v);
			await update(tx, 'offer', { id, version }, row);
			return { words: `Changed an offer of ${supplier}` };
		}
	),

	removeOffer: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const row = await one<{ name: string; supplier: string }>(
				tx,
				`select m.name, s.name as supplier from offer o join material m on m.id = o.material_id join supplier s on s.id = o.supplier_id
				where o.id = $1`,
				[id]
			);
			if (!row) throw new Absent('offer');
			await tx.query('delete from offer where id = $1', [id]);
			return { words: `Removed the offer of ${row.name} by ${row.supplier}` };
		}
	)
};

const chosen = z
	.array(
		z.strictObject({
			pack: z.string().max(40),
			packs: z.number().int().min(1).max(10_000),
			to: z
				.array(z.strictObject({ costumeId: z.number().int(), units: z.number().positive() }))
				.min(1)
				.max(200)
				.refine((list) => new Set(list.map((s) => s.costumeId)).size === list.length)
		})
	)
	.min(1)
	.max(1000)
	.refine((list) => new Set(list.map((c) => c.pack)).size === list.length);

/** The costumes that buy: all at work, and paid for in one currency. */
function buyersOf(ids: readonly number[], { shop }: Context): CostumeRecord[] {
	const records = ids.map((id) => shop!.atWork.find((c) => c.record.costume.id === id)?.record);
	const found = records.filter((r) => r !== undefined);
	if (found.length === 0 || found.length < ids.length) throw new Absent('costume');
	if (new Set(found.map((r) => r.costume.currency)).size > 1)
		throw new Refused('What costumes buy together is paid in one currency.');
	return found;
}

export const buyCommands = {
	/**
	 * The chosen packs take the place of what was only on the lists of these costumes; prices and terms are those that stand now. A pack that
	 * is for several is on the list of each with its share.
	 */
	buyChosen: command(
		() => z.object({ costumes: f.idsInTurn(), chosen: f.json(chosen, 'Choose what to buy anew.') }),
		async (tx, v, context) => {
			const { shop } = context;
			const buyers = buyersOf(v.costumes, context);
			const { currency } = buyers[0]!.costume;
			const workshop = workshopFor(shop!.workshop, { currency }, new Map());
			const { packs } = packsOf(workshop.materials, await loadOffers(tx, null), workshop, currency);
			const bought = v.chosen.map(({ pack: id, packs: count, to }) => {
				const pack = packs.find((p) => p.id === id);
				if (!pack || to.some((s) => !v.costumes.includes(s.costumeId))) throw new Absent('offer');
				const units = to.reduce((sum, s) => sum + s.units, 0);
				if (Math.abs(units - count * pack.packSize) > 1e-6 * units)
					throw new Refused('A pack has changed since it was chosen. Choose anew.');
				return { pack, packs: count, to };
			});
			const materials = new Set(bought.map((b) => b.pack.materialId));
			const lists = await selectOfCostumes<Purchase>(tx, 'purchase', v.costumes);
			const open = openPurchases(
				v.costumes.map((costumeId) => ({
					costumeId,
					purchases: lists.filter((p) => p.costumeId === costumeId)
				})),
				await loadJoints(tx, v.costumes)
			);
			await takeOff(
				tx,
				open.filter((p) => materials.has(p.materialId))
			);
			for (const [k, line] of listLines(bought, workshop, currency).entries()) {
				const entries = entriesOf(line, bought[k]!.to);
				const { packs, pack, packPriceMinor, shippingMinor } = line;
				const jointId = entries[0]!.joint
					? await insert(tx, 'joint_purchase', {
							packs,
							packSize: pack.packSize,
							packPriceMinor,
							shippingMinor
						})
					: null;
				await insertAll(
					tx,
					'purchase',
					entries.map((e) => ({
						costumeId: e.costumeId,
						componentId: null,
						jointId,
						materialId: pack.materialId,
						packs: e.packs,
						packSize: e.packSize,
						packPriceMinor: e.packPriceMinor,
						shippingMinor: e.shippingMinor,
						supplier: pack.supplier,
						leadDays: pack.leadDays,
						leadWorkingDays: pack.leadWorkingDays
					}))
				);
			}
			const names = bought.map((b) => {
				const its = workshop.materials.find((m) => m.id === b.pack.materialId)!;
				return `${b.packs} × ${its.name}`;
			});
			const whose =
				buyers.length > 1 ? `the lists of ${namesWords(buyers.map((r) => r.costume.name))}` : 'the list';
			return { words: `Put on ${whose}: ${namesWords(names)}` };
		},
		{ shop: true }
	)
};
