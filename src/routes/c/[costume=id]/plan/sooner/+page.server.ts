import { alternativesOf } from '$core/answers/alternatives.ts';
import { database } from '$lib/server/database.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { costumeCommands } from '$lib/server/commands/costume.ts';
import { planCommands } from '$lib/server/commands/plan.ts';
import { planByRule } from '$core/engines/schedule/plan.ts';
import { loadPieces } from '$lib/server/read/costume.ts';
import { loadLook } from '$lib/server/read/look.ts';
import { plannedCostume } from '$lib/server/read/plans.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals }) => {
	const db = await database();
	const { record, plan, workshop, shop, old } = (await plannedCostume(
		db,
		Number(params.costume),
		locals.now,
		'soon'
	))!;
	// What another plan would change is told of the new one, in a moment.
	if (old) return { alternatives: [], otherFinish: null };
	const others = shop.atWork.map((c) => c.record).filter((r) => r.costume.id !== record.costume.id);
	// The newest offer of each component counts: decisions come newest first.
	const { id } = record.costume;
	const [{ decisions }, pieces] = await Promise.all([loadLook(db, id), loadPieces(db, [id])]);
	const offers = new Map(
		decisions
			.toReversed()
			.filter((d) => d.buyPriceMinor > 0)
			.map((d) => [d.componentId, { priceMinor: d.buyPriceMinor, leadDays: d.buyLeadDays }])
	);
	// The other reading of "begun": it moves the finish by days, so both are told.
	const split = record.costume.split === 'windows' ? ('anywhere' as const) : ('windows' as const);
	const other = planByRule({ ...plan.problem, split });
	return {
		alternatives: alternativesOf(record, plan, workshop, others, offers, locals.now, pieces.get(id)),
		otherFinish: other.impossible.length ? null : other.finish
	};
};

export const actions: Actions = actionsOf({
	...costumeCommands,
	...planCommands
});
