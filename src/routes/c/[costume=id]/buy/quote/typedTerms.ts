import { QUOTE_ODDS, type quoteBegun } from '$core/answers/quote.ts';
import type { QuoteTerms } from '$core/facts/quote.ts';
import { parseMoney, typedMoney } from '$core/units/money.ts';
import { formatNumber, parseNumber } from '$core/units/number.ts';

/** The fields that move the price, as they stand in the form. */
export interface TypedTerms {
	rate: string;
	fee: string;
	odds: string;
	tax: string;
	payments: { name: string; percent: string }[];
}

/** What stands in the fields before anything is typed. */
export const begunTerms = (begun: ReturnType<typeof quoteBegun>, currency: string): TypedTerms => ({
	rate: typedMoney(begun.hourRateMinor, currency),
	fee: typedMoney(begun.feeMinor, currency),
	odds: formatNumber(begun.oddsPercent, 1),
	tax: begun.taxPercent === null ? '' : formatNumber(begun.taxPercent, 2),
	payments: begun.payments.map((p) => ({ name: p.name, percent: formatNumber(p.percent, 2) }))
});

/** As terms, to show the price while it is typed; null while something cannot be read: the form says what. */
export function readTerms(typed: TypedTerms, currency: string): QuoteTerms | null {
	const rate = parseMoney(typed.rate, currency);
	const fee = parseMoney(typed.fee.trim() || '0', currency);
	const odds = parseNumber(typed.odds);
	const tax = typed.tax.trim() === '' ? null : parseNumber(typed.tax);
	const percents = typed.payments.map((p) => parseNumber(p.percent));
	if (!rate.ok || !fee.ok || !odds.ok || odds.value < QUOTE_ODDS.least || odds.value > QUOTE_ODDS.most)
		return null;
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
