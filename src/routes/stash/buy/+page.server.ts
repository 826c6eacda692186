import { openPurchases, wantsOf, type Buyer } from '$core/answers/purchase.ts';
import { pricedIn } from '$core/answers/prices.ts';
import { shoppingLines } from '$core/answers/shopping.ts';
import { workshopFor } from '$core/answers/stash.ts';
import { actionsOf } from '$lib/server/commands/actions.ts';
import { buyCommands } from '$lib/server/commands/supplier.ts';
import { database } from '$lib/server/database.ts';
import { loadJoints } from '$lib/server/read/joints.ts';
import { plannedShop } from '$lib/server/read/plans.ts';
import { loadOffers } from '$lib/server/read/workshop.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
	const db = await database();
	const { shop, plans, old } = await plannedShop(db, locals.now, 'soon');
	const { workshop } = shop;
	const asked = new Set(url.searchParams.getAll('for').map(Number));
	// Nothing is bought for a demo together with what is one's own.
	const all = shop.atWork
		.filter((c) => c.record.costume.demoAction === null)
		.map(({ record, promised }) => ({ record, promised, ...record.costume }));
	// Whoever is named first says what is paid in; nobody named, the workshop's own money.
	const currency = all.find((c) => asked.has(c.id))?.currency ?? workshop.settings.currency;
	const chosen = all.filter((c) => c.currency === currency && (asked.size < 2 || asked.has(c.id)));
	const buyers = chosen.map(({ id, record, promised }): Buyer => ({
		costumeId: id,
		lines: shoppingLines(record, workshopFor(workshop, record.costume, promised)),
		purchases: record.purchases,
		orders: plans.get(id)!.orders
	}));
	const joints = await loadJoints(
		db,
		chosen.map((c) => c.id)
	);
	const open = openPurchases(buyers, joints);
	const wants = wantsOf(buyers, open);
	const wanted = [...new Set(wants.map((w) => w.materialId))];
	return {
		costumes: all.map(({ id, name, eventAt, currency: its }) => ({
			id,
			name,
			eventAt,
			currency: its,
			buys: chosen.some((c) => c.id === id)
		})),
		currency,
		open,
		wants,
		materials: workshop.materials
			.filter((m) => wanted.includes(m.id))
			.map((m) => ({ ...pricedIn(m, currency, workshop), lots: [] })),
		offers: await loadOffers(db, wanted),
		workshop: {
			settings: workshop.settings,
			exchange: workshop.exchange,
			suppliers: workshop.suppliers
		},
		planOld: old
	};
};

export const actions: Actions = actionsOf(buyCommands);
