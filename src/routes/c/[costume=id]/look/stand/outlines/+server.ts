import { error } from '@sveltejs/kit';
import { assembledOf } from '$core/answers/assembled.ts';
import { assembledSvg } from '$core/formats/assembledSvg.ts';
import { attachment } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { loadRecord } from '$lib/server/read/costume.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import { loadMaterials } from '$lib/server/read/workshop.ts';
import type { RequestHandler } from './$types';

/** All that stands on the wearer as outlines from three sides, as SVG: for paper, or with `?mat` for the mat. */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await database();
	const record = await loadRecord(db, Number(params.costume));
	if (!record) error(404, 'There is no such costume.');
	const assembled = assembledOf(
		record.components,
		await loadMeasure(db, record.costume.id),
		await loadMaterials(db)
	);
	const svg = url.searchParams.has('mat')
		? assembledSvg(assembled, '#eef4ee', '#2b5551')
		: assembledSvg(assembled);
	return attachment(svg, 'image/svg+xml', 'on-the-stand.svg');
};
