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

/** A material with its price in a currency. One that cannot be exchanged is not known. */
export function pricedIn(
	material: Material,
	currency: string,
	workshop: Pick<Workshop, 'settings' | 'exchange'>
): Material {
	const { packPriceMinor: minor } = material;
	if (material.currency === currency) return material;
	const rate = rateBetween(material.currency, currency, workshop);
	if (minor === null || rate === null) return { ...material, packPriceMinor: null, currency };
	return {
		...material,
		packPriceMinor: exchanged(minor, material.currency, currency, rate),
		currency,
		pricedAs: { minor, currency: material.currency, rate }
	};
}
