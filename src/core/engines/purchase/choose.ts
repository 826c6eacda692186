import { GRACE } from '../../units/packs.ts';
import { Failed, problem } from '../../units/problem.ts';
import { modelOf, type Model } from './model.ts';
import { offeredOf, packPrice, soonestOf, type Offered } from './offered.ts';
import type { Aim, Chosen, PackNeed, PackTask, Short, Solve } from './task.ts';

/**
 * Which packs to buy from whom: the mix over all needs at once that is in time and best by the aim. Needs that nothing covers in time
 * are told, and the rest is chosen.
 * @param seconds for the whole choice
 * @throws Failed when none was found in that time
 */
export function choosePacks(task: PackTask, solve: Solve, seconds: number): Chosen {
	const { offered, needs, short } = offeredOf(task);
	if (needs.length === 0) return chosenOf(task, [], [], needs, short, true);
	const counted = (among: readonly Offered[], counts: readonly number[], proved: boolean) =>
		chosenOf(task, among, counts, needs, short, proved);
	const best = (among: readonly Offered[], aim: Exclude<Aim, 'soonest'>, parcels: number | null, share = 1) =>
		solved(modelOf(among, needs, aim, parcels), solve, seconds * share);

	if (task.aim === 'fewest') {
		const few = orFail(best(offered, 'fewest', null, 0.5), seconds);
		const { parcels } = counted(offered, few.counts, few.proved);
		const found = best(offered, 'cheapest', parcels, 0.5);
		const { counts, proved } = found === 'none' || found === 'time' ? { ...few, proved: false } : found;
		return counted(offered, counts, few.proved && proved);
	}
	if (task.aim === 'cheapest') {
		const found = orFail(best(offered, 'cheapest', null), seconds);
		return counted(offered, found.counts, found.proved);
	}
	// On the first day by which all is there; a later one where an order by then is too small for whoever would have to take it.
	const first = soonestOf(offered, needs);
	const days = [...new Set(offered.map((o) => o.arrives))].filter((d) => d >= first).sort((a, b) => a - b);
	for (const day of days) {
		const inTime = offered.filter((o) => o.arrives <= day);
		const found = best(inTime, 'cheapest', null);
		if (found === 'none') continue;
		const { counts, proved } = orFail(found, seconds);
		return counted(inTime, counts, proved);
	}
	throw new Failed(problem('noPurchaseFound', { seconds }));
}

interface Found {
	/** Packs of each offer. */
	counts: number[];
	proved: boolean;
}

function solved({ lp, packs }: Model, solve: Solve, seconds: number): Found | 'none' | 'time' {
	const found = solve(lp, seconds);
	if (found === 'none' || found === 'time') return found;
	const value = (x: string) => found.values.get(x) ?? 0;
	return {
		proved: found.proved,
		counts: packs.map((its) => Math.round(its.reduce((sum, x) => sum + value(x), 0)))
	};
}

function orFail(found: Found | 'none' | 'time', seconds: number): Found {
	if (found === 'none' || found === 'time') throw new Failed(problem('noPurchaseFound', { seconds }));
	return found;
}

/** What so many packs cost and cover, counted anew in whole money. */
function chosenOf(
	{ suppliers }: PackTask,
	offered: readonly Offered[],
	counts: readonly number[],
	needs: readonly PackNeed[],
	short: readonly Short[],
	proved: boolean
): Chosen {
	const buy = offered.flatMap(({ offer, arrives }, k) =>
		counts[k]! > 0
			? [
					{
						offer: offer.id,
						packs: counts[k]!,
						costMinor: counts[k]! * packPrice(offer, counts[k]!),
						arrives
					}
				]
			: []
	);
	const byId = new Map(offered.map((o) => [o.offer.id, o.offer]));
	const used = suppliers.flatMap((s) => {
		const its = buy.filter((b) => byId.get(b.offer)!.supplier === s.id);
		const goods = its.reduce((sum, b) => sum + b.costMinor, 0);
		const free = s.freeFromMinor !== null && goods >= s.freeFromMinor;
		return its.length > 0 ? [free ? 0 : s.shippingMinor] : [];
	});
	const goodsMinor = buy.reduce((sum, b) => sum + b.costMinor, 0);
	const shippingMinor = used.reduce((sum, s) => sum + s, 0);
	const over = needs.flatMap((need) => {
		const has = buy.reduce((sum, b) => {
			const o = byId.get(b.offer)!;
			return o.need === need.id ? sum + b.packs * o.amount : sum;
		}, 0);
		return has - need.amount > GRACE
			? [{ need: need.id, amount: Math.round((has - need.amount) * 1e9) / 1e9 }]
			: [];
	});
	return {
		buy,
		goodsMinor,
		shippingMinor,
		totalMinor: goodsMinor + shippingMinor,
		parcels: used.length,
		over,
		short: [...short],
		proved
	};
}
