import { choosePacks } from '../engines/purchase/choose.ts';
import { offeredOf, packPrice } from '../engines/purchase/offered.ts';
import type { Bought, Chosen, PackTask, Solve } from '../engines/purchase/task.ts';
import type { Purchase } from '../facts/material.ts';
import { supplierKey, withSender, type Supplier } from '../facts/supplier.ts';
import { arrivalDay } from './leadTime.ts';
import { isOpenPurchase, laterToo, listLines, type ListLine, type Pack } from './purchase.ts';

/** What is to be bought; what nothing covers in time is bought as soon as it can be. */
export interface PurchaseChoice {
	chosen: Chosen;
	/** Offers that are in time and not chosen: how much more the whole would cost with at least one pack of it. */
	dearer: { offer: string; moreMinor: number }[];
}

/** An offer that is not taken is asked about for so long at most, seconds: mostly it takes a fiftieth of that. */
const ASKING = 2;

/**
 * The best purchase, and what every other pack would cost on top. What cannot be here in time is bought as soon as it can be.
 * Tells the choice first, and then again with each offer that was asked about.
 */
export function* choosePurchase(
	task: PackTask,
	solve: Solve,
	seconds: number
): Generator<PurchaseChoice, PurchaseChoice> {
	const inTime = choosePacks(task, solve, seconds);
	const late = inTime.short.some((s) => s.soonest !== null);
	const whole = late ? laterToo(task, inTime) : task;
	const chosen = late ? choosePacks(whole, solve, seconds) : inTime;
	const choice: PurchaseChoice = { chosen, dearer: [] };
	yield choice;
	const bought = new Set(chosen.buy.map((b) => b.offer));
	const open = new Set(chosen.short.map((s) => s.need));
	for (const { offer } of offeredOf(whole).offered) {
		if (bought.has(offer.id) || open.has(offer.need)) continue;
		const offers = whole.offers.map((o) => (o.id === offer.id ? { ...o, least: 1 } : o));
		const { totalMinor, proved } = choosePacks({ ...whole, offers, aim: 'cheapest' }, solve, ASKING);
		const moreMinor = totalMinor - chosen.totalMinor;
		if (proved) choice.dearer = [...choice.dearer, { offer: offer.id, moreMinor }];
		yield { ...choice };
	}
	return { ...choice };
}

/** A pack that is not bought, and why not. */
export interface PassedOver {
	pack: Pack;
	/** The day on which it would come. */
	arrives: number;
	why: 'unwanted' | 'tooLate' | 'dearer' | 'notAsked';
	/** What the whole would cost more with at least one of it, where that was asked about. */
	moreMinor: number | null;
}

/** One material of a purchase: what is needed, in which packs it comes, and what was passed over. */
export interface PurchaseRow {
	materialId: number;
	amount: number;
	/** Wanted on this day at the latest; null: whenever. */
	by: number | null;
	bought: { pack: Pack; packs: number; costMinor: number; arrives: number; late: boolean }[];
	/** Left over of all packs. */
	over: number;
	/** How much of the last pack is used, and what that pack costs: told where less than half of it is. */
	last: { used: number; costMinor: number } | null;
	/** It cannot be bought at all. */
	short: boolean;
	others: PassedOver[];
}

/** Less of a pack than this is hardly worth it: it is told. */
const HARDLY = 0.5;

/** The choice, material by material, dearest first. */
export function purchaseRows(
	task: PackTask,
	{ chosen, dearer }: PurchaseChoice,
	packs: readonly Pack[],
	without: ReadonlySet<string>,
	suppliers: readonly Supplier[]
): PurchaseRow[] {
	const byId = new Map(packs.map((p) => [p.id, p]));
	const more = new Map(dearer.map((d) => [d.offer, d.moreMinor]));
	const rows = task.needs.map(({ id, amount, by }): PurchaseRow => {
		const its = chosen.buy.flatMap((b) => {
			const pack = byId.get(b.offer);
			return pack && String(pack.materialId) === id
				? [
						{
							pack,
							packs: b.packs,
							costMinor: b.costMinor,
							arrives: b.arrives,
							late: by !== null && b.arrives > by
						}
					]
				: [];
		});
		const over = chosen.over.find((o) => o.need === id)?.amount ?? 0;
		const smallest = [...its].sort((a, b) => a.pack.packSize - b.pack.packSize)[0];
		const used = smallest ? smallest.pack.packSize - over : 0;
		return {
			materialId: Number(id),
			amount,
			by,
			bought: its,
			over,
			last:
				smallest && used > 0 && used < HARDLY * smallest.pack.packSize
					? { used, costMinor: packPrice(smallest.pack, smallest.packs) }
					: null,
			short: its.length === 0,
			others: packs
				.filter((p) => String(p.materialId) === id && !its.some((b) => b.pack.id === p.id))
				.map((pack): PassedOver => {
					const arrives = arrivalDay(task.start, withSender(pack, suppliers));
					const moreMinor = more.get(pack.id) ?? null;
					const tooLate = by !== null && arrives > by;
					return {
						pack,
						arrives,
						moreMinor,
						why: without.has(pack.id)
							? 'unwanted'
							: moreMinor !== null
								? 'dearer'
								: tooLate
									? 'tooLate'
									: 'notAsked'
					};
				})
		};
	});
	const cost = (r: PurchaseRow) => r.bought.reduce((sum, b) => sum + b.costMinor, 0);
	return rows.sort((a, b) => Number(a.short) - Number(b.short) || cost(b) - cost(a));
}

/** A parcel as it is bought: what is in it, what it costs, and when the last of it is here. */
export interface Parcel {
	supplier: string;
	goodsMinor: number;
	shippingMinor: number;
	arrives: number;
	lines: ListLine[];
}

/** What is bought, by supplier, the first that comes first. */
export function parcelsOf(
	buy: readonly Bought[],
	packs: readonly Pack[],
	workshop: Parameters<typeof listLines>[1],
	currency: string
): Parcel[] {
	const arrives = new Map(buy.map((b) => [b.offer, b.arrives]));
	const bought = buy.flatMap((b) => {
		const pack = packs.find((p) => p.id === b.offer);
		return pack ? [{ pack, packs: b.packs }] : [];
	});
	const bySupplier = new Map<string, ListLine[]>();
	for (const line of listLines(bought, workshop, currency)) {
		const key = supplierKey(line.pack.supplier);
		bySupplier.set(key, [...(bySupplier.get(key) ?? []), line]);
	}
	return [...bySupplier.values()]
		.map((lines): Parcel => ({
			supplier: lines[0]!.pack.supplier,
			goodsMinor: lines.reduce((sum, l) => sum + l.packs * l.packPriceMinor, 0),
			shippingMinor: lines.reduce((sum, l) => sum + l.shippingMinor, 0),
			arrives: Math.max(...lines.map((l) => arrives.get(l.pack.id)!)),
			lines
		}))
		.sort((a, b) => a.arrives - b.arrives);
}

/** Whether the list says of what was chosen the same, pack for pack and coin for coin. */
export function isListed(parcels: readonly Parcel[], purchases: readonly Purchase[]): boolean {
	const lines = parcels.flatMap((p) => p.lines);
	const materials = new Set(lines.map((l) => l.pack.materialId));
	const written = (
		of: Pick<Purchase, 'packs' | 'packSize' | 'packPriceMinor' | 'shippingMinor'>,
		materialId: number,
		supplier: string
	) =>
		[materialId, supplierKey(supplier), of.packs, of.packSize, of.packPriceMinor, of.shippingMinor].join('|');
	const chosen = lines.map((l) =>
		written({ ...l, packSize: l.pack.packSize }, l.pack.materialId, l.pack.supplier)
	);
	const listed = purchases
		.filter((p) => isOpenPurchase(p) && materials.has(p.materialId))
		.map((p) => written(p, p.materialId, p.supplier));
	return chosen.sort().join('\n') === listed.sort().join('\n');
}
