import type { Costume } from '../facts/costume.ts';
import { dayOf } from '../units/localTime.ts';
import type { Spend } from './spend.ts';

/** What all costumes of one event come to, in one currency: nothing is exchanged. */
export interface EventMoney {
	event: string;
	/** Days since 1970-01-01 on which its costumes are worn, the first and the last. */
	from: number;
	to: number;
	currency: string;
	paidMinor: number;
	orderedMinor: number;
	/** Planned, and still short. */
	toPayMinor: number;
	/** Out of the stash, less what went to it, where that counts: it was paid before. */
	stashMinor: number;
	totalMinor: number;
	costumes: { id: number; name: string; totalMinor: number }[];
}

/** Costumes of one name whose days are no further apart are for the same event. */
const SAME_EVENT_DAYS = 14;

/** Costumes by the event that they are for, the next one first. */
export function moneyByEvent(
	costumes: readonly {
		costume: Pick<Costume, 'id' | 'name' | 'eventName' | 'eventAt' | 'currency'>;
		spend: Pick<
			Spend,
			'paidMinor' | 'orderedMinor' | 'plannedMinor' | 'notListedMinor' | 'stashMinor' | 'totalMinor'
		>;
	}[]
): EventMoney[] {
	const events: EventMoney[] = [];
	for (const { costume, spend } of [...costumes].sort((a, b) => a.costume.eventAt - b.costume.eventAt)) {
		const { id, name, currency } = costume;
		const day = dayOf(costume.eventAt);
		const event = costume.eventName.trim();
		let its = events.find(
			(e) =>
				e.event.toLowerCase() === event.toLowerCase() &&
				e.currency === currency &&
				// What has no name is what is on the day.
				day - e.to <= (event ? SAME_EVENT_DAYS : 0)
		);
		if (!its) {
			its = {
				event,
				from: day,
				to: day,
				currency,
				paidMinor: 0,
				orderedMinor: 0,
				toPayMinor: 0,
				stashMinor: 0,
				totalMinor: 0,
				costumes: []
			};
			events.push(its);
		}
		its.to = day;
		its.paidMinor += spend.paidMinor;
		its.orderedMinor += spend.orderedMinor;
		its.toPayMinor += spend.plannedMinor + spend.notListedMinor;
		its.stashMinor += spend.stashMinor;
		its.totalMinor += spend.totalMinor;
		its.costumes.push({ id, name, totalMinor: spend.totalMinor });
	}
	return events;
}
