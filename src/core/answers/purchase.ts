import { choosePacks } from '../engines/purchase/choose.ts';
import { offeredOf, packPrice } from '../engines/purchase/offered.ts';
import type { Aim, Chosen, PackNeed, PackTask, Solve } from '../engines/purchase/task.ts';
import { unitsOf, type Material, type Purchase } from '../facts/material.ts';
import { supplierKey, supplierNamed, type Offer, type Supplier } from '../facts/supplier.ts';
import { EVERY_DAY, MONDAY_TO_FRIDAY, workingDaysAfter } from '../facts/workingDays.ts';
import type { Workshop } from '../facts/workshop.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';
import { exchanged, shared } from '../units/money.ts';
import { GRACE } from '../units/packs.ts';
import type { OrderBy } from './arrivals.ts';
import { ARRIVAL_CLOCK, leadDaysOf } from './leadTime.ts';
import { rateBetween } from './prices.ts';
import type { ShoppingLine } from './shopping.ts';

/** A pack that can be bought: the usual one of a material, or an offer. Prices are in the currency that was asked for. */
export interface Pack {
	/** `usual 3` of a material, `offer 7`. */
	id: string;
	materialId: number;
	supplier: string;
	packSize: number;
	priceMinor: number;
	breaks: readonly { from: number; priceMinor: number }[];
	/** Null where nobody knows it. */
	leadDays: number | null;
	leadWorkingDays: boolean;
	mostPacks: number | null;
	note: string;
}

/** A pack whose price is not known in the currency that was asked for, or is in one for which no rate was typed. */
export interface Unpriced {
	materialId: number;
	supplier: string;
	why: 'noPrice' | 'noRate';
}

type Priced = Pick<Workshop, 'settings' | 'exchange' | 'suppliers'>;

/**
 * Every pack in which these materials can be bought.
 * @param materials with their prices in `currency`
 */
export function packsOf(
	materials: readonly Material[],
	offers: readonly Offer[],
	workshop: Priced,
	currency: string
): { packs: Pack[]; unpriced: Unpriced[] } {
	const packs: Pack[] = [];
	const unpriced: Unpriced[] = [];
	for (const m of materials) {
		if (m.packPriceMinor === null) unpriced.push({ materialId: m.id, supplier: m.supplier, why: 'noPrice' });
		else
			packs.push({
				id: `usual ${m.id}`,
				materialId: m.id,
				supplier: supplierNamed(workshop.suppliers, m.supplier)?.name ?? m.supplier.trim(),
				packSize: m.packSize,
				priceMinor: m.packPriceMinor,
				breaks: [],
				leadDays: m.leadDays,
				leadWorkingDays: m.leadWorkingDays,
				mostPacks: null,
				note: ''
			});
		for (const o of offers) {
			if (o.materialId !== m.id) continue;
			const supplier = workshop.suppliers.find((s) => s.id === o.supplierId);
			// A page may show a workshop of a moment before the offer was made.
			if (!supplier) continue;
			const inOurs = exchangerOf(supplier.currency, currency, workshop);
			if (!inOurs) {
				unpriced.push({ materialId: m.id, supplier: supplier.name, why: 'noRate' });
				continue;
			}
			packs.push({
				id: `offer ${o.id}`,
				materialId: m.id,
				supplier: supplier.name,
				packSize: o.packSize,
				priceMinor: inOurs(o.packPriceMinor),
				breaks: o.breaks.map((b) => ({ from: b.from, priceMinor: inOurs(b.priceMinor) })),
				leadDays: o.leadDays,
				leadWorkingDays: true,
				mostPacks: o.mostPacks,
				note: o.note
			});
		}
	}
	return { packs, unpriced };
}

function exchangerOf(from: string, to: string, workshop: Priced): ((minor: number) => number) | null {
	const rate = rateBetween(from, to, workshop);
	return rate === null ? null : (minor) => exchanged(minor, from, to, rate);
}

/** Suppliers whom materials name, and whose terms nobody has said. */
export const unknownSuppliers = ({
	materials,
	suppliers
}: Pick<Workshop, 'materials' | 'suppliers'>): string[] => {
	const names = materials.map((m) => m.supplier.trim());
	const unknown = names.filter((name) => name !== '' && !supplierNamed(suppliers, name));
	return [...new Map(unknown.map((name) => [supplierKey(name), name])).values()].sort();
};

/** What may still be bought otherwise: on the list for the whole costume, with nothing written to it and no order made. */
export const isOpenPurchase = (p: Purchase): boolean =>
	p.state === 'planned' && p.componentId === null && p.note === '';

/** What has to be bought of a material, were what is only on the list bought otherwise. */
export function toBuy({ material, short, over }: ShoppingLine, purchases: readonly Purchase[]): number {
	const open = purchases.filter((p) => p.materialId === material.id && isOpenPurchase(p));
	const listed = open.reduce((sum, p) => sum + unitsOf(p, material), 0);
	const amount = short > 0 ? short + listed : listed - over;
	return amount > GRACE ? amount : 0;
}

/** Whether what was chosen is what stands on the list already, pack for pack. */
export function isListed(
	{ buy }: Pick<Chosen, 'buy'>,
	packs: readonly Pack[],
	purchases: readonly Purchase[]
): boolean {
	const line = (materialId: number, supplier: string, packSize: number | null, count: number) =>
		[materialId, supplierKey(supplier), packSize, count].join('|');
	const byId = new Map(packs.map((p) => [p.id, p]));
	const chosen = buy.map((b) => {
		const pack = byId.get(b.offer)!;
		return line(pack.materialId, pack.supplier, pack.packSize, b.packs);
	});
	const listed = purchases
		.filter(isOpenPurchase)
		.map((p) => line(p.materialId, p.supplier, p.packSize, p.packs));
	return chosen.sort().join('\n') === listed.sort().join('\n');
}

/** How a maker wants it. */
export interface Wishes {
	aim: Aim;
	/** Packs that are not to be bought. */
	without: ReadonlySet<string>;
}

/**
 * The purchase of everything that is still to be bought, as a task: each need wanted at noon of a day that still serves the first step
 * that takes it.
 * @param purchases of the costume
 */
export function purchaseTask(
	lines: readonly ShoppingLine[],
	purchases: readonly Purchase[],
	orders: readonly Pick<OrderBy, 'material' | 'neededAt'>[],
	packs: readonly Pack[],
	workshop: Priced,
	currency: string,
	now: LocalMinutes,
	{ aim, without }: Wishes
): PackTask {
	const neededAt = new Map(orders.map((o) => [o.material.id, o.neededAt]));
	const needs = lines.flatMap((line): PackNeed[] => {
		const amount = toBuy(line, purchases);
		const at = neededAt.get(line.material.id) ?? null;
		return amount > 0
			? [{ id: String(line.material.id), amount, by: at === null ? null : dayOf(at - ARRIVAL_CLOCK) }]
			: [];
	});
	const wanted = new Set(needs.map((n) => n.id));
	const its = packs.filter((p) => wanted.has(String(p.materialId)) && !without.has(p.id));
	return {
		start: dayOf(now),
		aim,
		needs,
		offers: its.map((p) => ({
			id: p.id,
			need: String(p.materialId),
			supplier: supplierKey(p.supplier),
			amount: p.packSize,
			priceMinor: p.priceMinor,
			breaks: p.breaks,
			leadDays: leadDaysOf(p),
			everyDay: !p.leadWorkingDays,
			max: p.mostPacks
		})),
		suppliers: [...new Set(its.map((p) => supplierKey(p.supplier)))].map((name) => ({
			id: name,
			...termsOf(supplierNamed(workshop.suppliers, name), workshop, currency)
		}))
	};
}

/** Nothing is known of a supplier who was only named: nothing is asked for sending. */
function termsOf(supplier: Supplier | undefined, workshop: Priced, currency: string) {
	const inOurs = supplier && exchangerOf(supplier.currency, currency, workshop);
	const or = (minor: number | null) => (minor === null || !inOurs ? null : inOurs(minor));
	return {
		workingDays: supplier?.workingDays ?? MONDAY_TO_FRIDAY.workingDays,
		closed: supplier?.closed ?? [],
		shippingMinor: supplier && inOurs ? inOurs(supplier.shippingMinor) : 0,
		freeFromMinor: or(supplier?.freeFromMinor ?? null),
		minOrderMinor: or(supplier?.minOrderMinor ?? null)
	};
}

/** The task with what cannot be here in time wanted as soon as it can be. */
export function laterToo(task: PackTask, { short }: Pick<Chosen, 'short'>): PackTask {
	const soonest = new Map(short.map((s) => [s.need, s.soonest]));
	return { ...task, needs: task.needs.map((n) => ({ ...n, by: soonest.get(n.id) ?? n.by })) };
}

/** A line of the shopping list as it is bought: the price by its break, and its share of what sending costs. */
export interface ListLine {
	pack: Pack;
	packs: number;
	packPriceMinor: number;
	shippingMinor: number;
}

/** What is bought, parcel by parcel: shipping is shared out over a parcel by what its lines cost. */
export function listLines(
	bought: readonly { pack: Pack; packs: number }[],
	workshop: Priced,
	currency: string
): ListLine[] {
	const lines = bought.map((b) => ({ ...b, packPriceMinor: packPrice(b.pack, b.packs), shippingMinor: 0 }));
	for (const name of new Set(lines.map((l) => supplierKey(l.pack.supplier)))) {
		const its = lines.filter((l) => supplierKey(l.pack.supplier) === name);
		const costs = its.map((l) => l.packs * l.packPriceMinor);
		const goods = costs.reduce((sum, c) => sum + c, 0);
		const { shippingMinor, freeFromMinor } = termsOf(
			supplierNamed(workshop.suppliers, name),
			workshop,
			currency
		);
		const asked = freeFromMinor !== null && goods >= freeFromMinor ? 0 : shippingMinor;
		shared(asked, costs).forEach((share, k) => (its[k]!.shippingMinor = share));
	}
	return lines;
}

/** What is to be bought, and of that what comes too late however it is bought. */
export interface PurchaseChoice {
	chosen: Chosen;
	/** Needs that nothing covers in time: bought as soon as they can be. */
	late: string[];
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
	const late = inTime.short.flatMap((s) => (s.soonest === null ? [] : [s.need]));
	const whole = late.length > 0 ? laterToo(task, inTime) : task;
	const chosen = late.length > 0 ? choosePacks(whole, solve, seconds) : inTime;
	const choice: PurchaseChoice = { chosen, late, dearer: [] };
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
	/** The day on which it would come; null: never. */
	arrives: number | null;
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
	const arrivalOf = (pack: Pack) => {
		const sends = supplierNamed(suppliers, pack.supplier) ?? MONDAY_TO_FRIDAY;
		return workingDaysAfter(task.start, leadDaysOf(pack), pack.leadWorkingDays ? sends : EVERY_DAY);
	};
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
					const arrives = arrivalOf(pack);
					const moreMinor = more.get(pack.id) ?? null;
					const tooLate = arrives === null || (by !== null && arrives > by);
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
