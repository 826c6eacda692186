import { actionsOf } from '$lib/server/commands/actions.ts';
import { planCommands } from '$lib/server/commands/plan.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf(planCommands);
