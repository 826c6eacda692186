import { error } from '@sveltejs/kit';
import { layoutDxf } from '$core/formats/layoutDxf.ts';
import { layoutSvg } from '$core/formats/layoutSvg.ts';
import { cutSheets } from '$core/engines/layout/cutSheets.ts';
import { attachment, pdf } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { printer } from '$lib/server/prints/printer.ts';
import { loadRecord } from '$lib/server/read/costume.ts';
import { loadLayouts } from '$lib/server/read/layout.ts';
import { loadMaterials, loadSettings } from '$lib/server/read/workshop.ts';
import type { RequestHandler } from './$types';

/** Files of a cut plan: `pdf` (`?paper=a4`, `letter` or `full`, which is 1:1), `svg`, `dxf`, `tags`. */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await database();
	const costumeId = Number(params.costume);
	const record = await loadRecord(db, costumeId);
	const layout = record && (await loadLayouts(db, costumeId)).find((l) => l.id === Number(params.layout));
	if (!record || !layout) error(404, 'There is no such layout.');
	const [materials, { lengthUnit }] = await Promise.all([loadMaterials(db), loadSettings(db)]);
	const material = materials.find((m) => m.id === layout.materialId)!;
	const title = `${record.costume.name}, ${layout.name}`;
	const sheets = cutSheets(layout.plan);
	const paper = url.searchParams.get('paper') ?? 'a4';
	if (params.what === 'svg') return attachment(layoutSvg(sheets, title), 'image/svg+xml', 'cut-plan.svg');
	if (params.what === 'dxf') return attachment(layoutDxf(sheets), 'image/vnd.dxf', 'cut-plan.dxf');
	if (params.what === 'pdf') {
		if (paper !== 'a4' && paper !== 'letter' && paper !== 'full')
			error(400, 'Paper is one of a4, letter, full.');
		return pdf(printer.print('layout', layout.plan, paper, title, lengthUnit), 'cut-plan.pdf');
	}
	if (params.what === 'tags') {
		const tags = sheets.flatMap((sheet) =>
			sheet.pieces.map((place) => ({
				code: place.piece.code,
				name: place.piece.name,
				said: `cut 1, no. ${place.order}, ${sheet.name.toLowerCase()}${place.at.mirrored ? ', mirrored' : ''}`,
				small: material.name,
				address: `${url.origin}/c/${costumeId}/lay/${layout.id}`
			}))
		);
		return pdf(printer.print('tags', tags, paper === 'letter' ? 'letter' : 'a4'), 'cut-tags.pdf');
	}
	error(404, 'There is no such file.');
};
