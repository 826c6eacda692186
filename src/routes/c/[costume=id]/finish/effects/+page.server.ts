import { actionsOf } from '$lib/server/commands/actions.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import { wearCommands } from '$lib/server/commands/wear.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf({ ...wearCommands, finishStep: stepCommands.finishStep });
