import { unknownSuppliers } from '$core/answers/purchase.ts';
import { byStashTurn, freeStash } from '$core/answers/stash.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { costumeCommands } from '$lib/server/commands/costume.ts';
import { materialCommands } from '$lib/server/commands/material.ts';
import { offcutCommands } from '$lib/server/commands/offcut.ts';
import { pasteCommands } from '$lib/server/commands/paste.ts';
import { supplierCommands } from '$lib/server/commands/supplier.ts';
import { database } from '$lib/server/database.ts';
import { loadOffcuts } from '$lib/server/read/layout.ts';
import { loadOffers } from '$lib/server/read/workshop.ts';
import { loadShop } from '$lib/server/read/shop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => {
	const db = await database();
	const [{ workshop, atWork }, offcuts, offers] = await Promise.all([
		loadShop(db),
		loadOffcuts(db),
		loadOffers(db, null)
	]);
	const inTurn = [...atWork].sort((a, b) => byStashTurn(a.record, b.record));
	/** By material: what of it is promised to whom. */
	const promised: Record<number, { costume: string; units: number }[]> = {};
	for (const { record, promised: given } of inTurn)
		for (const [id, units] of given) (promised[id] ??= []).push({ costume: record.costume.name, units });
	return {
		materials: workshop.materials,
		suppliers: workshop.suppliers,
		offers,
		named: unknownSuppliers(workshop),
		offcuts,
		promised,
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
	...offcutCommands,
	...supplierCommands,
	orderStash: costumeCommands.orderStash,
	pasteMaterials: pasteCommands.pasteMaterials,
	pasteOffers: pasteCommands.pasteOffers
});
