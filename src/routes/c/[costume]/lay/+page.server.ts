import { actionsOf } from '$lib/server/commands/actions.ts';
import { layoutCommands } from '$lib/server/commands/layout.ts';
import { database } from '$lib/server/database.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => ({
	fit: await loadMeasure(await database(), Number(params.costume))
});

export const actions: Actions = actionsOf(layoutCommands);
