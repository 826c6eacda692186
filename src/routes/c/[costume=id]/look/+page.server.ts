import { actionsOf } from '$lib/server/commands/actions.ts';
import { componentCommands } from '$lib/server/commands/component.ts';
import { copyCommands } from '$lib/server/commands/copyBreakdown.ts';
import { pasteCommands } from '$lib/server/commands/paste.ts';
import { database } from '$lib/server/database.ts';
import { otherBreakdowns } from '$lib/server/read/breakdowns.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => ({
	others: await otherBreakdowns(await database(), Number(params.costume))
});

export const actions: Actions = actionsOf({
	...componentCommands,
	...copyCommands,
	pasteComponents: pasteCommands.pasteComponents
});
