import { actionsOf } from '$lib/server/commands/actions.ts';
import { panelCommands } from '$lib/server/commands/panels.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf(panelCommands);
