import { waitOf, type Drying } from './wait.ts';
import type { CostumePlan } from './plan.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { DAY, dayOf, type LocalMinutes } from '../units/localTime.ts';

/** What is pinned on the tape: days to order by, parcels, coats becoming dry, the day to be ready. */
export interface Pin {
	kind: 'order' | 'parcel' | 'dry' | 'readyBy' | 'fitting' | 'rehearsal';
	at: LocalMinutes;
	words: string;
	late: boolean;
}

export function tapePins(
	record: CostumeRecord,
	plan: CostumePlan,
	workshop: Drying,
	now: LocalMinutes
): Pin[] {
	const { costume } = record;
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
		const at = s.doneAt === null ? 0 : s.doneAt + waitOf(s, workshop);
		return at > now
			? [{ kind: 'dry', at, words: `${code.get(s.componentId)} ${s.name} dry`, late: false }]
			: [];
	});
	const dates = [
		...record.fittings
			.filter((f) => f.heldAt >= now)
			.map((f): Pin => ({
				kind: 'fitting',
				at: f.heldAt,
				words: `fitting ${f.componentIds.map((id) => code.get(id)).join(', ')}`.trim(),
				// A step that is tried on then is not ready by then.
				late: f.componentIds.some((id) => missesFitting(record, plan, id, f.heldAt))
			})),
		...(costume.rehearsalAt !== null && costume.rehearsalAt >= now
			? [
					{
						kind: 'rehearsal' as const,
						at: costume.rehearsalAt,
						words: 'dress rehearsal',
						late: plan.schedule.finish !== null && plan.schedule.finish > costume.rehearsalAt
					}
				]
			: [])
	];
	return [
		...orders,
		...dates,
		...drying,
		{ kind: 'readyBy' as const, at: plan.deadline, words: 'ready by', late: false }
	].sort((a, b) => a.at - b.at);
}

/** Whether what is to be tried on begins later than its fitting by the plan. */
export const missesFitting = (
	record: CostumeRecord,
	{ schedule: plan }: CostumePlan,
	componentId: number,
	heldAt: LocalMinutes
): boolean => {
	const fit = record.steps.find(
		(s) => s.componentId === componentId && s.technique === 'fit' && s.doneAt === null
	);
	const planned = plan.steps.find((s) => s.id === String(fit?.id));
	return planned !== undefined && dayOf(planned.start) > dayOf(heldAt);
};
