import { actionsOf } from '$lib/server/commands/actions.ts';
import { shapeCommands } from '$lib/server/commands/shape.ts';
import type { Actions } from './$types';

/** Removing is done from the shape's own page, which is then gone. */
export const actions: Actions = actionsOf({ removeShape: shapeCommands.removeShape });
