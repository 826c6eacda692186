import { costingOf } from '$core/answers/quote.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { quoteCommands } from '$lib/server/commands/quote.ts';
import { database } from '$lib/server/database.ts';
import { loadQuotes } from '$lib/server/read/quotes.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, workshop } = (await parent()).packed.value;
	return {
		costing: costingOf(record, workshop),
		quotes: await loadQuotes(await database(), record.costume.id)
	};
};

export const actions: Actions = actionsOf(quoteCommands);
