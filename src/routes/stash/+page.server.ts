import { unknownSuppliers } from '$core/answers/purchase.ts';
import { spoiling } from '$core/answers/lots.ts';
import { byStashTurn, freeStash, promisedByLot } from '$core/answers/stash.ts';
import { dayOf } from '$core/units/localTime.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { costumeCommands } from '$lib/server/commands/costume.ts';
import { lotCommands } from '$lib/server/commands/lot.ts';
import { materialCommands } from '$lib/server/commands/material.ts';
import { offcutCommands } from '$lib/server/commands/offcut.ts';
import { pasteCommands } from '$lib/server/commands/paste.ts';
import { supplierCommands } from '$lib/server/commands/supplier.ts';
import { database } from '$lib/server/database.ts';
import { loadOffcuts } from '$lib/server/read/layout.ts';
import { loadOffers } from '$lib/server/read/workshop.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const db = await database();
	const [{ workshop, atWork }, offcuts, offers] = await Promise.all([
		loadShop(db),
		loadOffcuts(db),
		loadOffers(db, null)
	]);
	const inTurn = [...atWork].sort((a, b) => byStashTurn(a.record, b.record));
	const today = dayOf(locals.now);
	return {
		materials: workshop.materials,
		suppliers: workshop.suppliers,
		offers,
		named: unknownSuppliers(workshop),
		offcuts,
		promised: Object.fromEntries(promisedByLot(atWork, workshop.materials)),
		today,
		spoiling: spoiling(workshop.materials, today),
		free: Object.fromEntries(
			freeStash(
				workshop.materials,
				inTurn.map((c) => c.promised)
			)
		),
		turns: inTurn.map(({ record: { costume } }) => ({
			id: costume.id,
			name: costume.name,
			eventAt: costume.eventAt
		})),
		ownTurns: inTurn.some((c) => c.record.costume.stashTurn !== null)
	};
};

export const actions: Actions = actionsOf({
	...materialCommands,
	...lotCommands,
	...offcutCommands,
	...supplierCommands,
	orderStash: costumeCommands.orderStash,
	pasteMaterials: pasteCommands.pasteMaterials,
	pasteOffers: pasteCommands.pasteOffers
});
