import { actionsOf, trialsOf } from '$lib/server/commands/actions.ts';
import { printCommands } from '$lib/server/commands/print.ts';
import { shapeCommands } from '$lib/server/commands/shape.ts';
import { database } from '$lib/server/database.ts';
import { loadLook } from '$lib/server/read/look.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => ({
	look: await loadLook(await database(), Number(params.costume))
});

const { bringShape } = shapeCommands;

export const actions: Actions = {
	...actionsOf({ bringShape, planPrint: printCommands.planPrint }),
	...trialsOf({ bringShape })
};
