import { actionsOf } from '$lib/server/commands/actions.ts';
import { layoutCommands } from '$lib/server/commands/layout.ts';
import { database } from '$lib/server/database.ts';
import { lineOf, loadLayouts, loadOffcuts } from '$lib/server/read/layout.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url }) => {
	const db = await database();
	const costumeId = Number(params.costume);
	const [fit, offcuts, layouts] = await Promise.all([
		loadMeasure(db, costumeId),
		loadOffcuts(db),
		loadLayouts(db, costumeId)
	]);
	const asked = layouts.find((l) => l.id === Number(url.searchParams.get('open')));
	// What is opened with its material: the one that is asked for, else the newest that is not cut.
	const newest = layouts.filter(
		(l, i) =>
			l.cutAt === null &&
			l.materialId !== asked?.materialId &&
			layouts.findIndex((o) => o.materialId === l.materialId && o.cutAt === null) === i
	);
	return { fit, offcuts, layouts: layouts.map(lineOf), open: [...(asked ? [asked] : []), ...newest] };
};

export const actions: Actions = actionsOf(layoutCommands);
