import { costumeStage, stageOf } from '$core/costume/stage.ts';
import type { CostumeRecord, Workshop } from '$core/costume/record.ts';
import type { CostumePlan } from '$core/costume/costumePlan.ts';
import { todayOf } from '$core/bench/today.ts';
import { spendOf } from '$core/needs/spend.ts';
import { daysLeftFigure, hoursLeftFigure, spendFigure } from '$core/working/figures.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { costumeCommands } from '$lib/server/commands/costume.ts';
import { fileCommands } from '$lib/server/commands/file.ts';
import { database } from '$lib/server/database.ts';
import { all } from '$lib/server/db/rows.ts';
import { plannedWorkshop } from '$lib/server/read/plans.ts';
import type { Actions, PageServerLoad } from './$types';

function card(record: CostumeRecord, plan: CostumePlan, workshop: Workshop, now: LocalMinutes) {
	const spend = spendOf(record, workshop.materials);
	const today = todayOf(record, workshop, plan, now);
	const next = today.ready[0];
	return {
		costume: record.costume,
		stage: costumeStage(record.components.map((c) => stageOf(c, record, now))),
		outlook: plan.outlook,
		spareMinutes: plan.spareMinutes,
		finish: plan.plan.finish,
		days: daysLeftFigure(record.costume, now),
		hours: hoursLeftFigure(record, plan),
		spend: spendFigure(record.costume, spend),
		spentMinor: spend.spentMinor,
		totalMinor: spend.totalMinor,
		next: next ? `${next.component.code} ${next.component.name}: ${next.step.name}` : null,
		nextMinutes: next?.minutes ?? null,
		drying: today.drying.length,
		components: record.components.length
	};
}

export const load: PageServerLoad = async ({ locals }) => {
	const db = await database();
	const { records, plans, workshop } = await plannedWorkshop(db, locals.now);
	const archived = await all<{ id: number; name: string; wearer: string; eventAt: number }>(
		db,
		'select id, name, wearer, event_at from costume where archived_at is not null order by event_at desc'
	);
	return {
		cards: records.map((r) => card(r, plans.get(r.costume.id)!, workshop, locals.now)),
		archived
	};
};

export const actions: Actions = actionsOf({ ...costumeCommands, ...fileCommands });
