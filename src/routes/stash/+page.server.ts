import { actionsOf } from '$lib/server/commands/actions.ts';
import { offcutCommands } from '$lib/server/commands/offcut.ts';
import { materialCommands } from '$lib/server/commands/material.ts';
import { pasteCommands } from '$lib/server/commands/paste.ts';
import { database } from '$lib/server/database.ts';
import { loadOffcuts } from '$lib/server/read/layout.ts';
import { loadMaterials } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => {
	const db = await database();
	return { materials: await loadMaterials(db), offcuts: await loadOffcuts(db) };
};

export const actions: Actions = actionsOf({
	...materialCommands,
	...offcutCommands,
	pasteMaterials: pasteCommands.pasteMaterials
});
