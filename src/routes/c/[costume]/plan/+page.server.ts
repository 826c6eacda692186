import { alternativesOf } from '$core/costume/alternatives.ts';
import { database } from '$lib/server/database.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { costumeCommands } from '$lib/server/commands/costume.ts';
import { planCommands } from '$lib/server/commands/plan.ts';
import { plannedCostume, plannedWorkshop } from '$lib/server/read/plans.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
	const db = await database();
	const { record, plan, workshop } = (await plannedCostume(db, Number(params.costume), locals.now))!;
	const { records } = await plannedWorkshop(db, locals.now);
	const others = records.filter((r) => r.costume.id !== record.costume.id);
	return { alternatives: alternativesOf(record, plan, workshop, others, locals.now) };
};

export const actions: Actions = actionsOf({
	...costumeCommands,
	...planCommands
});
