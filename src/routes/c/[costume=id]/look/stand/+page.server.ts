import { actionsOf } from '$lib/server/commands/actions.ts';
import { assembledCommands } from '$lib/server/commands/assembled.ts';
import { database } from '$lib/server/database.ts';
import { loadLook } from '$lib/server/read/look.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	await parent();
	const [db, costume] = [await database(), Number(params.costume)];
	return { look: await loadLook(db, costume), fit: await loadMeasure(db, costume) };
};

export const actions: Actions = actionsOf(assembledCommands);
