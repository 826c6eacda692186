import { actionsOf } from '$lib/server/commands/actions.ts';
import { wearerCommands } from '$lib/server/commands/wearer.ts';
import type { Actions } from './$types';

const { shapeSection } = wearerCommands;
export const actions: Actions = actionsOf({ shapeSection });
