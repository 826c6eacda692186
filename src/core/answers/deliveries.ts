import type { Lateness } from '../facts/lateness.ts';
import { supplierKey, type Supplier } from '../facts/supplier.ts';
import { arrivalDay } from './leadTime.ts';

/** Something that was ordered and came. Days since 1970-01-01. */
export interface Delivery {
	supplier: string;
	orderedOn: number;
	arrivedOn: number;
	/** As it was told when it was ordered. */
	leadDays: number;
	leadWorkingDays: boolean;
}

/** So many parcels say how late a supplier's come. */
const ENOUGH = 3;

/** Deliveries of each supplier, by its key. */
export function bySupplier(deliveries: readonly Delivery[]): ReadonlyMap<string, Delivery[]> {
	const by = new Map<string, Delivery[]>();
	for (const d of deliveries) {
		const key = supplierKey(d.supplier);
		const its = by.get(key);
		if (its) its.push(d);
		else by.set(key, [d]);
	}
	return by;
}

/**
 * How late parcels of one supplier have come against what was told; lines of one parcel count once, sooner counts as on the day. Null
 * while too few have come to say.
 */
export function latenessOf(
	deliveries: readonly Delivery[],
	supplier: Pick<Supplier, 'workingDays' | 'closed'>
): Lateness | null {
	const parcels = new Map<string, number>();
	for (const d of deliveries) {
		if (d.arrivedOn < d.orderedOn) continue;
		const days = Math.max(0, d.arrivedOn - arrivalDay(d.orderedOn, { ...d, sends: supplier }));
		const parcel = `${d.orderedOn} ${d.arrivedOn}`;
		// What was told to come first is what the parcel is late by.
		parcels.set(parcel, Math.max(days, parcels.get(parcel) ?? 0));
	}
	const late = [...parcels.values()].sort((a, b) => a - b);
	if (late.length < ENOUGH) return null;
	return { parcels: late.length, usualDays: late[(late.length - 1) >> 1]!, worstDays: late.at(-1)! };
}
