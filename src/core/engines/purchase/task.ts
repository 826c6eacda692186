import type { WorkingDays } from '../../facts/workingDays.ts';

export const AIMS = ['cheapest', 'soonest', 'fewest'] as const;
/** Least money; least latest arrival, then least money; fewest parcels, then least money. */
export type Aim = (typeof AIMS)[number];

/** So much of one thing, wanted on `by` at the latest (a whole day since 1970-01-01, inclusive; null: whenever it comes). */
export interface PackNeed {
	id: string;
	amount: number;
	by: number | null;
	/** So much of it, counted from nothing, is wanted on days before. */
	sooner?: readonly { amount: number; by: number }[];
}

/** Packs in which a need can be bought. */
export interface PackOffer {
	id: string;
	need: string;
	supplier: string;
	/** Of the need, in one pack. */
	amount: number;
	priceMinor: number;
	/** Price of every pack once so many are taken. */
	breaks: readonly { from: number; priceMinor: number }[];
	/** Working days of the supplier; 0 is bought on the day. */
	leadDays: number;
	/** Or any days. */
	everyDay?: boolean;
	/** No more packs than this; null: as many as are wanted. */
	max: number | null;
	/** No fewer than this: the maker wants this one. */
	least?: number;
}

export interface PackSupplier extends WorkingDays {
	id: string;
	/** Of one parcel, whatever is in it. */
	shippingMinor: number;
	/** From goods for so much on nothing is asked for shipping; null: never. */
	freeFromMinor: number | null;
	/** Takes no order for less; null: any. */
	minOrderMinor: number | null;
}

export interface PackTask {
	/** Everything is ordered on this day, a whole day since 1970-01-01. */
	start: number;
	aim: Aim;
	needs: readonly PackNeed[];
	offers: readonly PackOffer[];
	suppliers: readonly PackSupplier[];
}

export interface Bought {
	offer: string;
	packs: number;
	costMinor: number;
	arrives: number;
}

/** Why a need cannot be bought, and on which day it could be here at the soonest; null when it never could. */
export interface Short {
	need: string;
	why: 'noOffer' | 'tooLate' | 'tooFew';
	soonest: number | null;
	/** The same of each amount that is wanted sooner. */
	sooner?: (number | null)[];
}

export interface Chosen {
	buy: Bought[];
	goodsMinor: number;
	shippingMinor: number;
	totalMinor: number;
	parcels: number;
	/** What is left of each need that comes to more than is wanted. */
	over: { need: string; amount: number }[];
	short: Short[];
	/** Nothing is better. */
	proved: boolean;
}

/**
 * Solves a mixed-integer linear program exactly: text in the LP format, values of its variables out; `proved` when no better one exists.
 * `none` when there is none at all, `time` when none was found in time.
 */
export type Solve = (
	lp: string,
	seconds: number
) => { values: ReadonlyMap<string, number>; proved: boolean } | 'none' | 'time';
