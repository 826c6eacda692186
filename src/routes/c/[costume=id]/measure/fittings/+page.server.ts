import { actionsOf } from '$lib/server/commands/actions.ts';
import { fittingCommands } from '$lib/server/commands/fitting.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf({ ...fittingCommands, ...photoCommands });
