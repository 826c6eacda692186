import { error, json } from '@sveltejs/kit';
import { orderOf } from '$core/answers/planProblem.ts';
import { database } from '$lib/server/database.ts';
import { plannedCostume } from '$lib/server/read/plans.ts';
import type { RequestHandler } from './$types';

/** What the costume's plan is made from, for searching and simulating in the page's worker. */
export const GET: RequestHandler = async ({ params, locals }) => {
	const id = Number(params.costume);
	const found = Number.isSafeInteger(id) ? await plannedCostume(await database(), id, locals.now) : null;
	if (!found) error(404, 'There is no such costume.');
	const { problem, schedule: plan } = found.plan;
	return json({
		problem: {
			...problem,
			// Hours taken before today move nothing.
			taken: [...(problem.taken ?? [])]
		},
		order: found.record.found ? orderOf(found.record.found) : plan.order
	});
};
