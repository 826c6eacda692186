import type { Quote } from '$core/facts/quote.ts';
import type { Executor } from '../db/open.ts';
import { selectOfCostumes } from '../db/tables.ts';

/** Quotes of a costume, the newest first. */
export const loadQuotes = (db: Executor, costumeId: number): Promise<Quote[]> =>
	selectOfCostumes<Quote>(db, 'quote', [costumeId], 'number desc');
