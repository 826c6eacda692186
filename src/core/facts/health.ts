import type { LocalMinutes } from '../units/localTime.ts';
import type { HoldKind, Occasion } from './fault.ts';
import type { Zone } from './zone.ts';

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
	/** Where it hurt. */
	hurts: Zone[];
	version: number;
}

/** What wears of one costume tell of a kind of thing that it has. */
export interface HoldTally {
	costumeId: number;
	kind: HoldKind;
	/** Wears of all its things of this kind, and how often one let go. */
	wears: number;
	faults: number;
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

/** What is taken along of the emergency kit, whatever comes of the arithmetic. */
export const KIT_TAKES = ['asWorkedOut', 'always', 'never'] as const;
export type KitTakes = (typeof KIT_TAKES)[number];

/** What is said of one thing of the emergency kit, or a thing of one’s own in it. */
export interface KeptKitItem {
	id: number;
	costumeId: number;
	/** As the kit names it: `tape`, `glue contact cement`; `own 3` for what is one’s own. */
	key: string;
	/** Of what is one’s own. */
	name: string;
	/** By the scales and the rule; null goes by the starting value. */
	grams: number | null;
	ml: number | null;
	takes: KitTakes;
	version: number;
}

/** What the emergency kit may weigh and take; null for no limit. One row at most. */
export interface KeptKitLimit {
	id: number;
	costumeId: number;
	grams: number | null;
	ml: number | null;
	version: number;
}

/** What to do otherwise next time. */
export interface NextTime {
	id: number;
	costumeId: number;
	/** The component that it was learned from. */
	componentId: number | null;
	position: number;
	words: string;
	/** Where it went; nothing while it waits. */
	takenTo: string;
	version: number;
}

/** How a component is kept. One row at most. */
export interface Keeping {
	id: number;
	componentId: number;
	place: string;
	note: string;
	/** Months from look to look; null goes by what it is made of. */
	everyMonths: number | null;
	/** Days since 1970: the last time that it was looked at in its place. */
	lookedOn: number | null;
	version: number;
}
