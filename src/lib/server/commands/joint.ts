import { partOfShares, sharedMoney } from '$core/answers/jointPurchase.ts';
import { unitsOf, type Purchase } from '$core/facts/material.ts';
import { formatDate } from '$core/units/localTime.ts';
import { shared } from '$core/units/money.ts';
import { GRACE } from '$core/units/packs.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, selectOfCostumes, set } from '../db/tables.ts';

/** As the database takes a day. */
const dateText = (day: number | null) => (day === null ? null : formatDate(day));

/** A copy of a purchase, with something else in it. */
export const insertLike = (
	tx: Executor,
	{ id: _, version: _v, ...row }: Purchase,
	other: Partial<Purchase>
): Promise<number> => {
	const { id: _i, version: _w, ...its } = { ...row, id: 0, version: 0, ...other };
	return insert(tx, 'purchase', {
		...its,
		orderedOn: dateText(its.orderedOn),
		dueOn: dateText(its.dueOn),
		arrivedOn: dateText(its.arrivedOn)
	});
};

/** The shares of what is bought together, in the order of the costumes' events; of any other purchase itself alone. */
export async function sharesWith(tx: Executor, purchase: Purchase): Promise<Purchase[]> {
	if (purchase.jointId === null) return [purchase];
	const turn = await all<{ id: number; costumeId: number }>(
		tx,
		`select p.id, p.costume_id from purchase p join costume k on k.id = p.costume_id
		where p.joint_id = $1 order by k.event_at, k.id, p.id`,
		[purchase.jointId]
	);
	const costumes = [...new Set(turn.map((t) => t.costumeId))];
	const rows = new Map(
		(await selectOfCostumes<Purchase>(tx, 'purchase', costumes)).map((p) => [p.id, p] as const)
	);
	return turn.flatMap((t) => rows.get(t.id) ?? []);
}

interface Whole {
	id: number;
	packs: number;
	packSize: number;
	packPriceMinor: number | null;
	shippingMinor: number;
}
export async function jointOf(tx: Executor, { jointId }: Pick<Purchase, 'jointId'>): Promise<Whole> {
	const joint = await one<Whole>(
		tx,
		'select id, packs, pack_size, pack_price_minor, shipping_minor from joint_purchase where id = $1',
		[jointId]
	);
	if (!joint) throw new Absent('purchase');
	return joint;
}

/** The price and the sending of a whole, and of each share its part of them. */
export async function priceJoint(
	tx: Executor,
	{ id, packs, packSize }: Pick<Whole, 'id' | 'packs' | 'packSize'>,
	shares: readonly Pick<Purchase, 'id' | 'packs' | 'packSize'>[],
	{ packPriceMinor, shippingMinor }: Pick<Whole, 'packPriceMinor' | 'shippingMinor'>
): Promise<void> {
	await set(tx, 'joint_purchase', id, { packs, packPriceMinor, shippingMinor });
	const units = shares.map((s) => s.packs * s.packSize!);
	// What was a costume's that is gone is nobody's part: the others do not pay for it.
	const gone = packs * packSize - units.reduce((sum, u) => sum + u, 0);
	const goods = packPriceMinor === null ? null : packs * packPriceMinor;
	const money = sharedMoney([...units, gone > GRACE ? gone : 0], goods, shippingMinor);
	for (const [k, share] of shares.entries()) await set(tx, 'purchase', share.id, money[k]!);
}

/**
 * So many packs of it came, the rest is another: each with its sending and its shares, given first to who comes first.
 * @returns the shares of what came
 */
export async function splitJoint(
	tx: Executor,
	whole: Whole,
	shares: readonly Purchase[],
	packs: number
): Promise<Purchase[]> {
	const { packSize, packPriceMinor } = whole;
	const [sending, itsSending] = shared(whole.shippingMinor, [packs, whole.packs - packs]);
	const rest = await insert(tx, 'joint_purchase', {
		packs: whole.packs - packs,
		packSize,
		packPriceMinor,
		shippingMinor: itsSending
	});
	const came: Purchase[] = [];
	const open: Purchase[] = [];
	for (const [k, part] of partOfShares(shares, packs * packSize).entries()) {
		const share = shares[k]!;
		if (part.came > 0) came.push({ ...share, packSize: part.came });
		if (part.rest === 0) continue;
		const other = { packs: 1, packSize: part.rest, jointId: rest };
		if (part.came === 0) await set(tx, 'purchase', share.id, { jointId: rest });
		else await set(tx, 'purchase', share.id, { packSize: part.came });
		open.push({
			...share,
			...other,
			id: part.came === 0 ? share.id : await insertLike(tx, share, other)
		});
	}
	await priceJoint(tx, { ...whole, packs }, came, { packPriceMinor, shippingMinor: sending! });
	await priceJoint(tx, { id: rest, packs: whole.packs - packs, packSize }, open, {
		packPriceMinor,
		shippingMinor: itsSending!
	});
	return came;
}

/**
 * Packs out of one share are sent back: they are a purchase of that costume from then on, which is sent back, and the whole has so many less.
 * @returns the id of what is sent back
 */
export async function outOfJoint(
	tx: Executor,
	whole: Whole,
	share: Purchase,
	packs: number
): Promise<number> {
	const units = unitsOf(share, { packSize: 0 });
	const its = packs * whole.packSize;
	if (its > units + GRACE)
		throw new Refused(
			`It was bought for several costumes, and this one's share is less than ${packs === 1 ? 'a pack' : 'so many packs'}: send all of it back, or packs of whoever has them.`,
			'packs'
		);
	const [, sending] = shared(share.shippingMinor, [units - its, its]);
	const { packSize, packPriceMinor } = whole;
	const back = { packs, packSize, packPriceMinor, shippingMinor: sending!, jointId: null };
	await set(tx, 'joint_purchase', whole.id, {
		packs: whole.packs - packs,
		shippingMinor: whole.shippingMinor - sending!
	});
	if (units - its <= GRACE) {
		await set(tx, 'purchase', share.id, back);
		return share.id;
	}
	await set(tx, 'purchase', share.id, {
		packSize: share.packSize! - its,
		packPriceMinor:
			packPriceMinor === null ? null : Math.max(0, (share.packPriceMinor ?? 0) - packs * packPriceMinor),
		shippingMinor: share.shippingMinor - sending!
	});
	return insertLike(tx, share, { ...back, stashed: 0 });
}

/** What is only on the list goes from it, for all that share it. */
export async function takeOff(tx: Executor, purchases: readonly Purchase[]): Promise<void> {
	const rows = (await Promise.all(purchases.map((p) => sharesWith(tx, p)))).flat();
	await tx.query('delete from purchase where id = any($1)', [rows.map((r) => r.id)]);
	await dropUnshared(tx);
}

/** What nobody has a share of any more. */
export const dropUnshared = (tx: Executor) =>
	tx.query(
		'delete from joint_purchase j where not exists (select 1 from purchase p where p.joint_id = j.id)'
	);
