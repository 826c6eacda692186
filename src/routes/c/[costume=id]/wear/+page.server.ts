import { actionsOf } from '$lib/server/commands/actions.ts';
import { joinCommands } from '$lib/server/commands/join.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf(joinCommands);
