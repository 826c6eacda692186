import type { Material } from '$core/facts/material.ts';
import type { Executor } from '../db/open.ts';
import { insert } from '../db/tables.ts';

type Terms = readonly [
	shipping: number,
	freeFrom: number | null,
	minOrder: number | null,
	days: readonly number[]
];
const WEEK = [1, 2, 3, 4, 5];

/** Invented: some post, some are in town. */
const SUPPLIERS: Readonly<Record<string, Terms>> = {
	'foam shop': [590, 6000, null, WEEK],
	haberdasher: [350, 4000, null, WEEK],
	'paint by post': [690, 7500, 1500, WEEK],
	'net mill': [750, null, 2000, WEEK],
	'hardware store': [0, null, null, WEEK],
	'cloth market': [0, null, null, WEEK]
};

type Pack = readonly [
	material: string,
	supplier: string,
	size: number,
	price: number,
	lead: number,
	breaks?: readonly { from: number; priceMinor: number }[]
];
const OFFERS: readonly Pack[] = [
	['High-density foam 6 mm', 'foam shop', 4, 4600, 4],
	['High-density foam 6 mm', 'hardware store', 1, 1690, 0],
	['High-density foam 2 mm', 'foam shop', 5, 2900, 4],
	['Foam half-round 20 mm', 'hardware store', 2, 890, 0],
	['Soft net, sea green', 'net mill', 10, 2450, 8, [{ from: 2, priceMinor: 2100 }]],
	['Soft net, sea green', 'haberdasher', 1, 420, 2],
	['Structure net, white', 'haberdasher', 5, 2600, 3],
	['Webbing 25 mm', 'haberdasher', 10, 980, 3],
	['Side-release buckle 25 mm', 'haberdasher', 10, 1150, 3],
	['Hook-and-loop, sew-on', 'haberdasher', 5, 1250, 3],
	['Thermoplastic sheet 1 mm', 'hardware store', 1, 5490, 2],
	['Contact cement', 'foam shop', 850, 2190, 4],
	['Acrylic spray, old brass', 'hardware store', 1, 1190, 0],
	['Acrylic spray, old brass', 'paint by post', 1, 890, 5, [{ from: 3, priceMinor: 790 }]]
];

/** Terms of suppliers, and packs besides the usual ones. */
export async function layOutBuy(tx: Executor, materials: readonly Material[]): Promise<void> {
	const ids = new Map<string, number>();
	for (const [name, [shippingMinor, freeFromMinor, minOrderMinor, workingDays]] of Object.entries(SUPPLIERS))
		ids.set(
			name,
			await insert(tx, 'supplier', {
				name,
				currency: 'EUR',
				shippingMinor,
				freeFromMinor,
				minOrderMinor,
				workingDays,
				closed: [],
				note: ''
			})
		);
	for (const [material, supplier, packSize, packPriceMinor, leadDays, breaks = []] of OFFERS)
		await insert(tx, 'offer', {
			materialId: materials.find((m) => m.name === material)!.id,
			supplierId: ids.get(supplier)!,
			packSize,
			packPriceMinor,
			breaks,
			leadDays,
			mostPacks: null,
			note: ''
		});
}
