import { actionsOf } from '$lib/server/commands/actions.ts';
import { shapeCommands } from '$lib/server/commands/shape.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf({ cutShapes: shapeCommands.cutShapes });
