import type { LocalMinutes } from '../../units/localTime.ts';
import type { Problem } from '../../units/problem.ts';
import type { Hours, Span } from './calendar.ts';
import type { Split } from '../../facts/calendar.ts';
import type { ThreePoints } from '../../units/threePoints.ts';

/** What is to be planned. Times are local minutes; all minutes are whole. */
export interface PlanProblem {
	start: LocalMinutes;
	deadline: LocalMinutes | null;
	makers: readonly (Hours & { id: string })[];
	places: readonly (Hours & { id: string; capacity: number; dryOnly?: boolean })[];
	steps: readonly PlanStep[];
	split: Split;
	parcels?: readonly Parcel[];
	/** With `anywhere`: no part is shorter, but the whole of a shorter step. */
	leastPart: number;
	/** Share of days that are wet, on which places for dry weather are closed: in simulated builds only. */
	wetShare?: number;
	/** Hours of makers and places that are already given away, to costumes that go first. */
	taken?: ReadonlyMap<string, readonly Span[]>;
}

export interface PlanStep {
	id: string;
	/** Hands-on: good, usual, bad. */
	minutes: ThreePoints;
	/** Waiting after the hands-on end, around the clock. */
	wait: number;
	after: readonly After[];
	notBefore?: LocalMinutes;
	/** Starts that are not allowed, e.g. the forbidden recoat window of a coat already on. */
	barred?: readonly Span[];
	/** Makers at once. */
	hands: number;
	/** Maker ids allowed; null for any. */
	with: readonly string[] | null;
	place: string | null;
	oneSitting: boolean;
	/** Of the minutes, those that go into setting out, saved when it goes on just after work with the same key at its place. */
	setUp?: { key: string; minutes: number };
	/** It starts then and not otherwise, unless what it waits for is later: a fitting, or work that is under way. */
	pinnedAt?: LocalMinutes;
	/** Ids of the parcels that it waits for. */
	parcels?: readonly string[];
	/** How likely it is that it has to be done again, 0 to 1. Only simulated builds do it. */
	redo?: number;
}

/** Something ordered: when it is there, and how many minutes later at the least, usually, at the worst. */
export interface Parcel {
	id: string;
	at: LocalMinutes;
	late: ThreePoints;
}

export interface After {
	id: string;
	/** Starts within so many minutes of the hands-on end of the step before … */
	within?: number;
	/** … or only after so many; without it, the window only. */
	orAfter?: number;
}

export interface PlannedStep {
	id: string;
	start: LocalMinutes;
	/** End of the hands-on work. */
	end: LocalMinutes;
	/** End of the waiting. */
	ready: LocalMinutes;
	makers: string[];
	blocks: Span[];
	/** Who works in each block: with `anywhere` hands may change. */
	crews: string[][];
	/** It goes on with what was set out for another just before. */
	joined: boolean;
	/** How much later it may start with the deadline still kept; negative when it is already too late. Null without a deadline that can be planned back from. */
	slackMinutes: number | null;
	critical: boolean;
	/** What it waited for: the step before it, or the one its maker was busy with. */
	heldBy: string | null;
}

/** A step that no plan can hold, and why. */
export type Impossible = Omit<Problem, 'path'> & { id: string };

/**
 * Steps in the order in which a plan places them, each as soon as it can be: the order makes the plan again.
 * With makers, they do it and not whoever is done first; one bound by a recoat window stands right behind the
 * one it follows where both are placed together.
 */
export type PlanOrder = readonly { id: string; makers?: readonly string[] }[];

export interface Plan {
	steps: PlannedStep[];
	/** Makes these steps again, and simulated builds of them. */
	order: PlanOrder;
	/** The latest `ready`, with usual minutes; null when nothing could be placed. */
	finish: LocalMinutes | null;
	/** No plan can be ready sooner. */
	lowerBound: LocalMinutes | null;
	impossible: Impossible[];
	/** `proved`: it ends at the lower bound. `rule`: nothing was searched. `settled`: long nothing better was found. */
	stoppedBy: 'proved' | 'rule' | 'settled' | 'time';
}
