import { error } from '@sveltejs/kit';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { layoutCommands } from '$lib/server/commands/layout.ts';
import { database } from '$lib/server/database.ts';
import { loadLayouts, loadOffcuts } from '$lib/server/read/layout.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const db = await database();
	const layout = (await loadLayouts(db, Number(params.costume))).find((l) => l.id === Number(params.layout));
	if (!layout) error(404, 'There is no such layout. It may have been removed: Undo brings it back.');
	return { layout, offcuts: await loadOffcuts(db) };
};

export const actions: Actions = actionsOf(layoutCommands);
