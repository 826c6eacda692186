import type { Entry } from '../answers/jointPurchase.ts';
import type { Parcel } from '../answers/purchaseChoice.ts';
import { money } from '../units/figure.ts';
import type { Figure } from './figure.ts';

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

/** What is saved by buying together. @param apartMinor what each would pay by itself, in all */
export const savedFigure = (apartMinor: number, togetherMinor: number, currency: string): Figure => ({
	title: 'Saved by buying together',
	formula: 'difference',
	as: { kind: 'money', currency },
	inputs: [
		money('bought by each apart', apartMinor, currency, 'chosen for each by itself, in the same way'),
		money('bought together', togetherMinor, currency, 'goods and sending')
	]
});

/** What a costume pays of what is bought together: its packs, and its shares of those that are for several. */
export const shareFigure = (
	name: string,
	entries: readonly Entry[],
	nameOf: (materialId: number) => string,
	currency: string
): Figure => ({
	title: `Its part: ${name}`,
	formula: 'sum',
	as: { kind: 'money', currency },
	inputs: entries.map(({ pack, packs, packSize, packPriceMinor, shippingMinor, joint }) =>
		money(
			nameOf(pack.materialId),
			packs * packPriceMinor + shippingMinor,
			currency,
			joint
				? `${packSize} of packs of ${pack.packSize}: its units’ share of price and sending, to the last coin`
				: `${packs} × ${packSize}, with its share of the sending`
		)
	)
});
