import { packPrice } from '../engines/purchase/offered.ts';
import type { Aim, Chosen, PackNeed, PackTask } from '../engines/purchase/task.ts';
import type { JointPurchase } from '../facts/jointPurchase.ts';
import { unitsOf, type Material, type Purchase } from '../facts/material.ts';
import { supplierKey, supplierNamed, type Offer, type Supplier } from '../facts/supplier.ts';
import { MONDAY_TO_FRIDAY } from '../facts/workingDays.ts';
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

/** A pack whose price, or what its supplier asks for sending, is not known in the currency that was asked for. */
export interface Unpriced {
	materialId: number;
	supplier: string;
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
		const usual = supplierNamed(workshop.suppliers, m.supplier);
		// What it costs to send it has to be known as well.
		if (m.packPriceMinor === null || (usual && !exchangerOf(usual.currency, currency, workshop)))
			unpriced.push({ materialId: m.id, supplier: m.supplier });
		else
			packs.push({
				id: `usual ${m.id}`,
				materialId: m.id,
				supplier: usual?.name ?? m.supplier.trim(),
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
				unpriced.push({ materialId: m.id, supplier: supplier.name });
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

/** A costume for which is bought, alone or with others. */
export interface Buyer {
	costumeId: number;
	lines: readonly ShoppingLine[];
	purchases: readonly Purchase[];
	orders: readonly Pick<OrderBy, 'material' | 'neededAt'>[];
}

/** What a costume has on its list together with others that do not buy now. */
export const sharedBeyond = (
	{ purchases }: Pick<Buyer, 'purchases'>,
	buyers: readonly Pick<Buyer, 'costumeId'>[],
	joints: readonly JointPurchase[]
): JointPurchase[] => {
	const planned = new Set(purchases.flatMap((p) => (p.state === 'planned' ? [p.id] : [])));
	return joints.filter(
		(j) =>
			j.shares.some((s) => planned.has(s.purchaseId)) &&
			j.shares.some((s) => !buyers.some((b) => b.costumeId === s.costumeId))
	);
};

/**
 * What may still be bought otherwise: on the list for a whole costume, with nothing written to it and no order made. A list that was chosen
 * together with a costume that does not buy now stays as it is: its parcels are of both.
 */
export function openPurchases(
	buyers: readonly Pick<Buyer, 'costumeId' | 'purchases'>[],
	joints: readonly JointPurchase[]
): Purchase[] {
	const free = buyers.filter((b) => sharedBeyond(b, buyers, joints).length === 0);
	const open = free.flatMap(({ purchases }) =>
		purchases.filter((p) => p.state === 'planned' && p.componentId === null && p.note === '')
	);
	const ids = new Set(open.map((p) => p.id));
	const whole = new Set(joints.filter((j) => j.shares.every((s) => ids.has(s.purchaseId))).map((j) => j.id));
	return open.filter((p) => p.jointId === null || whole.has(p.jointId));
}

/**
 * What has to be bought of a material, were what is only on the list bought otherwise.
 * @param open of the costume
 */
export function toBuy({ material, short, over }: ShoppingLine, open: readonly Purchase[]): number {
	const its = open.filter((p) => p.materialId === material.id);
	const listed = its.reduce((sum, p) => sum + unitsOf(p, material), 0);
	const amount = short > 0 ? short + listed : listed - over;
	return amount > GRACE ? amount : 0;
}

/** How a maker wants it. */
export interface Wishes {
	aim: Aim;
	/** Packs that are not to be bought. */
	without: ReadonlySet<string>;
}

/** So much of a material that a costume has to buy, wanted on this day at the latest; null: whenever. */
export interface Want {
	costumeId: number;
	materialId: number;
	amount: number;
	by: number | null;
}

/**
 * Everything that is still to be bought, by costume: each wanted at noon of a day that still serves the first step that takes it.
 * @param open what may be bought otherwise, of all of them
 */
export const wantsOf = (buyers: readonly Buyer[], open: readonly Purchase[]): Want[] =>
	buyers.flatMap(({ costumeId, lines, orders }) => {
		const neededAt = new Map(orders.map((o) => [o.material.id, o.neededAt]));
		const its = open.filter((p) => p.costumeId === costumeId);
		return lines.flatMap((line): Want[] => {
			const amount = toBuy(line, its);
			const materialId = line.material.id;
			const at = neededAt.get(materialId) ?? null;
			const by = at === null ? null : dayOf(at - ARRIVAL_CLOCK);
			return amount > 0 ? [{ costumeId, materialId, amount, by }] : [];
		});
	});

/** What several want of one material: all of it by the last day, and of that what is wanted on days before. */
function needOf(materialId: number, wants: readonly Want[]): PackNeed {
	const dayOf = (w: Want) => w.by ?? Infinity;
	const upTo = (day: number) => wants.reduce((sum, w) => sum + (dayOf(w) <= day ? w.amount : 0), 0);
	const days = [...new Set(wants.map(dayOf))].sort((a, b) => a - b);
	const last = days.pop()!;
	const need = { id: String(materialId), amount: upTo(last), by: last === Infinity ? null : last };
	return days.length ? { ...need, sooner: days.map((by) => ({ amount: upTo(by), by })) } : need;
}

/** The purchase of all that is wanted, as a task. */
export function purchaseTask(
	wants: readonly Want[],
	packs: readonly Pack[],
	workshop: Priced,
	currency: string,
	now: LocalMinutes,
	{ aim, without }: Wishes
): PackTask {
	const needs = [...new Set(wants.map((w) => w.materialId))].map((id) =>
		needOf(
			id,
			wants.filter((w) => w.materialId === id)
		)
	);
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
	const late = new Map(short.map((s) => [s.need, s]));
	return {
		...task,
		needs: task.needs.map((need) => {
			const its = late.get(need.id);
			if (!its || its.soonest === null) return need;
			const by = need.by === null ? null : Math.max(need.by, its.soonest);
			const sooner = need.sooner?.map((s, k) => ({ ...s, by: Math.max(s.by, its.sooner![k]!) }));
			return sooner ? { ...need, by, sooner } : { ...need, by };
		})
	};
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
