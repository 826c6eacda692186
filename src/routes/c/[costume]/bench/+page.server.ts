import { todayOf } from '$core/bench/today.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { logCommands } from '$lib/server/commands/log.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, locals }) => {
	const { record, workshop, plan } = await parent();
	return { today: todayOf(record, workshop, plan, locals.now) };
};

export const actions: Actions = actionsOf({ ...logCommands, ...photoCommands, ...stepCommands });
