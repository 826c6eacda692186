import { actionsOf, trialsOf } from '$lib/server/commands/actions.ts';
import { shapeCommands } from '$lib/server/commands/shape.ts';
import type { Actions } from './$types';

const { addShape } = shapeCommands;
export const actions: Actions = { ...actionsOf({ addShape }), ...trialsOf({ addShape }) };
