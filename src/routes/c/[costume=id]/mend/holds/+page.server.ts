import { catalogueOf } from '$core/trade/catalogue.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { healthCommands } from '$lib/server/commands/health.ts';
import { database } from '$lib/server/database.ts';
import { loadLearnedHolds, loadWears } from '$lib/server/read/health.ts';
import { loadVariants } from '$lib/server/read/wear.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, workshop } = (await parent()).packed.value;
	const { id } = record.costume;
	const db = await database();
	const [learned, wears, variants] = await Promise.all([
		loadLearnedHolds(db, record, catalogueOf(workshop.handbook)),
		loadWears(db, [id]),
		loadVariants(db, id)
	]);
	return { learned, wears, variants };
};

const { addWear, editWear, removeWear } = healthCommands;
export const actions: Actions = actionsOf({ addWear, editWear, removeWear });
