import { catalogueOf } from '$core/trade/catalogue.ts';
import { estimateErrors } from '$core/answers/rates.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { daysOffCommands } from '$lib/server/commands/daysOff.ts';
import { workshopCommands } from '$lib/server/commands/workshop.ts';
import { database } from '$lib/server/database.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import type { Actions, PageServerLoad } from './$types';

/** So many of the last estimates are judged: each is learned anew from all before it. */
const MOST_JUDGED = 200;

export const load: PageServerLoad = async () => {
	const { workshop, observations } = await loadShop(await database());
	const judged = observations.slice(-MOST_JUDGED);
	return { workshop, errors: estimateErrors(catalogueOf(workshop.handbook), judged, workshop.ownRates) };
};

export const actions: Actions = actionsOf({ ...workshopCommands, ...daysOffCommands });
