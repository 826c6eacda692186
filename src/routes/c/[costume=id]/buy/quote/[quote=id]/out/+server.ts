import { error } from '@sveltejs/kit';
import { pdf } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { printer } from '$lib/server/prints/printer.ts';
import { loadRecord } from '$lib/server/read/costume.ts';
import { loadQuotes } from '$lib/server/read/quotes.ts';
import type { RequestHandler } from './$types';

/** A quote for its client, as it was told. */
export const GET: RequestHandler = async ({ params }) => {
	const db = await database();
	const record = await loadRecord(db, Number(params.costume));
	const quotes = record ? await loadQuotes(db, record.costume.id) : [];
	const quote = quotes.find((q) => q.id === Number(params.quote));
	if (!record || !quote) error(404, 'There is no such quote.');
	const before = quotes.find((q) => q.id === quote.changesId) ?? null;
	return pdf(printer.print('quote', quote, record.costume, before), `quote-${quote.number}.pdf`);
};
