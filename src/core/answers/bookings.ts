import type { Loan } from '../facts/loan.ts';
import { dayOf } from '../units/localTime.ts';

/** A day on which a shared component is worn. */
export interface Booking {
	costumeId: number;
	costume: string;
	/** Days since 1970. */
	on: number;
	/** It is elsewhere then: whose it is that day; null where it is there. */
	missingTo: string | null;
}

/** A component that is worn with several costumes. */
export interface Shared {
	component: Loan['component'];
	owner: Loan['owner'];
	/** Of each costume that borrows it, its loan. */
	loans: { id: number; costumeId: number; costume: string }[];
	/** The next first; costumes that are put away book nothing. */
	bookings: Booking[];
}

/** From one event to another there is a day to travel and to mend at least. From memory. */
const DAYS_BETWEEN = 1;

/**
 * What is shared, and when it is missing: where two events are nearer than a day to travel, it is at the one whose it is, else at the one
 * that borrowed it first.
 */
export function sharedComponents(loans: readonly Loan[]): Shared[] {
	const found = new Map<number, Loan[]>();
	for (const loan of loans) found.set(loan.component.id, [...(found.get(loan.component.id) ?? []), loan]);
	return [...found.values()].map((its): Shared => {
		const inTurn = [...its].sort((a, b) => a.id - b.id);
		const [{ component, owner }] = inTurn as [Loan];
		const wanted = [
			{ costumeId: owner.id, costume: owner.name, on: dayOf(owner.eventAt), isAway: owner.isAway },
			...inTurn.map((l) => ({
				costumeId: l.costumeId,
				costume: l.costume,
				on: dayOf(l.eventAt),
				isAway: l.isAway
			}))
		].filter((w) => !w.isAway);
		const bookings: Booking[] = [];
		for (const { costumeId, costume, on } of wanted) {
			const taken = bookings.find((b) => b.missingTo === null && Math.abs(b.on - on) <= DAYS_BETWEEN);
			bookings.push({ costumeId, costume, on, missingTo: taken?.costume ?? null });
		}
		return {
			component,
			owner,
			loans: inTurn.map(({ id, costumeId, costume }) => ({ id, costumeId, costume })),
			bookings: bookings.sort((a, b) => a.on - b.on)
		};
	});
}

/** What a costume borrows, and what of it others borrow. */
export const sharedWith = (
	costumeId: number,
	shared: readonly Shared[]
): { borrowed: Shared[]; lent: Shared[] } => ({
	borrowed: shared.filter((s) => s.loans.some((l) => l.costumeId === costumeId)),
	lent: shared.filter((s) => s.owner.id === costumeId)
});

/** Where it is, when this costume would need it; null where it is there. */
export const missingFor = (costumeId: number, { bookings }: Shared): string | null =>
	bookings.find((b) => b.costumeId === costumeId)?.missingTo ?? null;
