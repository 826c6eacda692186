import { actionsOf } from '$lib/server/commands/actions.ts';
import { comesOff } from '$core/answers/takingOff.ts';
import { preparationCommands } from '$lib/server/commands/preparation.ts';
import { rehearsalCommands } from '$lib/server/commands/rehearsal.ts';
import { joinCommands } from '$lib/server/commands/join.ts';
import { dressed } from '$lib/server/dress.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { components, wear } = await parent();
	const { circle, plans } = dressed(components, wear);
	return { circle, plans, off: circle ? [] : comesOff(components, wear, () => performance.now() / 1000) };
};

export const actions: Actions = actionsOf({ ...joinCommands, ...preparationCommands, ...rehearsalCommands });
