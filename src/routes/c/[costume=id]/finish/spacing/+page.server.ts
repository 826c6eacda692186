import { spacedBy } from '$lib/server/spacing.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, parent }) => {
	const { packed } = await parent();
	return spacedBy(url.searchParams, packed.value.workshop.settings.lengthUnit);
};
