import { error } from '@sveltejs/kit';
import { learnHolds } from '$core/answers/holdRates.ts';
import { piecesOf } from '$core/answers/shapePieces.ts';
import { catalogueOf } from '$core/trade/catalogue.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { glueCommands } from '$lib/server/commands/glue.ts';
import { joinCommands } from '$lib/server/commands/join.ts';
import { database } from '$lib/server/database.ts';
import { loadPieces } from '$lib/server/read/costume.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	const { packed } = await parent();
	const { record, workshop } = packed.value;
	const component = record.components.find((c) => String(c.id) === params.component);
	if (!component) error(404, 'There is no such component in this costume.');
	const { shapes, wearers } = (await loadPieces(await database(), [record.costume.id])).get(
		record.costume.id
	)!;
	const its = shapes.filter((s) => s.componentId === component.id);
	const fit = { component, components: record.components, wearers, materials: workshop.materials };
	return {
		/** How often each kind of fastener lets go. */
		learned: learnHolds(workshop.holds ?? [], catalogueOf(workshop.handbook)).map(({ kind, now }) => ({
			kind,
			now
		})),
		componentId: component.id,
		/** Its flat pieces, by where they are drawn: `3 0` is the first of shape 3. */
		pieces: piecesOf(its, fit).flatMap(({ shape, pieces }) =>
			pieces.map(({ piece, code }, i) => ({ key: `${shape.id} ${i}`, code, piece }))
		)
	};
};

export const actions: Actions = actionsOf({ ...joinCommands, ...glueCommands });
