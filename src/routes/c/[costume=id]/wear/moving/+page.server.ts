import { actionsOf } from '$lib/server/commands/actions.ts';
import { movingCommands } from '$lib/server/commands/moving.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf(movingCommands);
