import { actionsOf } from '$lib/server/commands/actions.ts';
import { workshopCommands } from '$lib/server/commands/workshop.ts';
import { database } from '$lib/server/database.ts';
import { loadWorkshop } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ workshop: await loadWorkshop(await database()) });

export const actions: Actions = actionsOf(workshopCommands);
