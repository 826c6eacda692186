import { error } from '@sveltejs/kit';
import { patternPdf } from '$core/formats/patternPdf.ts';
import { patternSvg } from '$core/formats/patternSvg.ts';
import { wearersOf } from '$core/measure/body/measureRecord.ts';
import { piecesOf } from '$core/pattern/storedShape.ts';
import { PAPER_KEYS } from '$core/pattern/tile.ts';
import { database } from '$lib/server/database.ts';
import { loadRecord } from '$lib/server/read/costume.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import type { RequestHandler } from './$types';

/** Pieces at 1:1 as PDF or SVG: of `?shape=1&shape=2`, or of the whole costume. */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await database();
	const record = await loadRecord(db, Number(params.costume));
	if (!record) error(404, 'There is no such costume.');
	const fit = await loadMeasure(db, record.costume.id);
	const wanted = url.searchParams.getAll('shape').map(Number);
	const wearers = wearersOf(fit);
	const pieces = record.components.flatMap((component) => {
		const own = fit.shapes.filter((s) => s.componentId === component.id);
		return piecesOf(own, { component, components: record.components, wearers })
			.filter((s) => wanted.length === 0 || wanted.includes(s.shape.id))
			.flatMap((s) => s.pieces);
	});
	if (pieces.length === 0) error(404, 'There are no pieces to print.');
	const paper = PAPER_KEYS.find((k) => k === (url.searchParams.get('paper') ?? 'a4'));
	if (!paper) error(400, `Paper is one of ${PAPER_KEYS.join(', ')}.`);
	const title = `${record.costume.name}: pattern`;
	const sent = (body: BodyInit, type: string, ending: string) =>
		new Response(body, {
			headers: {
				'content-type': type,
				'content-disposition': `attachment; filename="pattern.${ending}"`,
				'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'"
			}
		});
	if (params.what === 'pdf')
		return sent(new Uint8Array(await patternPdf(pieces, paper, title)), 'application/pdf', 'pdf');
	if (params.what === 'svg') return sent(patternSvg(pieces, title), 'image/svg+xml', 'svg');
	error(404, 'There is no such file.');
};
