import { z } from 'zod';
import {
	areaOfUnit,
	ORDER_STATES,
	purchaseCost,
	type Material,
	type Purchase,
	type PurchaseState
} from '$core/facts/material.ts';
import { supplierKey, withSender } from '$core/facts/supplier.ts';
import { sayOf } from '$core/units/problem.ts';
import { onReceiptWith } from '$core/answers/parcels.ts';
import { arrivalDay } from '$core/answers/leadTime.ts';
import { shoppingLines } from '$core/answers/shopping.ts';
import { dayOf, formatDate } from '$core/units/localTime.ts';
import { loadRecord } from '../read/costume.ts';
import { loadExchange, loadMaterial, loadSuppliers } from '../read/workshop.ts';
import { pricedIn } from '$core/answers/prices.ts';
import { workshopFor } from '$core/answers/stash.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { NO_PICTURE, storePicture } from '../pictures.ts';
import { insert, selectOfCostumes, set, update } from '../db/tables.ts';
import { parseMoney, shared } from '$core/units/money.ts';
import { GRACE } from '$core/units/packs.ts';
import { namesWords } from '$core/units/names.ts';
import {
	dropUnshared,
	insertLike,
	jointOf,
	outOfJoint,
	priceJoint,
	sharesWith,
	splitJoint
} from './joint.ts';
import { endOfSteps, insertStep, makeRoom } from './step.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

/** With its price in the currency of the costume at hand. */
async function materialOf(tx: Executor, id: number, { currency, settings }: Context): Promise<Material> {
	return pricedIn(await loadMaterial(tx, id), currency, { settings, exchange: await loadExchange(tx) });
}

/** Only what has a size can be counted in areas of pieces. */
function refuseUnsized(material: Material, waste: number | null): void {
	if (waste !== null && areaOfUnit(material) === null) throw new Refused(sayOf('notRoll'), 'waste');
}

async function componentCode(tx: Executor, id: number, { costumeId }: Context): Promise<string> {
	const row = await one<{ code: string }>(
		tx,
		'select code from component where id = $1 and costume_id = $2',
		[id, costumeId]
	);
	if (!row) throw new Absent('component');
	return row.code;
}

const IN_STASH = 'Some of it went to the stash.';

const dateText = (day: number | null) => (day === null ? null : formatDate(day));

/** A purchase on the list, with the material's pack price, supplier and lead. */
export async function insertPurchase(
	tx: Executor,
	costumeId: number,
	material: Material,
	packs: number,
	componentId: number | null
): Promise<number> {
	const { packSize, packPriceMinor, supplier, leadDays, leadWorkingDays } = material;
	return insert(tx, 'purchase', {
		costumeId,
		componentId,
		materialId: material.id,
		packs,
		packSize,
		packPriceMinor,
		supplier,
		leadDays,
		leadWorkingDays
	});
}

/** The next state, with its date: ordered with the promised day, arrived today. */
export async function advance(tx: Executor, id: number, state: PurchaseState, today: number): Promise<void> {
	const p = await one<{
		leadDays: number | null;
		leadWorkingDays: boolean;
		supplier: string;
		orderedOn: number | null;
		dueOn: number | null;
	}>(tx, 'select lead_days, lead_working_days, supplier, ordered_on, due_on from purchase where id = $1', [
		id
	]);
	if (!p) throw new Absent('purchase');
	const orderedOn = state === 'planned' ? null : (p.orderedOn ?? today);
	const dueOn =
		state === 'planned'
			? null
			: (p.dueOn ??
				(p.leadDays === null ? null : arrivalDay(orderedOn!, withSender(p, await loadSuppliers(tx)))));
	const arrived = state === 'arrived' || state === 'used';
	await tx.query(
		`update purchase set state = $2, ordered_on = $3, due_on = $4,
			arrived_on = case when $5 then coalesce(arrived_on, $6::date) else null end
		where id = $1`,
		[id, state, dateText(orderedOn), dateText(dueOn), arrived, formatDate(today)]
	);
}

const named = (tx: Executor, id: number, costumeId: number) =>
	one<{ name: string }>(
		tx,
		'select m.name from purchase p join material m on m.id = p.material_id where p.id = $1 and p.costume_id = $2',
		[id, costumeId]
	);

/** As it comes: of a share the whole that it is of. */
const packsWords = async (tx: Executor, row: InCostume): Promise<string> => {
	const { packs } = row.jointId === null ? row : await jointOf(tx, row);
	return `${packs} × ${row.name}`;
};

/** What is bought for several is told with for how many. */
const forAll = (rows: readonly unknown[]): string => (rows.length > 1 ? `, for ${rows.length} costumes` : '');

interface InCostume extends Purchase {
	name: string;
}
async function purchaseIn(tx: Executor, id: number, costumeId: number): Promise<InCostume> {
	const row = await named(tx, id, costumeId);
	const purchase = (await selectOfCostumes<Purchase>(tx, 'purchase', [costumeId])).find((p) => p.id === id);
	if (!row || !purchase) throw new Absent('purchase');
	return { ...purchase, name: row.name };
}

/**
 * Two lines of one: it keeps so many packs, the other has the rest. What sending cost is shared out by packs.
 * @returns the id of the other
 */
async function split(tx: Executor, { name: _, ...row }: InCostume, packs: number): Promise<number> {
	const [mine, its] = shared(row.shippingMinor, [packs, row.packs - packs]);
	await set(tx, 'purchase', row.id, { packs, shippingMinor: mine });
	// What went to the stash was of the packs that stay.
	return insertLike(tx, row, { stashed: 0, packs: row.packs - packs, shippingMinor: its! });
}

/** The price of a material's usual pack, as it was paid at its usual supplier. */
async function rememberPrice(
	tx: Executor,
	{ materialId, packSize, packPriceMinor, supplier }: InCostume,
	currency: string
): Promise<void> {
	const material = await loadMaterial(tx, materialId);
	const isUsual = packSize === null || packSize === material.packSize;
	if (isUsual && material.currency === currency && supplierKey(material.supplier) === supplierKey(supplier))
		await set(tx, 'material', materialId, { packPriceMinor });
}

/** On which terms it is ordered. */
const order = (currency: string) => ({
	packPriceMinor: f.moneyOrNull(currency),
	shippingMinor: f.money(currency),
	supplier: f.text(),
	leadDays: f.orNull(f.whole(0, 400)),
	leadWorkingDays: f.ticked(),
	orderedOn: f.dateOrNull(),
	dueOn: f.dateOrNull(),
	note: f.note()
});

function refuseBackwards({ orderedOn, dueOn }: { orderedOn: number | null; dueOn: number | null }): void {
	if (orderedOn !== null && dueOn !== null && dueOn < orderedOn)
		throw new Refused('It cannot arrive before it was ordered.', 'dueOn');
}

const sentBack = (
	tx: Executor,
	{ id, note }: Pick<Purchase, 'id' | 'note'>,
	refundMinor: number,
	why: string
) =>
	set(tx, 'purchase', id, {
		state: 'returned',
		refundMinor,
		note: [note, why && `sent back: ${why}`].filter(Boolean).join('\n')
	});

/** What these cost; null where nobody knows it. */
const costOf = (purchases: readonly Purchase[]): number | null =>
	purchases.reduce<number | null>((sum, p) => {
		const cost = purchaseCost(p);
		return sum === null || cost === null ? null : sum + cost;
	}, 0);

/** Of what several bought together all is sent back, the money shared out as it was paid; or packs out of the share of one. */
async function returnJoint(
	tx: Executor,
	{ name, ...row }: InCostume,
	{ packs, refundMinor, why }: { packs: number; refundMinor: number; why: string }
): Promise<{ words: string }> {
	const whole = await jointOf(tx, row);
	const shares = await sharesWith(tx, row);
	if (packs > whole.packs) throw new Refused(`There are ${whole.packs}.`, 'packs');
	const its = packs === whole.packs ? shares : [row];
	if (its.some((p) => p.stashed > 0)) throw new Refused(`${IN_STASH} It stays here.`, 'packs');
	if (its.some((p) => p.state !== 'arrived'))
		throw new Refused('Some of it is used up, or not here yet: it cannot all be sent back.', 'packs');
	const back =
		its === shares ? shares : [await purchaseIn(tx, await outOfJoint(tx, whole, row, packs), row.costumeId)];
	const cost = costOf(back);
	if (cost !== null && refundMinor > cost)
		throw new Refused('More than it cost does not come back.', 'refundMinor');
	const units = back.map((p) => p.packs * p.packSize!);
	const refunds = shared(refundMinor, units);
	for (const [k, p] of back.entries()) await sentBack(tx, p, refunds[k]!, why);
	return { words: `Sent back ${packs} × ${name}${forAll(its)}` };
}

export const purchaseCommands = {
	addNeed: command(
		() =>
			z.object({
				componentId: f.id(),
				materialId: f.id(),
				quantity: f.above0(1_000_000),
				stepId: f.idOrNull(),
				waste: f.wasteOrNull(),
				byWork: f.ticked()
			}),
		async (tx, v, context) => {
			const code = await componentCode(tx, v.componentId, context);
			const material = await materialOf(tx, v.materialId, context);
			refuseUnsized(material, v.waste);
			if (v.byWork && material.supply === null)
				throw new Refused(`${material.name} is no supply that work uses up: say how much.`, 'quantity');
			await insert(tx, 'need', { ...v, byWork: v.byWork || null });
			const much = v.byWork ? 'as much as its work uses up' : `${v.quantity} ${material.unit}`;
			return { words: `${code} needs ${much} of ${material.name}` };
		}
	),

	editNeed: command(
		() =>
			z.object({
				id: f.id(),
				version: f.version(),
				quantity: f.above0(1_000_000),
				stepId: f.idOrNull(),
				waste: f.wasteOrNull()
			}),
		async (tx, v, context) => {
			const need = await one<{ materialId: number }>(tx, 'select material_id from need where id = $1', [
				v.id
			]);
			if (!need) throw new Absent('need');
			refuseUnsized(await materialOf(tx, need.materialId, context), v.waste);
			await update(tx, 'need', v, { ...v, guessed: false });
			return { words: `Changed how much is needed` };
		}
	),

	/** What counts of a supply that was entered by hand beside what the work uses up. */
	settleNeeds: command(
		() => z.object({ ids: f.ids(), counts: f.choice(['work', 'hand']) }),
		async (tx, v, { costumeId }) => {
			const rows = await all<{ code: string; name: string }>(
				tx,
				`update need n set by_work = $2 from component c, material m
				where n.id = any($1) and c.id = n.component_id and c.costume_id = $3 and m.id = n.material_id
				returning c.code, m.name`,
				[v.ids, v.counts === 'work', costumeId]
			);
			const [row] = rows;
			if (!row) throw new Absent('need');
			return {
				words: `${row.code} takes of ${row.name} ${v.counts === 'work' ? 'as much as its work uses up' : 'what was entered'}`
			};
		}
	),

	removeNeed: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await one<{ code: string; name: string }>(
				tx,
				`select c.code, m.name from need n join component c on c.id = n.component_id join material m on m.id = n.material_id
				where n.id = $1 and c.costume_id = $2`,
				[id, costumeId]
			);
			if (!row) throw new Absent('need');
			await tx.query('delete from need where id = $1', [id]);
			return { words: `${row.code} no longer needs ${row.name}` };
		}
	),

	addPurchase: command(
		() => z.object({ materialId: f.id(), packs: f.whole(1, 10_000), componentId: f.idOrNull() }),
		async (tx, v, context) => {
			const material = await materialOf(tx, v.materialId, context);
			if (v.componentId !== null) await componentCode(tx, v.componentId, context);
			await insertPurchase(tx, context.costumeId, material, v.packs, v.componentId);
			return { words: `Put ${v.packs} × ${material.name} on the list` };
		}
	),

	/** Everything that is short goes on the list in whole packs, at once. */
	planShort: command(
		() => z.object({ materialId: f.idOrNull() }),
		async (tx, v, { costumeId, shop }) => {
			const record = await loadRecord(tx, costumeId);
			if (!record) throw new Absent('costume');
			const promised = shop!.atWork.find((c) => c.record.costume.id === costumeId)?.promised ?? new Map();
			const short = shoppingLines(record, workshopFor(shop!.workshop, record.costume, promised)).filter(
				(l) => l.packsShort > 0 && (v.materialId === null || l.material.id === v.materialId)
			);
			if (short.length === 0) throw new Refused('Nothing is short.');
			for (const line of short) await insertPurchase(tx, costumeId, line.material, line.packsShort, null);
			return {
				words: `Put on the list: ${short.map((l) => `${l.packsShort} × ${l.material.name}`).join(', ')}`
			};
		},
		{ shop: true }
	),

	editPurchase: command(
		({ currency }) =>
			z.object({
				id: f.id(),
				version: f.version(),
				packs: f.whole(1, 10_000),
				...order(currency)
			}),
		async (tx, v, { costumeId }) => {
			refuseBackwards(v);
			const { name } = await purchaseIn(tx, v.id, costumeId);
			await update(tx, 'purchase', v, v);
			return { words: `Changed the purchase of ${name}` };
		}
	),

	/** What several costumes buy together: its price is that of a pack of the whole; what is written beside it is of one of them. */
	editJoint: command(
		({ currency }) =>
			z.object({
				id: f.id(),
				version: f.version(),
				...order(currency)
			}),
		async (tx, { id, version, note, packPriceMinor, shippingMinor, ...terms }, { costumeId }) => {
			refuseBackwards(terms);
			const row = await purchaseIn(tx, id, costumeId);
			await update(tx, 'purchase', { id, version }, { note });
			const shares = await sharesWith(tx, row);
			for (const s of shares) await set(tx, 'purchase', s.id, terms);
			await priceJoint(tx, await jointOf(tx, row), shares, { packPriceMinor, shippingMinor });
			return { words: `Changed the purchase of ${row.name}${forAll(shares)}` };
		}
	),

	setPurchaseState: command(
		() => z.object({ id: f.id(), state: f.choice(ORDER_STATES) }),
		async (tx, v, { costumeId, now }) => {
			const row = await purchaseIn(tx, v.id, costumeId);
			// It comes for all of them at once, and is used up by each alone.
			const alone = v.state === 'used' || (v.state === 'arrived' && row.state === 'used');
			const all = alone ? [row] : await sharesWith(tx, row);
			const its = v.state === 'arrived' ? all.filter((p) => p.id === row.id || p.state !== 'used') : all;
			if (v.state !== 'arrived' && v.state !== 'used' && its.some((p) => p.stashed > 0))
				throw new Refused(IN_STASH);
			for (const { id } of its) {
				await advance(tx, id, v.state, dayOf(now));
				// What was sent back and is here after all was not paid back.
				await set(tx, 'purchase', id, { refundMinor: 0 });
			}
			return { words: `${row.name} is ${v.state}${forAll(its)}` };
		}
	),

	/** So many packs of it came, the rest is still on its way: two lines from then on, with the sending shared out. */
	arriveInPart: command(
		() => z.object({ id: f.id(), packs: f.whole(1, 10_000) }),
		async (tx, { id, packs }, { costumeId, now }) => {
			const row = await purchaseIn(tx, id, costumeId);
			if (row.state !== 'ordered') throw new Refused('Only what was ordered can come.');
			const joint = row.jointId === null ? null : await jointOf(tx, row);
			const all = (joint ?? row).packs;
			if (packs >= all) throw new Refused(`That is all of it, ${all}: mark it arrived.`, 'packs');
			const came = joint ? await splitJoint(tx, joint, await sharesWith(tx, row), packs) : [row];
			if (!joint) await split(tx, row, packs);
			for (const { id } of came) await advance(tx, id, 'arrived', dayOf(now));
			return { words: `${packs} of ${all} × ${row.name} arrived, the rest is on its way` };
		}
	),

	/** All lines of a parcel are here. */
	arriveParcel: command(
		() => z.object({ ids: f.ids() }),
		async (tx, { ids }, { costumeId, now }) => {
			const rows = [];
			for (const id of ids) rows.push(await purchaseIn(tx, id, costumeId));
			const coming = rows.filter((r) => r.state === 'ordered');
			if (coming.length === 0) throw new Refused('It is here already.');
			const names = [];
			for (const r of coming) {
				for (const { id } of await sharesWith(tx, r)) await advance(tx, id, 'arrived', dayOf(now));
				names.push(await packsWords(tx, r));
			}
			return { words: `Arrived: ${namesWords(names)}` };
		}
	),

	/** What was ticked in a shop is here, for what it cost there: `price12` is that of a pack of purchase 12. */
	boughtInShop: command(
		() =>
			z.looseObject({
				ticked: f.ids().refine((ids) => ids.length > 0, 'Tick what is in the basket.'),
				remember: f.ticked()
			}),
		async (tx, { ticked, remember, ...fields }, { costumeId, currency, now }) => {
			const names = [];
			for (const id of ticked) {
				const purchase = await purchaseIn(tx, id, costumeId);
				// A list that was ticked before somebody else bought or ordered it.
				if (purchase.state !== 'planned') continue;
				const typed = f.typedBeside(fields, `price${id}`, (text) => parseMoney(text, currency));
				const shares = await sharesWith(tx, purchase);
				const joint = purchase.jointId === null ? null : await jointOf(tx, purchase);
				const { packSize, packPriceMinor: known } = joint ?? purchase;
				const packPriceMinor = typed ?? known;
				if (joint) await priceJoint(tx, joint, shares, { ...joint, packPriceMinor });
				else await set(tx, 'purchase', id, { packPriceMinor });
				for (const s of shares) await advance(tx, s.id, 'arrived', dayOf(now));
				if (remember && packPriceMinor !== null)
					await rememberPrice(tx, { ...purchase, packSize, packPriceMinor }, currency);
				names.push(await packsWords(tx, purchase));
			}
			if (names.length === 0) throw new Refused('None of it is on the list any more.', 'ticked');
			return { words: `Bought: ${namesWords(names)}` };
		}
	),

	/** Sent back, all of it or some packs, for some money or none. */
	returnPurchase: command(
		({ currency }) =>
			z.object({ id: f.id(), packs: f.whole(1, 10_000), refundMinor: f.money(currency), why: f.text(500) }),
		async (tx, { id, packs, refundMinor, why }, context) => {
			const { costumeId } = context;
			const row = await purchaseIn(tx, id, costumeId);
			if (row.state !== 'arrived') throw new Refused('Only what is here can be sent back.');
			if (row.jointId !== null) return returnJoint(tx, row, { packs, refundMinor, why });
			if (packs > row.packs) throw new Refused(`There are ${row.packs}.`, 'packs');
			const itsStash =
				row.stashed / (row.packSize ?? (await materialOf(tx, row.materialId, context)).packSize);
			if (packs > row.packs - itsStash + GRACE) throw new Refused(`${IN_STASH} Send back fewer.`, 'packs');
			const back = packs < row.packs ? await split(tx, row, row.packs - packs) : id;
			const cost = purchaseCost(await purchaseIn(tx, back, costumeId));
			if (cost !== null && refundMinor > cost)
				throw new Refused('More than it cost does not come back.', 'refundMinor');
			await sentBack(tx, { ...row, id: back }, refundMinor, why);
			return { words: `Sent back ${packs} × ${row.name}` };
		}
	),

	/** It came otherwise than it was pictured, and is altered: a step of the component that takes it. */
	alterPurchase: command(
		() => z.object({ id: f.id(), componentId: f.id(), what: f.name(), minutes: f.duration() }),
		async (tx, { id, componentId, what, minutes }, context) => {
			const row = await purchaseIn(tx, id, context.costumeId);
			const code = await componentCode(tx, componentId, context);
			if (minutes === 0) throw new Refused('Altering takes some minutes.', 'minutes');
			// Before whatever is done with it.
			const first = await one<{ position: number }>(
				tx,
				`select min(position) as position from step
				where component_id = $1 and done_at is null and phase <> 'pattern' having min(position) is not null`,
				[componentId]
			);
			if (first) await makeRoom(tx, componentId, first.position);
			await insertStep(tx, {
				componentId,
				position: first?.position ?? (await endOfSteps(tx, componentId)),
				name: what,
				technique: 'other',
				phase: 'make',
				amount: minutes,
				perCopy: false
			});
			const note = [row.note, `came otherwise: ${what}`].filter(Boolean).join('\n');
			await set(tx, 'purchase', id, { note });
			return { words: `${row.name} is altered: ${what}, for ${code}` };
		}
	),

	/** A photo of its receipt; on wish it is that of all that came from the same supplier on the same day. */
	photographReceipt: command(
		() =>
			z.object({
				id: f.id(),
				photo: z.instanceof(File, { error: 'Choose a picture.' }),
				all: f.ticked()
			}),
		async (tx, { id, photo, all }, { costumeId, folder }) => {
			const row = await purchaseIn(tx, id, costumeId);
			const picture = await storePicture(folder, new Uint8Array(await photo.arrayBuffer()));
			const purchases = await selectOfCostumes<Purchase>(tx, 'purchase', [costumeId]);
			const its = all ? onReceiptWith(row, purchases) : [row];
			for (const p of its)
				for (const { id } of await sharesWith(tx, p)) await set(tx, 'purchase', id, { ...picture });
			return {
				words: `Kept the receipt of ${row.name}${its.length > 1 ? ` and ${its.length - 1} more` : ''}`
			};
		}
	),

	removeReceipt: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await purchaseIn(tx, id, costumeId);
			for (const p of await sharesWith(tx, row)) await set(tx, 'purchase', p.id, NO_PICTURE);
			return { words: `Removed the receipt of ${row.name}` };
		}
	),

	removePurchase: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await purchaseIn(tx, id, costumeId);
			// What is here for several stays with the others.
			const all = row.state === 'planned' || row.state === 'ordered' ? await sharesWith(tx, row) : [row];
			await tx.query('delete from purchase where id = any($1)', [all.map((p) => p.id)]);
			await dropUnshared(tx);
			return {
				words:
					all.length > 1
						? `Took ${row.name} off the lists of ${all.length} costumes`
						: `Took ${row.name} off the list`
			};
		}
	)
};
