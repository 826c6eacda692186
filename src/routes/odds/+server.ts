import { json } from '@sveltejs/kit';
import { readyShare } from '$core/answers/forecast.ts';
import { database } from '$lib/server/database.ts';
import { plannedShop } from '$lib/server/read/plans.ts';
import type { RequestHandler } from './$types';

/** The odds of all costumes at work that are known by now, and of one more: for the shelf. */
export const GET: RequestHandler = async ({ locals }) => {
	const { key, plans, round } = await plannedShop(await database(), locals.now);
	const next = [...plans.keys()].find((id) => round.forecastOf(id) === undefined);
	if (next !== undefined) await round.forecastWhen(next);
	const known = [...plans].flatMap(([id, plan]) => {
		const forecast = round.forecastOf(id);
		return forecast === undefined ? [] : [[id, readyShare(forecast, plan)] as const];
	});
	return json({ key, ready: Object.fromEntries(known) });
};
