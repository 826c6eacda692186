import { actionsOf } from '$lib/server/commands/actions.ts';
import { openingCommands } from '$lib/server/commands/opening.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf(openingCommands);
