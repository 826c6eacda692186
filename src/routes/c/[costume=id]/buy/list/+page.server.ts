import { shopLists } from '$core/answers/shopList.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { purchaseCommands } from '$lib/server/commands/purchase.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, workshop } = (await parent()).packed.value;
	return { lists: shopLists(record.purchases, workshop.materials) };
};

export const actions: Actions = actionsOf(purchaseCommands);
