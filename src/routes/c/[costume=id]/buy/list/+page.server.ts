import { shopLists } from '$core/answers/shopList.ts';
import { wholeOf } from '$core/facts/jointPurchase.ts';
import { database } from '$lib/server/database.ts';
import { loadJoints } from '$lib/server/read/joints.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { purchaseCommands } from '$lib/server/commands/purchase.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, workshop } = (await parent()).packed.value;
	// In the shop a pack is bought whole, whoever has which share of it.
	const joints = await loadJoints(await database(), [record.costume.id]);
	const whole = record.purchases.map((p) => wholeOf(p, joints));
	return { lists: shopLists(whole, workshop.materials) };
};

export const actions: Actions = actionsOf(purchaseCommands);
