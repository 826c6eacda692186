import type { CostumeRecord } from '../facts/costume.ts';
import { purchaseCost } from '../facts/material.ts';
import { DAY, dayOf } from '../units/localTime.ts';
import { wholePacks } from '../units/packs.ts';
import type { CostumePlan } from './plan.ts';
import type { ShoppingLine } from './shopping.ts';
import type { Spend } from './spend.ts';

/** One day of a costume: what it has cost by then, and the work of that day. */
export interface MoneyDay {
	/** Whole days since 1970-01-01. */
	day: number;
	/** Spent and ordered by then, and from today on what is still to be. */
	minor: number;
	/** Logged, and from today on planned. */
	minutes: number;
}

/**
 * Money along the days with the hours beside it. What is ordered counts from its order; what is not, from the day to order by, today at
 * the soonest; the stash, where it counts, from the first day. The last day has all of it.
 * @returns every day from the first of anything to the event; none where nothing was bought, needed or worked
 */
export function moneyOverDays(
	{ costume, purchases, logs }: CostumeRecord,
	{ orders, schedule }: Pick<CostumePlan, 'orders' | 'schedule'>,
	lines: readonly ShoppingLine[],
	spend: Pick<Spend, 'stashMinor'>,
	today: number
): MoneyDay[] {
	const last = Math.max(today, dayOf(costume.eventAt));
	const orderBy = new Map(orders.map((o) => [o.material.id, o.orderByDay]));
	const toOrder = (materialId: number) => Math.min(last, Math.max(today, orderBy.get(materialId) ?? today));
	const spent = [
		...purchases.map((p) => ({
			day: p.state === 'planned' ? toOrder(p.materialId) : (p.orderedOn ?? p.arrivedOn ?? today),
			minor: purchaseCost(p) ?? p.shippingMinor
		})),
		...lines.map((l) => ({ day: toOrder(l.material.id), minor: l.costShortMinor ?? 0 }))
	].filter((s) => s.minor !== 0);
	const worked = [
		...logs.map((l) => ({ day: dayOf(l.startedAt), minutes: l.minutes })),
		...schedule.steps.flatMap((s) =>
			s.blocks.flatMap(([from, to]) => byDay(from, to, Math.max(1, s.makers.length)))
		)
	].filter((w) => w.minutes > 0 && w.day <= last);
	const days = [...spent, ...worked].map((s) => s.day);
	if (days.length === 0 && spend.stashMinor === 0) return [];
	const first = Math.min(today, ...days);
	const sumAt = new Map<number, number>([[first, spend.stashMinor]]);
	for (const { day, minor } of spent) {
		const at = Math.min(day, last);
		sumAt.set(at, (sumAt.get(at) ?? 0) + minor);
	}
	const workAt = new Map<number, number>();
	for (const { day, minutes } of worked) workAt.set(day, (workAt.get(day) ?? 0) + minutes);
	let minor = 0;
	return Array.from({ length: last - first + 1 }, (_, i) => {
		minor += sumAt.get(first + i) ?? 0;
		return { day: first + i, minor, minutes: workAt.get(first + i) ?? 0 };
	});
}

/** A block of work, day by day. */
function byDay(from: number, to: number, makers: number): { day: number; minutes: number }[] {
	const days = [];
	for (let day = dayOf(from); day * DAY < to; day++)
		days.push({ day, minutes: (Math.min(to, (day + 1) * DAY) - Math.max(from, day * DAY)) * makers });
	return days;
}

/** What a guessed amount may cost more or less, in whole packs. */
export interface GuessedCost {
	materialId: number;
	lessMinor: number;
	moreMinor: number;
}

/**
 * What guessed amounts may move the cost by, were each off by the factor by which guesses are off as a rule: what is bought stays
 * bought, and what is still to buy comes in whole packs.
 */
export function guessedCosts(lines: readonly ShoppingLine[], factor: number): GuessedCost[] {
	return lines.flatMap((l): GuessedCost[] => {
		const { packPriceMinor, packSize, id } = l.material;
		const guessed = l.usages.reduce((sum, u) => sum + (u.guessed ? u.quantity - u.done : 0), 0);
		if (guessed <= 0 || packPriceMinor === null) return [];
		const costOf = (needed: number) =>
			packPriceMinor * wholePacks(needed - l.taken - l.stash - l.bought, packSize);
		const usual = costOf(l.needed);
		const lessMinor = usual - costOf(l.needed - guessed * (1 - 1 / factor));
		const moreMinor = costOf(l.needed + guessed * (factor - 1)) - usual;
		return lessMinor || moreMinor ? [{ materialId: id, lessMinor, moreMinor }] : [];
	});
}
