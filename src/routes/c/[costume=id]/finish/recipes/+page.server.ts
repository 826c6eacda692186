import { actionsOf } from '$lib/server/commands/actions.ts';
import { handbookCommands } from '$lib/server/commands/handbook.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import { recipeCommands } from '$lib/server/commands/recipe.ts';
import { database } from '$lib/server/database.ts';
import { earlierRecipes, swatchesElsewhere } from '$lib/server/read/recipes.ts';
import { loadMaterials } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	await parent();
	const db = await database();
	const [earlier, elsewhere, materials] = await Promise.all([
		earlierRecipes(db),
		swatchesElsewhere(db, Number(params.costume)),
		loadMaterials(db)
	]);
	return { earlier, elsewhere, paints: materials.filter((m) => m.coatProduct !== null) };
};

export const actions: Actions = actionsOf({ ...recipeCommands, ...photoCommands, ...handbookCommands });
