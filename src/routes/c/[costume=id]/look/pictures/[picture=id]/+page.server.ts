import { error } from '@sveltejs/kit';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { componentCommands } from '$lib/server/commands/component.ts';
import { pictureCommands } from '$lib/server/commands/picture.ts';
import { database } from '$lib/server/database.ts';
import { loadLook } from '$lib/server/read/look.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	await parent();
	const look = await loadLook(await database(), Number(params.costume));
	const pictureId = Number(params.picture);
	if (!look.pictures.some((p) => p.id === pictureId)) error(404, 'There is no such picture.');
	return { look, pictureId };
};

export const actions: Actions = actionsOf({
	...pictureCommands,
	addComponent: componentCommands.addComponent
});
