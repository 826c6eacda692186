import { choosePacks } from '../engines/purchase/choose.ts';
import { offeredOf, packPrice } from '../engines/purchase/offered.ts';
import type { Bought, Chosen, PackTask, Solve } from '../engines/purchase/task.ts';
import type { Purchase } from '../facts/material.ts';
import { supplierKey, withSender, type Supplier } from '../facts/supplier.ts';
import { arrivalDay } from './leadTime.ts';
import { sharesOf, type Entry, type Share } from './jointPurchase.ts';
import { laterToo, listLines, type ListLine, type Pack, type Want } from './purchase.ts';

/** What is to be bought; what nothing covers in time is bought as soon as it can be. */
export interface PurchaseChoice {
	chosen: Chosen;
	/** Offers that are in time and not chosen: how much more the whole would cost with at least one pack of it. */
	dearer: { offer: string; moreMinor: number }[];
	/** What it would come to, bought by each apart; null where it is bought by one, and where either leaves something out. */
	apartMinor: number | null;
}

/** An offer that is not taken is asked about for so long at most, seconds: mostly it takes a fiftieth of that. */
const ASKING = 2;

/**
 * The best purchase, and what every other pack would cost on top. What cannot be here in time is bought as soon as it can be.
 * Tells the choice first, and then again with each offer that was asked about.
 * @param apart of each that buys, where there are several
 */
export function* choosePurchase(
	task: PackTask,
	solve: Solve,
	seconds: number,
	apart: readonly PackTask[] = []
): Generator<PurchaseChoice, PurchaseChoice> {
	const { whole, chosen } = bestOf(task, solve, seconds);
	const choice: PurchaseChoice = { chosen, dearer: [], apartMinor: null };
	yield choice;
	if (apart.length > 0 && chosen.short.length === 0) {
		const each = apart.map((t) => bestOf(t, solve, seconds).chosen);
		if (each.every((c) => c.short.length === 0 && c.proved))
			choice.apartMinor = each.reduce((sum, c) => sum + c.totalMinor, 0);
		yield { ...choice };
	}
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

function bestOf(task: PackTask, solve: Solve, seconds: number): { whole: PackTask; chosen: Chosen } {
	const inTime = choosePacks(task, solve, seconds);
	if (!inTime.short.some((s) => s.soonest !== null)) return { whole: task, chosen: inTime };
	const whole = laterToo(task, inTime);
	return { whole, chosen: choosePacks(whole, solve, seconds) };
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
	/** By whom. */
	wants: Want[];
	/** With what of it is for which costume. */
	bought: { pack: Pack; packs: number; costMinor: number; arrives: number; shares: Share[] }[];
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

/** What is bought of each pack, with what of it is for which costume. */
export function boughtPacks(
	buy: readonly Bought[],
	packs: readonly Pack[],
	wants: readonly Want[]
): (Bought & { pack: Pack; shares: Share[] })[] {
	const byId = new Map(packs.map((p) => [p.id, p]));
	const its = buy.flatMap((b) => {
		const pack = byId.get(b.offer);
		return pack ? [{ ...b, pack }] : [];
	});
	const shares = sharesOf(its, wants);
	return its.map((b, k) => ({ ...b, shares: shares[k]! }));
}

/** The choice, material by material, dearest first. */
export function purchaseRows(
	task: PackTask,
	wants: readonly Want[],
	{ chosen, dearer }: PurchaseChoice,
	packs: readonly Pack[],
	without: ReadonlySet<string>,
	suppliers: readonly Supplier[]
): PurchaseRow[] {
	const all = boughtPacks(chosen.buy, packs, wants);
	const more = new Map(dearer.map((d) => [d.offer, d.moreMinor]));
	const rows = task.needs.map(({ id, amount, by }): PurchaseRow => {
		const its = all.filter((b) => String(b.pack.materialId) === id);
		const over = chosen.over.find((o) => o.need === id)?.amount ?? 0;
		const smallest = [...its].sort((a, b) => a.pack.packSize - b.pack.packSize)[0];
		const used = smallest ? smallest.pack.packSize - over : 0;
		return {
			materialId: Number(id),
			amount,
			by,
			wants: wants.filter((w) => String(w.materialId) === id),
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

/** Whether the lists say of what was chosen the same, pack for pack and coin for coin. @param open what may be bought otherwise */
export function isListed(entries: readonly Entry[], open: readonly Purchase[]): boolean {
	const materials = new Set(entries.map((e) => e.pack.materialId));
	const written = (
		of: Pick<Purchase, 'costumeId' | 'packs' | 'packSize' | 'packPriceMinor' | 'shippingMinor'>,
		materialId: number,
		supplier: string,
		joint: boolean
	) =>
		[
			of.costumeId,
			materialId,
			supplierKey(supplier),
			of.packs,
			of.packSize === null ? null : of.packSize.toPrecision(12),
			of.packPriceMinor,
			of.shippingMinor,
			joint
		].join('|');
	const chosen = entries.map((e) => written(e, e.pack.materialId, e.pack.supplier, e.joint));
	const listed = open
		.filter((p) => materials.has(p.materialId))
		.map((p) => written(p, p.materialId, p.supplier, p.jointId !== null));
	return chosen.sort().join('\n') === listed.sort().join('\n');
}
