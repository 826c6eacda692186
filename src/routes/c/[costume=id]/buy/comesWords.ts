import type { OrderBy } from '$core/answers/arrivals.ts';
import { isOverdue } from '$core/answers/leadTime.ts';
import { dayOf, dayWords, timeWords, type LocalMinutes } from '$core/units/localTime.ts';

/** `comes Thu 8 May, needed Fri 9 May 18:00`; an order that is overdue may never come. */
export function comesWords({ purchase, usableFrom, neededAt }: OrderBy, now: LocalMinutes): string {
	const comes =
		purchase && isOverdue(purchase, now)
			? `was due ${dayWords(purchase.dueOn ?? dayOf(now))} and is not here, the plan still counts on it today`
			: usableFrom === null
				? 'is here'
				: `${purchase ? 'comes' : 'ordered today would come'} ${dayWords(dayOf(usableFrom))}`;
	return neededAt === null ? comes : `${comes}, needed ${timeWords(neededAt)}`;
}
