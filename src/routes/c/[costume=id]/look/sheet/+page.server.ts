import { database } from '$lib/server/database.ts';
import { loadShapes } from '$lib/server/read/measure.ts';
import { loadLook } from '$lib/server/read/look.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	await parent();
	const [db, costume] = [await database(), Number(params.costume)];
	return { look: await loadLook(db, costume), shaped: (await loadShapes(db, [costume])).length > 0 };
};
