import { variantAt, wornAs } from '$core/answers/variant.ts';
import { database } from '$lib/server/database.ts';
import { loadWeights } from '$lib/server/read/wear.ts';
import type { LayoutServerLoad } from './$types';

/** Pages of Wear show the costume as it is worn: all of it, or in the way that the address says. */
export const load: LayoutServerLoad = async ({ parent, url }) => {
	const { packed } = await parent();
	const { record, workshop } = packed.value;
	const { wear, weights } = await loadWeights(await database(), record, workshop);
	const variant = variantAt(wear.variants, url.searchParams.get('as'));
	return { ...wornAs(variant, record.components, wear), variant, weights };
};
