import { actionsOf, trialsOf } from '$lib/server/commands/actions.ts';
import { wearerCommands } from '$lib/server/commands/wearer.ts';
import type { Actions } from './$types';

const { takeMeasures } = wearerCommands;

export const actions: Actions = { ...actionsOf({ takeMeasures }), ...trialsOf({ takeMeasures }) };
