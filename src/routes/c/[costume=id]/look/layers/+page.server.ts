import { actionsOf } from '$lib/server/commands/actions.ts';
import { layerCommands } from '$lib/server/commands/layer.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf(layerCommands);
