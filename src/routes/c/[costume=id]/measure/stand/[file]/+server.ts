import { error } from '@sveltejs/kit';
import { fittedOf } from '$core/facts/measureRecord.ts';
import { standFor } from '$core/answers/stand.ts';
import { standSurface } from '$core/engines/stand/surface.ts';
import { meshObj, meshStl } from '$core/formats/meshFile.ts';
import { attachment } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { loadRecord } from '$lib/server/read/costume.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import type { RequestHandler } from './$types';

/** The form of a wearer as STL or OBJ, in mm, y up: of `?wearer=1`, over what is worn up to layer `?over=2`. */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await database();
	const record = await loadRecord(db, Number(params.costume));
	if (!record) error(404, 'There is no such costume.');
	const fit = await loadMeasure(db, record.costume.id);
	const asked = url.searchParams.get('wearer');
	const wearer = asked ? fit.wearers.find((w) => String(w.id) === asked) : fittedOf(fit)[0];
	if (asked && !wearer) error(404, 'There is no such wearer.');
	const over = Number(url.searchParams.get('over') ?? 0);
	if (!Number.isInteger(over) || over < 0) error(400, 'over is the number of a layer.');
	const surface = standSurface(standFor(wearer ?? { measures: [] }, record.components, over));
	const name = wearer?.name ?? 'middle build';
	if (params.file === 'stl') return attachment(meshStl(surface, `form of ${name}`), 'model/stl', 'form.stl');
	if (params.file === 'obj') return attachment(meshObj(surface, `form of ${name}`), 'model/obj', 'form.obj');
	error(404, 'The form is there as stl and as obj.');
};
