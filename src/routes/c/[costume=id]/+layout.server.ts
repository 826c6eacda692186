import { error } from '@sveltejs/kit';
import { catalogueOf, cautionsFor } from '$core/trade/catalogue.ts';
import { costumeStage, progressOf, stageOf } from '$core/answers/stage.ts';
import { copiesOf } from '$core/facts/component.ts';
import { openSpans } from '$core/engines/schedule/calendar.ts';
import { DAY, dayOf } from '$core/units/localTime.ts';
import { settleNext } from '$core/answers/settle.ts';
import { spendOf } from '$core/answers/spend.ts';
import { database } from '$lib/server/database.ts';
import { Packed } from '$lib/packed.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import { plannedCostume } from '$lib/server/read/plans.ts';
import type { LayoutServerLoad } from './$types';

/** Days that the tape shows at most; farther events are told in words. */
const TAPE_DAYS = 150;

export const load: LayoutServerLoad = async ({ params, locals }) => {
	const id = Number(params.costume);
	const found = Number.isSafeInteger(id)
		? await plannedCostume(await database(), id, locals.now, 'soon')
		: null;
	if (!found) error(404, 'There is no such costume.');
	// What the plan was made from stays here; pages that search or simulate ask for it.
	const { record, workshop, first, kept } = found;
	const { problem: _, ...plan } = found.plan;
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const trade = catalogueOf(workshop.handbook);
	const main = workshop.makers[0];
	const today = dayOf(locals.now);
	const end = Math.min(dayOf(record.costume.eventAt), today + TAPE_DAYS);
	const stages = Object.fromEntries(
		record.components.map((c) => [c.id, stageOf(c, record, workshop, locals.now)])
	);
	const spend = spendOf(record, workshop);
	return {
		/** Pages find them beside the rest: the load of both sides takes them out. */
		packed: new Packed({ record, workshop, plan }),
		/** It is of before the last change: the new one is being made. */
		planOld: found.old,
		/** Of the plan: odds worked out in the page hold as long as it does. */
		planKey: found.key,
		/** Odds of the plan: null where there are none, undefined while they are worked out. */
		forecast: found.forecast,
		first,
		kept,
		stages,
		stage: costumeStage(Object.values(stages)),
		copies: Object.fromEntries(record.components.map((c) => [c.id, copiesOf(c, byId)])),
		progress: progressOf(record, plan.minutes),
		cautions: [
			...new Set(
				record.steps.filter((s) => s.doneAt === null).flatMap((s) => cautionsFor(trade, s.technique))
			)
		],
		spend,
		settle: settleNext(record, await loadMeasure(await database(), id), spend.unpriced, trade),
		windows: main ? openSpans(main, today * DAY, (end + 1) * DAY) : []
	};
};
