import { actionsOf } from '$lib/server/commands/actions.ts';
import { costumeCommands } from '$lib/server/commands/costume.ts';
import { planCommands } from '$lib/server/commands/plan.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf({ ...costumeCommands, ...planCommands });
