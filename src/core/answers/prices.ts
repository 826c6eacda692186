import type { Lot } from '../facts/lot.ts';
import type { Material } from '../facts/material.ts';
import type { Workshop } from '../facts/workshop.ts';
import { exchanged } from '../units/money.ts';

/** How much of one currency a unit of another is worth, by the rates that were typed; null where one of them is missing. */
export function rateBetween(
	from: string,
	to: string,
	{ settings, exchange }: Pick<Workshop, 'settings' | 'exchange'>
): number | null {
	const worth = (currency: string) =>
		currency === settings.currency ? 1 : (exchange.find((r) => r.currency === currency)?.rate ?? null);
	if (from === to) return 1;
	const [of, by] = [worth(from), worth(to)];
	return of === null || by === null ? null : of / by;
}

/** A material with its price in a currency, and with those of its lots. One that cannot be exchanged is not known. */
export function pricedIn(
	material: Material,
	currency: string,
	workshop: Pick<Workshop, 'settings' | 'exchange'>
): Material {
	const { packPriceMinor: minor } = material;
	const foreign = material.lots.some((l) => l.currency !== null && l.currency !== currency);
	const lots = foreign ? material.lots.map((l) => lotPricedIn(l, currency, workshop)) : material.lots;
	if (material.currency === currency) return foreign ? { ...material, lots } : material;
	const rate = rateBetween(material.currency, currency, workshop);
	if (minor === null || rate === null) return { ...material, lots, packPriceMinor: null, currency };
	return {
		...material,
		lots,
		packPriceMinor: exchanged(minor, material.currency, currency, rate),
		currency,
		pricedAs: { minor, currency: material.currency, rate }
	};
}

function lotPricedIn(lot: Lot, currency: string, workshop: Parameters<typeof pricedIn>[2]): Lot {
	const { packPriceMinor: minor, currency: its } = lot;
	if (minor === null || its === null || its === currency) return lot;
	const rate = rateBetween(its, currency, workshop);
	return { ...lot, currency, packPriceMinor: rate === null ? null : exchanged(minor, its, currency, rate) };
}
