import { error } from '@sveltejs/kit';
import { assembledOf } from '$core/answers/assembled.ts';
import { picturesOf, storyOf } from '$core/formats/story.ts';
import { pdf } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { printer } from '$lib/server/prints/printer.ts';
import { plannedCostume } from '$lib/server/read/plans.ts';
import { loadStory } from '$lib/server/read/story.ts';
import { standPicture, storyPictures } from '$lib/server/storyPictures.ts';
import { askedFor } from '../askedFor.ts';
import type { RequestHandler } from './$types';

/** The record of a costume, or of one component, as a PDF. */
export const GET: RequestHandler = async ({ params, url, locals }) => {
	const db = await database();
	const id = Number(params.costume);
	// As the pages see it: with what of the stash is promised to it.
	const found = Number.isSafeInteger(id) ? await plannedCostume(db, id, locals.now, 'soon') : null;
	if (!found) error(404, 'There is no such costume.');
	const { record, workshop } = found;
	const { form, of } = askedFor(url.searchParams);
	if (of !== null && !record.components.some((c) => c.id === of)) error(404, 'There is no such component.');
	const source = await loadStory(db, record, workshop);
	const story = storyOf(source, form, of);
	const hashes = picturesOf(story).map((p) => p.hash);
	const pictures = await storyPictures(db.folder, hashes, `${params.costume} ${url.search}`);
	const assembled = assembledOf(record.components, source.fit, workshop.materials);
	if (form === 'full' && of === null && assembled.things.length) {
		const { picture, jpeg } = await standPicture(assembled);
		story.chapters[0]?.parts[0]?.pictures.push(picture);
		pictures.set(picture.hash, jpeg);
	}
	return pdf(printer.print('story', story, pictures), `record-${form}.pdf`);
};
