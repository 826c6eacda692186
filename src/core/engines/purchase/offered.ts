import { GRACE } from '../../units/packs.ts';
import type { PackNeed, PackOffer, PackSupplier, PackTask, Short } from './task.ts';
import { EVERY_DAY, workingDaysAfter } from '../../facts/workingDays.ts';

/** An offer with what can come of it. */
export interface Offered {
	offer: PackOffer;
	supplier: PackSupplier;
	arrives: number;
	/** More packs than this are in no best purchase. */
	most: number;
}

/** Price of each pack when so many are taken, minor units. */
export function packPrice(
	{ priceMinor, breaks }: Pick<PackOffer, 'priceMinor' | 'breaks'>,
	packs: number
): number {
	let price = priceMinor;
	let from = 1;
	for (const b of breaks)
		if (b.from <= packs && b.from >= from) {
			price = b.priceMinor;
			from = b.from;
		}
	return price;
}

/** All that is wanted of a need, counted from nothing, and by when: the whole of it last. */
export const wantedOf = ({ amount, by, sooner = [] }: PackNeed): { amount: number; by: number | null }[] => [
	...sooner,
	{ amount, by }
];

export const isInTime = ({ arrives }: Pick<Offered, 'arrives'>, by: number | null): boolean =>
	by === null || arrives <= by;

/** What comes in time, of needs that can be covered by it; and the others, with the reason. */
export function offeredOf(task: PackTask): { offered: Offered[]; needs: PackNeed[]; short: Short[] } {
	const suppliers = new Map(task.suppliers.map((s) => [s.id, s]));
	const all = task.offers.flatMap((offer): Omit<Offered, 'most'>[] => {
		const supplier = suppliers.get(offer.supplier)!;
		const arrives = workingDaysAfter(task.start, offer.leadDays, offer.everyDay ? EVERY_DAY : supplier);
		return arrives === null || offer.max === 0 ? [] : [{ offer, supplier, arrives }];
	});
	const needs: PackNeed[] = [];
	const short: Short[] = [];
	const offered: Offered[] = [];
	for (const need of task.needs) {
		if (need.amount <= GRACE) continue;
		const its = all.filter((o) => o.offer.need === need.id);
		const inTime = its.filter((o) => isInTime(o, need.by));
		const covered = wantedOf(need).every(({ amount, by }) =>
			covers(
				its.filter((o) => isInTime(o, by)),
				amount
			)
		);
		if (covered) {
			needs.push(need);
			offered.push(...inTime.map((o) => ({ ...o, most: mostOf(o, need) })));
		} else short.push(shortOf(need, its));
	}
	const tooSmall = offered.find(
		({ supplier }) => mostGoods(offered, supplier.id) < (supplier.minOrderMinor ?? 0)
	);
	if (!tooSmall) return { offered, needs, short };
	// They would take no order for as much as can be bought from them.
	return offeredOf({ ...task, offers: task.offers.filter((o) => o.supplier !== tooSmall.supplier.id) });
}

/** What all that a supplier could be asked for comes to. */
const mostGoods = (offered: readonly Offered[], supplier: string): number =>
	offered.reduce((sum, { offer: o, supplier: s, most }) => {
		if (s.id !== supplier) return sum;
		const before = o.breaks.filter((b) => b.from <= most).map((b) => b.from - 1);
		return sum + Math.max(...[...before, most].map((packs) => packs * packPrice(o, packs)));
	}, 0);

const covers = (offers: readonly Omit<Offered, 'most'>[], amount: number): boolean =>
	offers.reduce((sum, { offer: o }) => sum + (o.max === null ? Infinity : o.max * o.amount), 0) >=
	amount - GRACE;

/** The first day on which so much can be here; null: never. */
function soonestDay(offers: readonly Omit<Offered, 'most'>[], amount: number): number | null {
	const days = [...new Set(offers.map((o) => o.arrives))].sort((a, b) => a - b);
	const enough = (day: number) =>
		covers(
			offers.filter((o) => o.arrives <= day),
			amount
		);
	return days.find(enough) ?? null;
}

function shortOf({ id, amount, sooner }: PackNeed, its: readonly Omit<Offered, 'most'>[]): Short {
	const soonest = soonestDay(its, amount);
	const why = its.length === 0 ? 'noOffer' : soonest === null ? 'tooFew' : 'tooLate';
	const short: Short = { need: id, why, soonest };
	return sooner ? { ...short, sooner: sooner.map((s) => soonestDay(its, s.amount)) } : short;
}

/** So many cover the need alone, reach the last break, and fill an order up to where it is taken or sent for nothing. */
function mostOf({ offer, supplier }: Omit<Offered, 'most'>, need: PackNeed): number {
	const cheapest = Math.min(offer.priceMinor, ...offer.breaks.map((b) => b.priceMinor));
	const fill = Math.max(
		supplier.minOrderMinor ?? 0,
		supplier.shippingMinor > 0 ? (supplier.freeFromMinor ?? 0) : 0
	);
	const most =
		Math.max(Math.ceil(need.amount / offer.amount), ...offer.breaks.map((b) => b.from)) +
		(cheapest > 0 ? Math.ceil(fill / cheapest) : 0);
	return Math.min(Math.max(most, offer.least ?? 0), offer.max ?? Infinity);
}

/** On which day everything can be here at the soonest. */
export function soonestOf(offered: readonly Offered[], needs: readonly PackNeed[]): number {
	return Math.max(
		...needs.map(
			(need) =>
				shortOf(
					need,
					offered.filter((o) => o.offer.need === need.id)
				).soonest!
		)
	);
}
