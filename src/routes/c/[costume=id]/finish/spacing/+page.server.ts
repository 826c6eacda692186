import { knownLengths } from '$core/answers/knownLengths.ts';
import { database } from '$lib/server/database.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import { spacedBy } from '$lib/server/spacing.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, params, parent }) => {
	const { packed } = await parent();
	const { record, workshop } = packed.value;
	const fit = await loadMeasure(await database(), Number(params.costume));
	const lengths = knownLengths(record, fit, workshop.materials);
	return spacedBy(url.searchParams, workshop.settings.lengthUnit, lengths);
};
