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
