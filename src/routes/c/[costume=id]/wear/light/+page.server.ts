import { actionsOf } from '$lib/server/commands/actions.ts';
import { lightCommands } from '$lib/server/commands/light.ts';
import { litBy } from '$lib/server/light.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ url }) => litBy(url.searchParams);

export const actions: Actions = actionsOf(lightCommands);
