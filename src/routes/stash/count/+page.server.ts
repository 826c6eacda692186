import { byPlace } from '$core/answers/lots.ts';
import { dayOf } from '$core/units/localTime.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { lotCommands } from '$lib/server/commands/lot.ts';
import { database } from '$lib/server/database.ts';
import { loadOffcuts } from '$lib/server/read/layout.ts';
import { loadMaterials } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const db = await database();
	const [materials, offcuts] = await Promise.all([loadMaterials(db), loadOffcuts(db)]);
	const name = new Map(materials.map((m) => [m.id, m.name]));
	return {
		places: byPlace(materials),
		offcuts: offcuts.map((o) => ({ ...o, material: name.get(o.materialId)! })),
		today: dayOf(locals.now)
	};
};

const { takeStock } = lotCommands;
export const actions: Actions = actionsOf({ takeStock });
