import { heldUp, hurts, lessons, workDone } from '$core/answers/afterEvent.ts';
import { carriedBy } from '$core/answers/carried.ts';
import { holdings } from '$core/answers/holding.ts';
import { spendOf } from '$core/answers/spend.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { DAY } from '$core/units/localTime.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { healthCommands } from '$lib/server/commands/health.ts';
import { nextTimeCommands } from '$lib/server/commands/nextTime.ts';
import { database } from '$lib/server/database.ts';
import { loadHealth } from '$lib/server/read/health.ts';
import { loadOtherComponents } from '$lib/server/read/loans.ts';
import { loadWeights } from '$lib/server/read/wear.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, workshop } = (await parent()).packed.value;
	const db = await database();
	const { costume, components } = record;
	const [{ wears, nextTimes }, { wear, weights }, others] = await Promise.all([
		loadHealth(db, costume.id),
		loadWeights(db, record, workshop),
		loadOtherComponents(db, costume.id)
	]);
	const trade = catalogueOf(workshop.handbook);
	const { loadFactors, comfort } = workshop.settings;
	const held = holdings(components, wear, weights, loadFactors, trade);
	const first = wears[wears.length - 1];
	const holding = heldUp(record, wear, first ? first.wornOn * DAY : costume.eventAt, trade);
	const hurt = hurts(wears, components, carriedBy(components, wear, weights, held, comfort));
	const { spentMinor, totalMinor } = spendOf(record, workshop);
	return {
		wears,
		holding,
		hurt,
		work: workDone(record, workshop),
		money: { spentMinor, totalMinor },
		lessons: lessons(holding.letGo, hurt, trade).filter(
			(l) => !nextTimes.some((n) => n.words === l.words && n.componentId === l.componentId)
		),
		nextTimes,
		others: others.filter((o) => !o.isAway)
	};
};

const { addWear } = healthCommands;
export const actions: Actions = actionsOf({ ...nextTimeCommands, addWear });
