import { costumeStage, progressOf, stageOf } from '$core/answers/stage.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import { readyShare, type Forecast } from '$core/answers/forecast.ts';
import { byEvent, type CostumePlan } from '$core/answers/plan.ts';
import { todayOf } from '$core/answers/today.ts';
import { workshopFor } from '$core/answers/stash.ts';
import { moneyByEvent } from '$core/answers/moneyByEvent.ts';
import { spendOf, type Spend } from '$core/answers/spend.ts';
import { daysLeftFigure, hoursLeftFigure } from '$core/explain/plan.ts';
import { spendFigure } from '$core/explain/money.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { costumeCommands } from '$lib/server/commands/costume.ts';
import { demoCommands } from '$lib/server/commands/demo.ts';
import { fileCommands } from '$lib/server/commands/file.ts';
import { database } from '$lib/server/database.ts';
import { all } from '$lib/server/db/rows.ts';
import { plannedShop } from '$lib/server/read/plans.ts';
import type { Actions, PageServerLoad } from './$types';

function card(
	record: CostumeRecord,
	plan: CostumePlan,
	workshop: Workshop,
	spend: Spend,
	now: LocalMinutes,
	forecast: Forecast | null | undefined,
	picture: string | null
) {
	const today = todayOf(record, workshop, plan, now);
	const next = today.ready[0];
	return {
		costume: record.costume,
		stage: costumeStage(record.components.map((c) => stageOf(c, record, workshop, now))),
		outlook: plan.outlook,
		/** Share of builds ready in time: null where there is nothing to simulate, undefined while they are under way. */
		ready: forecast && readyShare(forecast, plan),
		guessedMinutes: plan.guessedMinutes,
		spareMinutes: plan.spareMinutes,
		finish: plan.schedule.finish,
		days: daysLeftFigure(record.costume, now),
		hours: hoursLeftFigure(record, plan),
		spend: spendFigure(record.costume, spend),
		spentMinor: spend.spentMinor,
		totalMinor: spend.totalMinor,
		/** Materials that come on top, at a price that nobody knows. */
		unpriced: spend.unpriced.length,
		costGuessed: spend.guessed,
		next: next ? `${next.component.code} ${next.component.name}: ${next.step.name}` : null,
		nextMinutes: next?.minutes ?? null,
		drying: today.drying.length,
		components: record.components,
		/** How far each is made. */
		progress: progressOf(record, plan.minutes),
		/** Of what it is to look like, else of how it was made. */
		picture: picture ?? record.photos[0]?.hash ?? null
	};
}

export const load: PageServerLoad = async ({ locals }) => {
	const db = await database();
	const { key, shop, plans, old, round } = await plannedShop(db, locals.now, 'soon');
	const archived = await all<{ id: number; name: string; wearer: string; eventAt: number }>(
		db,
		'select id, name, wearer, event_at from costume where archived_at is not null order by event_at desc'
	);
	const pictures = new Map(
		(
			await all<{ costumeId: number; hash: string }>(
				db,
				'select distinct on (costume_id) costume_id, hash from reference_picture order by costume_id, position, id'
			)
		).map((p) => [p.costumeId, p.hash])
	);
	const costumes = shop.atWork
		.toSorted((a, b) => byEvent(a.record, b.record))
		.map(({ record, promised }) => {
			const workshop = workshopFor(shop.workshop, record.costume, promised);
			return { record, costume: record.costume, workshop, spend: spendOf(record, workshop) };
		});
	const events = moneyByEvent(costumes);
	return {
		cards: costumes.map(({ record, workshop, spend }) =>
			card(
				record,
				plans.get(record.costume.id)!,
				workshop,
				spend,
				locals.now,
				round.forecastOf(record.costume.id),
				pictures.get(record.costume.id) ?? null
			)
		),
		/** Of an event with one costume its card says it. */
		events: events.some((e) => e.costumes.length > 1) ? events : [],
		planKey: key,
		planOld: old,
		archived
	};
};

export const actions: Actions = actionsOf({ ...costumeCommands, ...demoCommands, ...fileCommands });
