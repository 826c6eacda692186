import { actionsOf } from '$lib/server/commands/actions.ts';
import { faultCommands } from '$lib/server/commands/fault.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import type { Actions } from './$types';

export const actions: Actions = actionsOf({ ...faultCommands, ...stepCommands, ...photoCommands });
