import { waitOf, type CostumePlan } from './costumePlan.ts';
import type { CostumeRecord } from './record.ts';
import { DAY, dayOf, type LocalMinutes } from '../units/localTime.ts';

/** What is pinned on the tape: days to order by, parcels, coats becoming dry, the day to be ready. */
export interface Pin {
	kind: 'order' | 'parcel' | 'dry' | 'readyBy';
	at: LocalMinutes;
	words: string;
	late: boolean;
}

export function tapePins(
	record: CostumeRecord,
	plan: CostumePlan,
	coldOrDamp: boolean,
	now: LocalMinutes
): Pin[] {
	const code = new Map(record.components.map((c) => [c.id, c.code]));
	const orders = plan.orders.flatMap((o): Pin[] => {
		if (o.orderByDay !== null)
			return [
				{
					kind: 'order',
					// Overdue orders stand at today: that is when something can still be done about them.
					at: Math.max(o.orderByDay, dayOf(now)) * DAY,
					words: `order ${o.material.name}`,
					late: o.tooLate || o.orderByDay < dayOf(now)
				}
			];
		return o.usableFrom !== null
			? [{ kind: 'parcel', at: o.usableFrom, words: `${o.material.name} arrives`, late: o.tooLate }]
			: [];
	});
	const drying = record.steps.flatMap((s): Pin[] => {
		const at = s.doneAt === null ? 0 : s.doneAt + waitOf(s, coldOrDamp);
		return at > now
			? [{ kind: 'dry', at, words: `${code.get(s.componentId)} ${s.name} dry`, late: false }]
			: [];
	});
	return [
		...orders,
		...drying,
		{ kind: 'readyBy' as const, at: plan.deadline, words: 'ready by', late: false }
	].sort((a, b) => a.at - b.at);
}
