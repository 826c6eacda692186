import { error } from '@sveltejs/kit';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { cutBefore, layoutCommands } from '$lib/server/commands/layout.ts';
import { database } from '$lib/server/database.ts';
import { loadLayouts, loadOffcuts } from '$lib/server/read/layout.ts';
import { loadMaterials } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const db = await database();
	const layout = (await loadLayouts(db, Number(params.costume))).find((l) => l.id === Number(params.layout));
	if (!layout) error(404, 'There is no such layout. It may have been removed: Undo brings it back.');
	const material = (await loadMaterials(db)).find((m) => m.id === layout.materialId)!;
	const { boughtLeft } = await cutBefore(db, layout.costumeId, material);
	return { layout, boughtLeft, offcuts: await loadOffcuts(db) };
};

export const actions: Actions = actionsOf(layoutCommands);
