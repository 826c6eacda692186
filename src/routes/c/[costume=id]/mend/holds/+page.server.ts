import { learnHolds } from '$core/answers/holdRates.ts';
import { holdsOf } from '$core/answers/holds.ts';
import { redoKinds } from '$core/answers/redo.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { healthCommands } from '$lib/server/commands/health.ts';
import { database } from '$lib/server/database.ts';
import { loadWears } from '$lib/server/read/holdTallies.ts';
import { loadWear } from '$lib/server/read/wear.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, workshop } = (await parent()).packed.value;
	const { id } = record.costume;
	const db = await database();
	const [wears, wear] = await Promise.all([loadWears(db, [id]), loadWear(db, id)]);
	const trade = catalogueOf(workshop.handbook);
	const kinds = holdsOf(record, wear, trade).map((h) => h.kind);
	return {
		learned: learnHolds(workshop.holds ?? [], trade, kinds),
		again: redoKinds(record, workshop),
		wears,
		variants: wear.variants
	};
};

const { addWear, editWear, removeWear } = healthCommands;
export const actions: Actions = actionsOf({ addWear, editWear, removeWear });
