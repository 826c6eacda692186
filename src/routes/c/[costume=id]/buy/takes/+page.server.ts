import { takesInShop } from '$core/answers/takes.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { takesCommands } from '$lib/server/commands/takes.ts';
import { database } from '$lib/server/database.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record } = (await parent()).packed.value;
	const { workshop, atWork } = await loadShop(await database());
	return { takes: takesInShop(record, workshop, atWork) };
};

export const actions: Actions = actionsOf(takesCommands);
