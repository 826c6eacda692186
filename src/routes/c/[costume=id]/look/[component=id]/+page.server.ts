import { error } from '@sveltejs/kit';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { coatCommands } from '$lib/server/commands/coat.ts';
import { componentCommands } from '$lib/server/commands/component.ts';
import { logCommands } from '$lib/server/commands/log.ts';
import { photoCommands } from '$lib/server/commands/photo.ts';
import { purchaseCommands } from '$lib/server/commands/purchase.ts';
import { seedCommands } from '$lib/server/commands/seed.ts';
import { stepCommands } from '$lib/server/commands/step.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	const { record } = await parent();
	const component = record.components.find((c) => String(c.id) === params.component);
	if (!component) error(404, 'There is no such component in this costume.');
	return { componentId: component.id };
};

export const actions: Actions = actionsOf({
	...componentCommands,
	...stepCommands,
	...seedCommands,
	...coatCommands,
	...purchaseCommands,
	...photoCommands,
	...logCommands
});
