import { z } from 'zod';
import { acceptedOf, costingOf, QUOTE_ODDS, quoteOf } from '$core/answers/quote.ts';
import { workshopFor } from '$core/answers/stash.ts';
import { QUOTE_STATES, type Quote } from '$core/facts/quote.ts';
import { dayOf, formatDate } from '$core/units/localTime.ts';
import { formatMoney } from '$core/units/money.ts';
import { formatNumber } from '$core/units/number.ts';
import type { Executor } from '../db/open.ts';
import { Absent, Refused } from '../db/rows.ts';
import { insert, set } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadQuotes } from '../read/quotes.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

async function quoteIn(tx: Executor, costumeId: number, id: number): Promise<Quote> {
	const quote = (await loadQuotes(tx, costumeId)).find((q) => q.id === id);
	if (!quote) throw new Absent('quote');
	return quote;
}

/** Payments as they are typed, line by line, to a hundred per cent. */
function paymentsOf(names: readonly string[], percents: readonly number[]) {
	if (names.length !== percents.length) throw new Refused('Each payment has a name and a share.', 'percents');
	const all = percents.reduce((sum, p) => sum + p, 0);
	if (Math.abs(all - 100) > 1e-9)
		throw new Refused(`Payments come to 100 % together; these are ${formatNumber(all, 2)} %.`, 'percents');
	return names.map((name, i) => ({ name, percent: percents[i]! }));
}

export const quoteCommands = {
	/** A price worked out from how the costume stands, kept as it is told. */
	makeQuote: command(
		({ currency }) =>
			z.object({
				maker: f.note(),
				client: f.note(),
				hourRateMinor: f.money(currency),
				feeMinor: f.money(currency),
				oddsPercent: f.decimal(QUOTE_ODDS.least, QUOTE_ODDS.most),
				taxPercent: f.orNull(f.decimal(0, 100)),
				names: z.array(f.name(80)).min(1, 'There is at least one payment.').max(12),
				percents: z.array(f.above0(100)),
				validUntil: f.date(),
				readyOn: f.date(),
				terms: f.note()
			}),
		async (tx, { names, percents, ...v }, { costumeId, shop, now, currency }) => {
			const its = shop!.atWork.find((c) => c.record.costume.id === costumeId);
			const record = its?.record ?? (await loadRecord(tx, costumeId));
			if (!record) throw new Absent('costume');
			const today = dayOf(now);
			if (v.validUntil < today) throw new Refused('It would be past already.', 'validUntil');
			if (v.readyOn < today) throw new Refused('It would be past already.', 'readyOn');
			const payments = paymentsOf(names, percents);
			const costing = costingOf(
				record,
				workshopFor(shop!.workshop, record.costume, its?.promised ?? new Map())
			);
			if (costing.lines.every((l) => l.minutes === 0))
				throw new Refused('There is no work to quote: give components their steps first.', 'hourRateMinor');
			const sums = quoteOf(costing, { ...v, payments });
			if (sums.totalMinor === 0)
				throw new Refused('It would cost nothing: say what an hour costs.', 'hourRateMinor');
			const quotes = await loadQuotes(tx, costumeId);
			const number = Math.max(0, ...quotes.map((q) => q.number)) + 1;
			const id = await insert(tx, 'quote', {
				costumeId,
				number,
				currency,
				...v,
				madeOn: formatDate(today),
				validUntil: formatDate(v.validUntil),
				readyOn: formatDate(v.readyOn),
				payments,
				sums,
				changesId: acceptedOf(quotes, currency)?.id ?? null
			});
			return { words: `Quote ${number}: ${formatMoney(sums.totalMinor, currency)}`, result: { id } };
		},
		{ shop: true }
	),

	/** Sent, accepted or declined. What is accepted is what the costume may cost in materials. */
	setQuoteState: command(
		() => z.object({ id: f.id(), state: f.choice(QUOTE_STATES) }),
		async (tx, { id, state }, { costumeId, currency }) => {
			const { number, sums, currency: told } = await quoteIn(tx, costumeId, id);
			await set(tx, 'quote', id, { state });
			if (state !== 'accepted')
				return { words: `Quote ${number} is ${state === 'draft' ? 'a draft again' : state}` };
			// A costume that is in another currency by now keeps the limit that it has.
			if (told !== currency) return { words: `Quote ${number} is accepted` };
			await set(tx, 'costume', costumeId, { limitMinor: sums.materialsMinor });
			return {
				words: `Quote ${number} is accepted: materials may cost ${formatMoney(sums.materialsMinor, currency)}`
			};
		}
	),

	removeQuote: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const { number, state } = await quoteIn(tx, costumeId, id);
			if (state !== 'draft')
				throw new Refused(`Quote ${number} was told to a client: it stays. Mark it as declined instead.`);
			await tx.query('delete from quote where id = $1', [id]);
			return { words: `Removed quote ${number}` };
		}
	)
};
