import { catalogueOf } from '$core/trade/catalogue.ts';
import { estimateErrors } from '$core/answers/rates.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { daysOffCommands } from '$lib/server/commands/daysOff.ts';
import { workshopCommands } from '$lib/server/commands/workshop.ts';
import { database } from '$lib/server/database.ts';
import { plannedShop } from '$lib/server/read/plans.ts';
import type { Actions, PageServerLoad } from './$types';

/** So many of the last estimates are judged: each is learned anew from all before it. */
const MOST_JUDGED = 200;

export const load: PageServerLoad = async ({ locals }) => {
	const { shop, plans, old } = await plannedShop(await database(), locals.now, 'soon');
	const { workshop, observations, atWork } = shop;
	const judged = observations.slice(-MOST_JUDGED);
	return {
		workshop,
		errors: estimateErrors(catalogueOf(workshop.handbook), judged, workshop.ownRates),
		/** What these hours come to, in order of event. */
		ready: atWork.flatMap(({ record: { costume } }) => {
			const plan = plans.get(costume.id);
			if (!plan) return [];
			const { schedule, spareMinutes, outlook } = plan;
			return [{ id: costume.id, name: costume.name, finish: schedule.finish, spareMinutes, outlook }];
		}),
		planOld: old
	};
};

export const actions: Actions = actionsOf({ ...workshopCommands, ...daysOffCommands });
