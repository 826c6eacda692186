import { knownCost, type Material, type Purchase } from '../facts/material.ts';
import { formatDate } from '../units/localTime.ts';
import type { OrderBy } from './arrivals.ts';

/** What is planned, ordered and paid of one kind, or in one month. */
export interface MoneyGroup {
	/** A family of materials, or `2031-05`. */
	key: string;
	minor: number;
	parts: { materialId: number; minor: number }[];
}

/** The day on which a purchase costs its money: ordered, or to be ordered, today at the soonest. */
export function spendingDay(
	purchase: Pick<Purchase, 'materialId' | 'state' | 'orderedOn' | 'arrivedOn'>,
	orders: ReadonlyMap<number, number | null>,
	today: number
): number {
	if (purchase.state !== 'planned') return purchase.orderedOn ?? purchase.arrivedOn ?? today;
	return Math.max(today, orders.get(purchase.materialId) ?? today);
}

export const orderDays = (
	orders: readonly Pick<OrderBy, 'material' | 'orderByDay'>[]
): Map<number, number | null> => new Map(orders.map((o) => [o.material.id, o.orderByDay]));

/** Purchases by the kind of their material, dearest first. */
export const moneyByKind = (
	purchases: readonly Purchase[],
	materials: readonly Pick<Material, 'id' | 'family'>[]
): MoneyGroup[] => {
	const family = new Map(materials.map((m) => [m.id, m.family]));
	return groupsOf(purchases, (p) => family.get(p.materialId) ?? 'other').sort(
		(a, b) => b.minor - a.minor || a.key.localeCompare(b.key)
	);
};

/** Purchases by the month in which they cost their money, one after the other. */
export const moneyByMonth = (
	purchases: readonly Purchase[],
	orders: readonly Pick<OrderBy, 'material' | 'orderByDay'>[],
	today: number
): MoneyGroup[] => {
	const days = orderDays(orders);
	return groupsOf(purchases, (p) => formatDate(spendingDay(p, days, today)).slice(0, 7)).sort((a, b) =>
		a.key.localeCompare(b.key)
	);
};

function groupsOf(purchases: readonly Purchase[], keyOf: (p: Purchase) => string): MoneyGroup[] {
	const groups = new Map<string, MoneyGroup>();
	for (const p of purchases) {
		const minor = knownCost(p);
		if (minor === 0) continue;
		const key = keyOf(p);
		const group = groups.get(key) ?? { key, minor: 0, parts: [] };
		group.minor += minor;
		group.parts.push({ materialId: p.materialId, minor });
		groups.set(key, group);
	}
	return [...groups.values()];
}
