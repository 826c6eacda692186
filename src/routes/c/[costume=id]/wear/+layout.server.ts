import { database } from '$lib/server/database.ts';
import { loadWeights } from '$lib/server/read/wear.ts';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ parent }) => {
	const { packed } = await parent();
	const { record, workshop } = packed.value;
	const { wear, weights } = await loadWeights(await database(), record, workshop);
	return { wear, weights };
};
