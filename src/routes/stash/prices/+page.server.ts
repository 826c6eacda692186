import { actionOf, actionsOf } from '$lib/server/commands/actions.ts';
import { checkPriceList, priceListCommands } from '$lib/server/commands/priceList.ts';
import { database } from '$lib/server/database.ts';
import { loadSuppliers } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({
	suppliers: (await loadSuppliers(await database())).map((s) => s.name)
});

export const actions: Actions = {
	...actionsOf(priceListCommands),
	checkPriceList: actionOf('checkPriceList', checkPriceList)
};
