import { actionsOf } from '$lib/server/commands/actions.ts';
import { kitCommands } from '$lib/server/commands/kit.ts';
import { database } from '$lib/server/database.ts';
import { loadKit } from '$lib/server/read/health.ts';
import { loadWear } from '$lib/server/read/wear.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, locals }) => {
	const { record, workshop } = (await parent()).packed.value;
	const db = await database();
	const wear = await loadWear(db, record.costume.id);
	return loadKit(db, record, workshop, locals.now, { wear, components: record.components });
};

export const actions: Actions = actionsOf(kitCommands);
