import { sharedWith } from '$core/answers/bookings.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { componentCommands } from '$lib/server/commands/component.ts';
import { copyCommands } from '$lib/server/commands/copyBreakdown.ts';
import { pasteCommands } from '$lib/server/commands/paste.ts';
import { quickLineCommands } from '$lib/server/commands/quickLine.ts';
import { loanCommands } from '$lib/server/commands/loan.ts';
import { database } from '$lib/server/database.ts';
import { loadOtherComponents, loadShared } from '$lib/server/read/loans.ts';
import { otherBreakdowns } from '$lib/server/read/breakdowns.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const db = await database();
	const id = Number(params.costume);
	const [others, lendable, shared] = await Promise.all([
		otherBreakdowns(db, id),
		loadOtherComponents(db, id),
		loadShared(db)
	]);
	return { others, lendable, ...sharedWith(id, shared) };
};

export const actions: Actions = actionsOf({
	...componentCommands,
	...copyCommands,
	...loanCommands,
	...quickLineCommands,
	pasteComponents: pasteCommands.pasteComponents
});
