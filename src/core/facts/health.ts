import type { LocalMinutes } from '../units/localTime.ts';
import type { Occasion } from './fault.ts';

/** Worn once: at an event, or to try it. */
export interface WearLog {
	id: number;
	costumeId: number;
	/** Null for all of it. */
	variantId: number | null;
	/** Days since 1970. */
	wornOn: number;
	/** What is looked at later on that day is looked at after it was worn. */
	toldAt: LocalMinutes;
	/** Null where nobody has looked at a clock. */
	hours: number | null;
	occasion: Occasion;
	note: string;
	version: number;
}

/** A line of the inspection, the last time that it was looked at. */
export interface Inspected {
	id: number;
	costumeId: number;
	/** `join 12`, `seam sewn 3`. */
	line: string;
	works: boolean;
	lookedAt: LocalMinutes;
	version: number;
}
