import type { QuoteTerms } from '$core/facts/quote.ts';
import { parseMoney } from '$core/units/money.ts';
import { parseNumber } from '$core/units/number.ts';

/** The fields that move the price, as they stand in the form. */
export interface TypedTerms {
	rate: string;
	fee: string;
	odds: string;
	tax: string;
	payments: { name: string; percent: string }[];
}

/** As terms, to show the price while it is typed; null while something cannot be read: the form says what. */
export function readTerms(typed: TypedTerms, currency: string): QuoteTerms | null {
	const rate = parseMoney(typed.rate, currency);
	const fee = parseMoney(typed.fee.trim() || '0', currency);
	const odds = parseNumber(typed.odds);
	const tax = typed.tax.trim() === '' ? null : parseNumber(typed.tax);
	const percents = typed.payments.map((p) => parseNumber(p.percent));
	if (!rate.ok || !fee.ok || !odds.ok || odds.value < 50 || odds.value > 99) return null;
	if (tax && (!tax.ok || tax.value < 0 || tax.value > 100)) return null;
	return {
		hourRateMinor: rate.value,
		feeMinor: fee.value,
		oddsPercent: odds.value,
		taxPercent: tax?.ok ? tax.value : null,
		payments: typed.payments.map(({ name }, i) => {
			const read = percents[i]!;
			return { name, percent: read.ok ? read.value : 0 };
		})
	};
}
