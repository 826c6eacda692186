import { hoursOf } from '$core/facts/travel.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { movingCommands } from '$lib/server/commands/moving.ts';
import { database } from '$lib/server/database.ts';
import { loadRules } from '$lib/server/read/rules.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { eventName } = (await parent()).packed.value.record.costume;
	return { hours: hoursOf(await loadRules(await database()), eventName) };
};

export const actions: Actions = actionsOf(movingCommands);
