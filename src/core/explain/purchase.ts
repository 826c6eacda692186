import { listLines, type Pack } from '../answers/purchase.ts';
import type { Bought } from '../engines/purchase/task.ts';
import { supplierKey } from '../facts/supplier.ts';
import type { Workshop } from '../facts/workshop.ts';
import { money } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** A parcel as it is bought: what is in it, what it costs, and when the last of it is here. */
export interface Parcel {
	supplier: string;
	goodsMinor: number;
	shippingMinor: number;
	arrives: number;
	lines: { pack: Pack; packs: number; costMinor: number; arrives: number }[];
}

/** What is bought, by supplier, the first that comes first. */
export function parcelsOf(
	buy: readonly Bought[],
	packs: readonly Pack[],
	workshop: Pick<Workshop, 'settings' | 'exchange' | 'suppliers'>,
	currency: string
): Parcel[] {
	const byId = new Map(packs.map((p) => [p.id, p]));
	const lines = buy.flatMap((b) => {
		const pack = byId.get(b.offer);
		return pack ? [{ pack, packs: b.packs, costMinor: b.costMinor, arrives: b.arrives }] : [];
	});
	const listed = listLines(lines, workshop, currency);
	return [...new Set(lines.map((l) => supplierKey(l.pack.supplier)))]
		.map((key): Parcel => {
			const its = lines.filter((l) => supplierKey(l.pack.supplier) === key);
			return {
				supplier: its[0]!.pack.supplier,
				goodsMinor: its.reduce((sum, l) => sum + l.costMinor, 0),
				shippingMinor: listed.reduce(
					(sum, l) => sum + (supplierKey(l.pack.supplier) === key ? l.shippingMinor : 0),
					0
				),
				arrives: Math.max(...its.map((l) => l.arrives)),
				lines: its
			};
		})
		.sort((a, b) => a.arrives - b.arrives);
}

/** What a purchase comes to: goods and sending, parcel by parcel. */
export const purchaseFigure = (parcels: readonly Parcel[], currency: string): Figure => ({
	title: 'What is to be bought',
	formula: 'sum',
	as: { kind: 'money', currency },
	inputs: parcels.flatMap((p) => [
		money(
			`goods from ${p.supplier || 'no supplier named'}`,
			p.goodsMinor,
			currency,
			'packs × price, by the break that is reached'
		),
		money('sending', p.shippingMinor, currency, 'its terms, in Stash')
	])
});
