import { openMinutes } from '../engines/schedule/calendar.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { knownCost } from '../facts/material.ts';
import { DAY, dayOf } from '../units/localTime.ts';
import { wholePacks } from '../units/packs.ts';
import { orderDays, spendingDay } from './moneyBy.ts';
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
	const days = orderDays(orders);
	const spent = [
		...purchases.map((p) => ({ day: spendingDay(p, days, today), minor: knownCost(p) })),
		...lines.map((l) => ({
			day: Math.max(today, days.get(l.material.id) ?? today),
			minor: l.costShortMinor ?? 0
		}))
	].filter((s) => s.minor !== 0);
	const logged = new Map<number, number>();
	for (const { startedAt, minutes } of logs)
		logged.set(dayOf(startedAt), (logged.get(dayOf(startedAt)) ?? 0) + minutes);
	if (spent.length === 0 && logged.size === 0 && schedule.steps.length === 0 && spend.stashMinor === 0)
		return [];
	const first = Math.min(today, ...spent.map((s) => s.day), ...logged.keys());
	const sumAt = new Map<number, number>([[first, spend.stashMinor]]);
	for (const { day, minor } of spent) {
		const at = Math.min(day, last);
		sumAt.set(at, (sumAt.get(at) ?? 0) + minor);
	}
	const planned = (day: number) =>
		schedule.steps.reduce(
			(sum, s) => sum + openMinutes(s.blocks, day * DAY, (day + 1) * DAY) * Math.max(1, s.makers.length),
			0
		);
	let minor = 0;
	return Array.from({ length: last - first + 1 }, (_, i) => {
		const day = first + i;
		minor += sumAt.get(day) ?? 0;
		return { day, minor, minutes: (logged.get(day) ?? 0) + planned(day) };
	});
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
