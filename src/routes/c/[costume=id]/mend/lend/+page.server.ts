import { forOther } from '$core/answers/otherWearer.ts';
import { fittedOf } from '$core/facts/measureRecord.ts';
import { database } from '$lib/server/database.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import { loadWear } from '$lib/server/read/wear.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, url }) => {
	const { record, workshop } = (await parent()).packed.value;
	const db = await database();
	const { id } = record.costume;
	const [fit, wear] = await Promise.all([loadMeasure(db, id), loadWear(db, id)]);
	const [now] = fittedOf(fit);
	const others = fit.wearers.filter((w) => w.id !== now?.id);
	const asked = others.find((w) => String(w.id) === url.searchParams.get('for'));
	return {
		now: now?.name ?? null,
		others: others.map((w) => ({ id: w.id, name: w.name })),
		other: asked ? { id: asked.id, name: asked.name } : null,
		parts: asked ? forOther(record, wear, { ...fit, materials: workshop.materials }, asked, workshop) : []
	};
};
