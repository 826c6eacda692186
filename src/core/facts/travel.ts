import type { Vec } from '../units/vec.ts';
import { FEATURES } from './wear.ts';

/** Rules that have a limit: a length in mm, a weight in g, the three sides of a case in mm, the hours of a day. The others forbid, or are looked at by hand. */
export const LIMITED = ['length', 'weight', 'case', 'hours'] as const;
export const RULE_KINDS = [...LIMITED, ...FEATURES, 'other'] as const;
export type RuleKind = (typeof RULE_KINDS)[number];

/** What an event lets in. Of all costumes that go there. */
export interface EventRule {
	id: number;
	/** As costumes name it. */
	eventName: string;
	kind: RuleKind;
	/** None for what is forbidden. */
	limits: number[];
	note: string;
	version: number;
}

/** Whether two names are of one event. */
export const isSameEvent = (a: string, b: string): boolean =>
	a.trim().toLowerCase() === b.trim().toLowerCase();

/** How long an event is on a day, h; null where nobody has said. */
export const hoursOf = (
	rules: readonly Pick<EventRule, 'eventName' | 'kind' | 'limits'>[],
	eventName: string
): number | null =>
	rules.find((r) => r.kind === 'hours' && isSameEvent(r.eventName, eventName))?.limits[0] ?? null;

/** What costumes travel in. */
export interface TravelCase {
	id: number;
	position: number;
	name: string;
	/** Length, width and height inside, mm. */
	inner: Vec;
	/** What its wall, wheels and handles add on each side. */
	wallMm: number;
	/** The most that goes into it. */
	kg: number;
	version: number;
}

/** When a list is ticked. */
export const LEGS = ['going', 'event', 'home'] as const;
export type Leg = (typeof LEGS)[number];

/** A line of the list that is there. */
export interface PackTick {
	id: number;
	costumeId: number;
	/** `c3.2`: the second of component 3; `kit tape`. */
	line: string;
	leg: Leg;
}
