import { actionsOf } from '$lib/server/commands/actions.ts';
import { materialCommands } from '$lib/server/commands/material.ts';
import { pasteCommands } from '$lib/server/commands/paste.ts';
import { database } from '$lib/server/database.ts';
import { loadMaterials } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ materials: await loadMaterials(await database()) });

export const actions: Actions = actionsOf({
	...materialCommands,
	pasteMaterials: pasteCommands.pasteMaterials
});
