import { actionsOf } from '$lib/server/commands/actions.ts';
import { pictureCommands } from '$lib/server/commands/picture.ts';
import { database } from '$lib/server/database.ts';
import { loadLook } from '$lib/server/read/look.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	await parent();
	return { look: await loadLook(await database(), Number(params.costume)) };
};

export const actions: Actions = actionsOf(pictureCommands);
