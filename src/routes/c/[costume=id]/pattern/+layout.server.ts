import { database } from '$lib/server/database.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	return { fit: await loadMeasure(await database(), Number(params.costume)) };
};
