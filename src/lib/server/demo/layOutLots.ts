import type { Executor } from '../db/open.ts';
import { insertLot } from '../commands/lot.ts';

interface DemoLot {
	quantity: number;
	place: string;
	colour?: string;
	/** Of a pack, in cents; days from today. */
	price?: number;
	bought?: number;
	best?: number;
}

/** What of the demo's stash lies in more than one place, was bought at another price, or does not keep. All our own invention. */
const LOTS: Readonly<Record<string, readonly DemoLot[]>> = {
	'High-density foam 6 mm': [{ quantity: 1, place: 'behind the door', price: 1290, bought: -75 }],
	'Lining cotton': [
		{ quantity: 1.1, colour: 'ecru', place: 'cloth chest', price: 290, bought: -140 },
		{ quantity: 0.4, colour: 'ecru, older', place: 'box of scraps', bought: -420 }
	],
	'Faux leather, tar brown': [{ quantity: 0.4, place: 'box of scraps', price: 940, bought: -200 }],
	'Contact cement': [
		{ quantity: 80, place: 'glue cupboard', price: 850, bought: -340, best: 9 },
		{ quantity: 40, place: 'glue cupboard', price: 890, bought: -60, best: 300 },
		{ quantity: 60, place: 'glue cupboard, behind', bought: -800, best: -35 }
	],
	'Filler primer, grey': [{ quantity: 1, place: 'spray shelf', price: 990, bought: -90, best: 640 }],
	'Clear spray, matt': [{ quantity: 1, place: 'spray shelf', price: 1050, bought: -700 }],
	'Brushed acrylic, verdigris': [{ quantity: 2, place: 'paint drawer', price: 420, bought: -30 }]
};

export const hasLots = (material: string): boolean => Object.hasOwn(LOTS, material);

export async function layOutLots(
	tx: Executor,
	material: { id: number; name: string; packSize: number },
	today: number
): Promise<void> {
	for (const { price, bought, best, ...lot } of LOTS[material.name] ?? [])
		await insertLot(tx, {
			materialId: material.id,
			...lot,
			...(price === undefined ? {} : { packPriceMinor: price, packSize: material.packSize, currency: 'EUR' }),
			boughtOn: bought === undefined ? null : today + bought,
			bestBefore: best === undefined ? null : today + best
		});
}
