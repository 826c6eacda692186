import { error } from '@sveltejs/kit';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { glueCommands } from '$lib/server/commands/glue.ts';
import { joinCommands } from '$lib/server/commands/join.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	const { packed } = await parent();
	const component = packed.value.record.components.find((c) => String(c.id) === params.component);
	if (!component) error(404, 'There is no such component in this costume.');
	return { componentId: component.id };
};

export const actions: Actions = actionsOf({ ...joinCommands, ...glueCommands });
