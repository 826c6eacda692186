import { leftovers, spoilsFirst } from '$core/answers/lots.ts';
import { promisedTo } from '$core/answers/stash.ts';
import { coatsWithoutMaterial, shoppingLines } from '$core/answers/shopping.ts';
import { parcelsUnderWay } from '$core/answers/parcels.ts';
import { askedAbout, suppliesWithoutMaterial, workUses } from '$core/answers/workUse.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { actionsOf, trialsOf } from '$lib/server/commands/actions.ts';
import { leftoverCommands } from '$lib/server/commands/leftover.ts';
import { materialCommands } from '$lib/server/commands/material.ts';
import { purchaseCommands } from '$lib/server/commands/purchase.ts';
import { standInCommands } from '$lib/server/commands/standIn.ts';
import { buyCommands } from '$lib/server/commands/supplier.ts';
import { database } from '$lib/server/database.ts';
import { loadJoints } from '$lib/server/read/joints.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import { loadOffers } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, locals }) => {
	const { packed } = await parent();
	const { record, workshop, plan } = packed.value;
	const lines = shoppingLines(record, workshop);
	const trade = catalogueOf(workshop.handbook);
	const uses = workUses(record, workshop.materials, trade, workshop.settings);
	const db = await database();
	const shop = await loadShop(db);
	return {
		lines,
		leftovers: leftovers(record, workshop),
		spoils: spoilsFirst(
			record,
			lines,
			promisedTo(record.costume.id, shop.atWork, shop.workshop.materials),
			new Map(plan.schedule.steps.map((s) => [Number(s.id), s.start]))
		),
		parcels: parcelsUnderWay(record.purchases, locals.now),
		asked: askedAbout(uses),
		suppliesMissing: suppliesWithoutMaterial(uses, trade),
		offers: await loadOffers(
			db,
			lines.map((l) => l.material.id)
		),
		joints: await loadJoints(db, [record.costume.id]),
		/** Others at work are paid for in the same money: it can be bought for together with them. */
		others: shop.atWork.some(
			({ record: { costume } }) =>
				costume.id !== record.costume.id &&
				costume.demoAction === null &&
				record.costume.demoAction === null &&
				costume.currency === record.costume.currency
		),
		coatsMissing: coatsWithoutMaterial(record, workshop.materials)
	};
};

export const actions: Actions = {
	...actionsOf({
		...purchaseCommands,
		...buyCommands,
		...materialCommands,
		...standInCommands,
		...leftoverCommands
	}),
	...trialsOf(standInCommands, { builds: true })
};
