import { actionsOf } from '$lib/server/commands/actions.ts';
import { fittingCommands } from '$lib/server/commands/fitting.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import { database } from '$lib/server/database.ts';
import { loadVariants } from '$lib/server/read/wear.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { id } = (await parent()).packed.value.record.costume;
	return { variants: await loadVariants(await database(), id) };
};

export const actions: Actions = actionsOf({ ...fittingCommands, ...photoCommands });
