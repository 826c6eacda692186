import { error } from '@sveltejs/kit';
import { stencilDxf, stencilSvg } from '$core/formats/stencil.ts';
import { attachment } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { loadSettings } from '$lib/server/read/workshop.ts';
import { spacedBy } from '$lib/server/spacing.ts';
import type { RequestHandler } from './$types';

/** Files of a stencil at 1:1: `svg`, `dxf`; what it is stands in the address, as on its page. */
export const GET: RequestHandler = async ({ params, url }) => {
	const { lengthUnit } = await loadSettings(await database());
	const { found, errors } = spacedBy(url.searchParams, lengthUnit);
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
