import { storyOf } from '$core/formats/story.ts';
import { database } from '$lib/server/database.ts';
import { loadStory } from '$lib/server/read/story.ts';
import type { PageServerLoad } from './$types';
import { askedFor } from './askedFor.ts';

export const load: PageServerLoad = async ({ parent, url }) => {
	const { record, workshop } = (await parent()).packed.value;
	const { form, of } = askedFor(url.searchParams);
	const only = record.components.some((c) => c.id === of) ? of : null;
	const source = await loadStory(await database(), record, workshop);
	return {
		form,
		of: only,
		story: storyOf(source, form, only),
		shaped: source.fit.shapes.length > 0
	};
};
