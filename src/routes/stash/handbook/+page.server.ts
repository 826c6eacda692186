import { actionsOf } from '$lib/server/commands/actions.ts';
import { handbookCommands } from '$lib/server/commands/handbook.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf(handbookCommands);
