import type { Lateness } from './lateness.ts';
import type { Material, Purchase } from './material.ts';
import type { WorkingDays } from './workingDays.ts';

/** Who sells, and on which terms. Materials and purchases name it. */
export interface Supplier extends WorkingDays {
	id: number;
	name: string;
	/** Of its prices and its shipping. */
	currency: string;
	shippingMinor: number;
	/** From goods for so much on nothing is asked for shipping; null: never. */
	freeFromMinor: number | null;
	/** Takes no order for less; null: any. */
	minOrderMinor: number | null;
	workingDays: number[];
	/** Whole days since 1970-01-01. */
	closed: number[];
	note: string;
	/** Of its parcels that came: not stored, put in as the shop is read. */
	late?: Lateness | null;
	version: number;
}

/** A pack of a material that a supplier sells, besides the usual one which the material says itself. */
export interface Offer {
	id: number;
	materialId: number;
	supplierId: number;
	/** Units in one pack. */
	packSize: number;
	/** In the supplier's currency. */
	packPriceMinor: number;
	/** Price of every pack once so many are taken. */
	breaks: { from: number; priceMinor: number }[];
	/** Null where nobody knows it. */
	leadDays: number | null;
	/** No more packs than this; null: as many as are wanted. */
	mostPacks: number | null;
	note: string;
	version: number;
}

/** By which a supplier is told from others, however its name is typed. */
export const supplierKey = (name: string): string => name.trim().toLowerCase();

export const supplierNamed = (suppliers: readonly Supplier[], name: string): Supplier | undefined =>
	suppliers.find((s) => supplierKey(s.name) === supplierKey(name));

/** The same with the days on which it is sent, where the supplier is known. */
export function withSender<T extends Pick<Material | Purchase, 'supplier'>>(
	thing: T,
	suppliers: readonly Supplier[]
): T & { sends?: WorkingDays; late?: Lateness | null } {
	const its = thing.supplier === '' ? undefined : supplierNamed(suppliers, thing.supplier);
	if (!its) return thing;
	const sends = { workingDays: its.workingDays, closed: its.closed };
	return its.late ? { ...thing, sends, late: its.late } : { ...thing, sends };
}
