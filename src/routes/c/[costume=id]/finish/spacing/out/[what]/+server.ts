import { error } from '@sveltejs/kit';
import { knownLengths } from '$core/answers/knownLengths.ts';
import { stencilDxf, stencilSvg } from '$core/formats/stencil.ts';
import { attachment } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { loadRecord } from '$lib/server/read/costume.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import { loadMaterials, loadSettings } from '$lib/server/read/workshop.ts';
import { spacedBy } from '$lib/server/spacing.ts';
import type { RequestHandler } from './$types';

/** Files of a stencil at 1:1: `svg`, `dxf`; what it is stands in the address, as on its page. */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await database();
	const id = Number(params.costume);
	const [{ lengthUnit }, record, fit, materials] = await Promise.all([
		loadSettings(db),
		loadRecord(db, id),
		loadMeasure(db, id),
		loadMaterials(db)
	]);
	if (!record) error(404, 'There is no such costume.');
	const { found, errors } = spacedBy(url.searchParams, lengthUnit, knownLengths(record, fit, materials));
	if (!found) error(400, Object.values(errors)[0] ?? 'There is nothing to repeat.');
	if (params.what === 'svg')
		return attachment(
			stencilSvg(found.strip, `${found.spacing.count} marks`),
			'image/svg+xml',
			'stencil.svg'
		);
	if (params.what === 'dxf') return attachment(stencilDxf(found.strip), 'image/vnd.dxf', 'stencil.dxf');
	error(404, 'There is no such file.');
};
