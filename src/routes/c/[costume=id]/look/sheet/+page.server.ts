import { database } from '$lib/server/database.ts';
import { loadLook } from '$lib/server/read/look.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	await parent();
	return { look: await loadLook(await database(), Number(params.costume)) };
};
