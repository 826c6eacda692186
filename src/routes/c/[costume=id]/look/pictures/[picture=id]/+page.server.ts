import { error } from '@sveltejs/kit';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { componentCommands } from '$lib/server/commands/component.ts';
import { pictureCommands } from '$lib/server/commands/picture.ts';
import { database } from '$lib/server/database.ts';
import { loadLookAt } from '$lib/server/read/look.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	await parent();
	return (await loadLookAt(await database(), params)) ?? error(404, 'There is no such picture.');
};

export const actions: Actions = actionsOf({
	...pictureCommands,
	addComponent: componentCommands.addComponent
});
