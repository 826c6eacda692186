import { unitsOf, type Purchase } from '../facts/material.ts';
import { shared } from '../units/money.ts';
import { GRACE } from '../units/packs.ts';
import type { ListLine, Pack, Want } from './purchase.ts';

/** What of the bought packs is for one costume. */
export interface Share {
	costumeId: number;
	units: number;
	/** It comes after the day on which it is wanted. */
	late: boolean;
}

const byDay = (a: Pick<Want, 'by'>, b: Pick<Want, 'by'>): number => (a.by ?? Infinity) - (b.by ?? Infinity);

/**
 * Who gets what of packs that are bought for several: what comes first goes to whoever wants it first. What is over goes with the costume
 * that takes most of those packs: it pays for it, and whatever is left of them is one pack and not two.
 * @param bought of any materials
 * @returns the shares of each, in the same order
 */
export function sharesOf(
	bought: readonly { pack: Pick<Pack, 'materialId' | 'packSize'>; packs: number; arrives: number }[],
	wants: readonly Want[]
): Share[][] {
	const left = wants.map((w) => ({ ...w })).sort(byDay);
	const shares = new Map(bought.map((b) => [b, new Map<number, Share>()]));
	for (const b of [...bought].sort((a, b) => a.arrives - b.arrives)) {
		const its = shares.get(b)!;
		let units = b.packs * b.pack.packSize;
		const give = (w: Want, some: number) => {
			const { costumeId } = w;
			const share = its.get(costumeId) ?? { costumeId, units: 0, late: false };
			its.set(costumeId, {
				...share,
				units: share.units + some,
				late: share.late || (w.by !== null && b.arrives > w.by)
			});
			units -= some;
		};
		const takers = left.filter((w) => w.materialId === b.pack.materialId);
		for (const w of takers) {
			const some = Math.min(w.amount, units);
			if (some <= GRACE) continue;
			give(w, some);
			w.amount -= some;
		}
		const most = [...its.values()].sort((a, b) => b.units - a.units)[0];
		const over = most ? takers.find((w) => w.costumeId === most.costumeId) : takers[0];
		// What is over is wanted on no day.
		if (over && units !== 0) give({ ...over, by: null }, units);
	}
	return bought.map((b) => [...shares.get(b)!.values()]);
}

/** What stands on the list of one costume: packs of its own, or its units of what several buy. */
export interface Entry {
	costumeId: number;
	pack: Pack;
	packs: number;
	packSize: number;
	packPriceMinor: number;
	shippingMinor: number;
	joint: boolean;
}

/** Goods and sending shared out by units, to the last coin. */
export function sharedMoney(
	units: readonly number[],
	goodsMinor: number | null,
	shippingMinor: number
): { packPriceMinor: number | null; shippingMinor: number }[] {
	const goods = goodsMinor === null ? null : shared(goodsMinor, units);
	const sending = shared(shippingMinor, units);
	return units.map((_, k) => ({ packPriceMinor: goods && goods[k]!, shippingMinor: sending[k]! }));
}

/** A bought line as it stands on the lists of those that share it: with one, its packs; with several, each its units as one pack. */
export function entriesOf(line: ListLine, shares: readonly Pick<Share, 'costumeId' | 'units'>[]): Entry[] {
	const { pack, packs, packPriceMinor, shippingMinor } = line;
	const [only, more] = shares;
	if (only && !more)
		return [
			{
				costumeId: only.costumeId,
				pack,
				packs,
				packSize: pack.packSize,
				packPriceMinor,
				shippingMinor,
				joint: false
			}
		];
	const units = shares.map((s) => s.units);
	return sharedMoney(units, packs * packPriceMinor, shippingMinor).map((money, k) => ({
		costumeId: shares[k]!.costumeId,
		pack,
		packs: 1,
		packSize: units[k]!,
		packPriceMinor: money.packPriceMinor!,
		shippingMinor: money.shippingMinor,
		joint: true
	}));
}

/**
 * Some packs of a joint purchase came, the others are still on their way: who has what of either. Those who come first are given first.
 * @param shares in turn
 * @param units that came
 * @returns what each has of what came, and of the rest
 */
export function partOfShares(
	shares: readonly Pick<Purchase, 'packs' | 'packSize' | 'state' | 'stashed'>[],
	units: number
): { came: number; rest: number }[] {
	let left = units;
	return shares.map((s) => {
		const its = unitsOf(s, { packSize: 0 });
		const came = Math.min(its, left);
		left -= came;
		// What is only rounding is nobody's share.
		if (its - came <= GRACE) return { came: its, rest: 0 };
		return came <= GRACE ? { came: 0, rest: its } : { came, rest: its - came };
	});
}
