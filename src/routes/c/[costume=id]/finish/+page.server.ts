import { packsForCoats } from '$core/finish/coatStack.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { coatCommands } from '$lib/server/commands/coat.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { record, copies } = await parent();
	return { packs: packsForCoats(record.coats.map((c) => ({ ...c, copies: copies[c.componentId] ?? 1 }))) };
};

export const actions: Actions = actionsOf({ ...coatCommands, ...stepCommands });
