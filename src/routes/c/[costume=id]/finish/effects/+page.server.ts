import { actionsOf } from '$lib/server/commands/actions.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import { wearCommands } from '$lib/server/commands/wear.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	await parent();
};

export const actions: Actions = actionsOf({ ...wearCommands, finishStep: stepCommands.finishStep });
