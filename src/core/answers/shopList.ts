import { FAMILIES, purchaseCost, type Family, type Material, type Purchase } from '../facts/material.ts';
import { supplierKey } from '../facts/supplier.ts';

/** What is to be bought at one shop, aisle by aisle. */
export interface ShopList {
	supplier: string;
	/** By the family of what lies there. */
	aisles: readonly { family: Family; lines: readonly ShopLine[] }[];
	/** What its lines cost, as far as prices are known. */
	minor: number;
	/** Lines whose price nobody knows. */
	unpriced: number;
}

export interface ShopLine {
	purchase: Purchase;
	material: Material;
}

/** What is on the list and not ordered, by shop; the shop with the most lines first. Aisles go in the order of families. */
export function shopLists(purchases: readonly Purchase[], materials: readonly Material[]): ShopList[] {
	const byId = new Map(materials.map((m) => [m.id, m]));
	const shops = new Map<string, ShopLine[]>();
	for (const purchase of purchases) {
		const material = byId.get(purchase.materialId);
		if (purchase.state !== 'planned' || !material) continue;
		const key = supplierKey(purchase.supplier);
		shops.set(key, [...(shops.get(key) ?? []), { purchase, material }]);
	}
	return [...shops.values()]
		.map((lines): ShopList => ({
			supplier: lines[0]!.purchase.supplier.trim(),
			aisles: FAMILIES.flatMap((family) => {
				const its = lines
					.filter((l) => l.material.family === family)
					.sort((a, b) => a.material.name.localeCompare(b.material.name) || a.purchase.id - b.purchase.id);
				return its.length ? [{ family, lines: its }] : [];
			}),
			minor: lines.reduce((sum, l) => sum + (purchaseCost(l.purchase) ?? 0), 0),
			unpriced: lines.filter((l) => purchaseCost(l.purchase) === null).length
		}))
		.sort((a, b) => countOf(b) - countOf(a) || a.supplier.localeCompare(b.supplier));
}

const countOf = ({ aisles }: ShopList): number => aisles.reduce((sum, a) => sum + a.lines.length, 0);

/** What is in the basket, and what is still to be found: by the prices that were typed, else the known ones. */
export function basketOf(
	list: ShopList,
	ticked: ReadonlySet<number>,
	typed: ReadonlyMap<number, number | null>
): { lines: number; of: number; minor: number; sendingMinor: number; unpriced: number } {
	const lines = list.aisles.flatMap((a) => a.lines);
	const its = lines.filter((l) => ticked.has(l.purchase.id));
	const costs = its.map(({ purchase }) => {
		const packPriceMinor = typed.get(purchase.id) ?? purchase.packPriceMinor;
		return purchaseCost({ ...purchase, packPriceMinor });
	});
	return {
		lines: its.length,
		of: lines.length,
		minor: costs.reduce<number>((sum, c) => sum + (c ?? 0), 0),
		sendingMinor: its.reduce((sum, l) => sum + l.purchase.shippingMinor, 0),
		unpriced: costs.filter((c) => c === null).length
	};
}
