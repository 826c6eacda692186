import { coatsWithoutMaterial, shoppingLines } from '$core/answers/shopping.ts';
import { parcelsUnderWay } from '$core/answers/parcels.ts';
import { askedAbout, suppliesWithoutMaterial, workUses } from '$core/answers/workUse.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { actionsOf, trialsOf } from '$lib/server/commands/actions.ts';
import { materialCommands } from '$lib/server/commands/material.ts';
import { purchaseCommands } from '$lib/server/commands/purchase.ts';
import { standInCommands } from '$lib/server/commands/standIn.ts';
import { buyCommands } from '$lib/server/commands/supplier.ts';
import { database } from '$lib/server/database.ts';
import { loadOffers } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, locals }) => {
	const { packed } = await parent();
	const { record, workshop } = packed.value;
	const lines = shoppingLines(record, workshop);
	const trade = catalogueOf(workshop.handbook);
	const uses = workUses(record, workshop.materials, trade, workshop.settings);
	return {
		lines,
		parcels: parcelsUnderWay(record.purchases, locals.now),
		asked: askedAbout(uses),
		suppliesMissing: suppliesWithoutMaterial(uses, trade),
		offers: await loadOffers(
			await database(),
			lines.map((l) => l.material.id)
		),
		coatsMissing: coatsWithoutMaterial(record, workshop.materials)
	};
};

export const actions: Actions = {
	...actionsOf({ ...purchaseCommands, ...buyCommands, ...materialCommands, ...standInCommands }),
	...trialsOf(standInCommands, { builds: true })
};
