import { actionsOf } from '$lib/server/commands/actions.ts';
import { openingCommands } from '$lib/server/commands/opening.ts';
import { shapeCommands } from '$lib/server/commands/shape.ts';
import type { Actions } from './$types';

const { resizeShape } = shapeCommands;
export const actions: Actions = actionsOf({ ...openingCommands, resizeShape });
