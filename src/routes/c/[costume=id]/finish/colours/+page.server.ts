import { actionsOf } from '$lib/server/commands/actions.ts';
import { paletteCommands } from '$lib/server/commands/palette.ts';
import { database } from '$lib/server/database.ts';
import { driedSwatches } from '$lib/server/read/recipes.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import { loadLook } from '$lib/server/read/look.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	await parent();
	const { pictures } = await loadLook(await database(), Number(params.costume));
	// What is owned, whomever it is promised to.
	const { materials } = (await loadShop(await database())).workshop;
	return {
		dried: await driedSwatches(await database()),
		pictures,
		looking: materials.filter((m) => m.lab !== null)
	};
};

export const actions: Actions = actionsOf(paletteCommands);
