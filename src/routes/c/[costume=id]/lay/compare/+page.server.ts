import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database.ts';
import { loadLayouts } from '$lib/server/read/layout.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url }) => {
	const layouts = await loadLayouts(await database(), Number(params.costume));
	const [a, b] = ['a', 'b'].map((key) => layouts.find((l) => l.id === Number(url.searchParams.get(key))));
	if (!a || !b) error(404, 'Choose two kept layouts to compare, on Lay.');
	return { both: [a, b] };
};
