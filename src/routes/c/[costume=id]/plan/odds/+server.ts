import { error, json } from '@sveltejs/kit';
import { database } from '$lib/server/database.ts';
import { plannedCostume } from '$lib/server/read/plans.ts';
import type { RequestHandler } from './$types';

/** The odds of the plan as it is now, when they are known. */
export const GET: RequestHandler = async ({ params, locals }) => {
	const found = await plannedCostume(await database(), Number(params.costume), locals.now);
	if (!found) error(404, 'There is no such costume.');
	return json({ key: found.key, forecast: await found.forecastWhen() });
};
