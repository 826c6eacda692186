import type { LocalMinutes } from '../units/localTime.ts';

/** A component of one costume that is worn with another, too: it is made, mended and paid for where it belongs. */
export interface Loan {
	id: number;
	/** The costume that it is worn with, too, and its event. */
	costumeId: number;
	costume: string;
	eventAt: LocalMinutes;
	/** That costume is put away. */
	isAway: boolean;
	component: { id: number; code: string; name: string };
	/** Where it belongs. */
	owner: { id: number; name: string; eventAt: LocalMinutes; isAway: boolean };
}
