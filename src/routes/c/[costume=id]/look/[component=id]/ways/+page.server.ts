import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { addTaken } from '$core/answers/plan.ts';
import { compareWays } from '$core/answers/makeOrBuy.ts';
import type { Span } from '$core/engines/schedule/calendar.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import * as f from '$lib/server/commands/fields.ts';
import { wayCommands } from '$lib/server/commands/way.ts';
import { database } from '$lib/server/database.ts';
import { loadLook } from '$lib/server/read/look.ts';
import { plannedCostume } from '$lib/server/read/plans.ts';
import type { Actions, PageServerLoad } from './$types';

/** Offers that are not known yet: a price of nothing tomorrow would flatter them, so they say what they took. */
const LEAD_DAYS = 7;

export const load: PageServerLoad = async ({ params, url, locals, parent }) => {
	const { packed } = await parent();
	const { record } = packed.value;
	const component = record.components.find((c) => String(c.id) === params.component);
	if (!component) error(404, 'There is no such component in this costume.');
	const db = await database();
	const found = (await plannedCostume(db, record.costume.id, locals.now))!;
	const { decisions } = await loadLook(db, record.costume.id);
	const mine = decisions.filter((d) => d.componentId === component.id);
	const known = {
		buyPriceMinor: mine[0]?.buyPriceMinor ?? 0,
		buyLeadDays: mine[0]?.buyLeadDays ?? LEAD_DAYS,
		alterPriceMinor: mine[0]?.alterPriceMinor ?? 0,
		alterLeadDays: mine[0]?.alterLeadDays ?? 0
	};
	const typed = Object.fromEntries(url.searchParams);
	const schema = z.object({
		buyPriceMinor: f.money(record.costume.currency),
		buyLeadDays: f.whole(0, 400),
		alterPriceMinor: f.money(record.costume.currency),
		alterLeadDays: f.whole(0, 400)
	});
	const parsed = schema.safeParse(typed);
	const asked = url.searchParams.has('buyPriceMinor');
	const offers = parsed.success ? parsed.data : known;
	const taken = new Map<string, Span[]>();
	for (const { record, plan } of found.earlier) addTaken(taken, record, plan);
	return {
		componentId: component.id,
		decisions: mine,
		offers,
		typed: asked ? typed : null,
		errors:
			asked && !parsed.success
				? Object.fromEntries(parsed.error.issues.map((i) => [String(i.path[0]), i.message]))
				: ({} as Record<string, string>),
		ways: compareWays(
			component,
			found.record,
			found.workshop,
			{
				buy: { priceMinor: offers.buyPriceMinor, leadDays: offers.buyLeadDays },
				alter: { priceMinor: offers.alterPriceMinor, leadDays: offers.alterLeadDays }
			},
			Math.ceil(locals.now / 5) * 5,
			taken
		)
	};
};

export const actions: Actions = actionsOf(wayCommands);
