import type { Purchase } from '../facts/material.ts';
import { supplierKey } from '../facts/supplier.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';
import { isOverdue, usableFrom } from './leadTime.ts';

/** Lines that were ordered of one supplier on one day: they come together, as a rule. */
export interface Parcel {
	supplier: string;
	/** Whole days since 1970-01-01; null where nobody wrote it down. */
	orderedOn: number | null;
	/** When the last of it is due. */
	dueOn: number;
	overdue: boolean;
	lines: readonly Purchase[];
}

/** What was ordered of one supplier on one day is one order. */
const orderOf = ({ supplier, orderedOn }: Pick<Purchase, 'supplier' | 'orderedOn'>): string =>
	`${supplierKey(supplier)} ${orderedOn}`;

/** The lines that stand on one receipt with this one, itself among them: of its order; what is only planned has none. */
export const onReceiptWith = (purchase: Purchase, purchases: readonly Purchase[]): Purchase[] =>
	purchases.filter(
		(p) => p.id === purchase.id || (p.state !== 'planned' && orderOf(p) === orderOf(purchase))
	);

/** What is on its way, the first to come first. */
export function parcelsUnderWay(purchases: readonly Purchase[], now: LocalMinutes): Parcel[] {
	const parcels = new Map<string, Purchase[]>();
	for (const p of purchases) {
		if (p.state !== 'ordered') continue;
		const key = orderOf(p);
		parcels.set(key, [...(parcels.get(key) ?? []), p]);
	}
	return [...parcels.values()]
		.map((lines): Parcel => ({
			supplier: lines[0]!.supplier,
			orderedOn: lines[0]!.orderedOn,
			dueOn: Math.max(...lines.map((p) => p.dueOn ?? dayOf(usableFrom(p, now)!))),
			overdue: lines.some((p) => isOverdue(p, now)),
			lines
		}))
		.sort((a, b) => a.dueOn - b.dueOn || a.supplier.localeCompare(b.supplier));
}
