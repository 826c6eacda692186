import { hoursOf } from '$core/facts/travel.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { lightCommands } from '$lib/server/commands/light.ts';
import { database } from '$lib/server/database.ts';
import { litBy } from '$lib/server/light.ts';
import { loadRules } from '$lib/server/read/rules.ts';
import type { Actions, PageServerLoad } from './$types';

/** It has to last as long as a day of its event is, unless somebody says otherwise. */
export const load: PageServerLoad = async ({ url, parent }) => {
	const { eventName } = (await parent()).packed.value.record.costume;
	return litBy(url.searchParams, hoursOf(await loadRules(await database()), eventName));
};

export const actions: Actions = actionsOf(lightCommands);
