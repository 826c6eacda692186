import pluralize from 'pluralize';
import { EVERY_DAY, MONDAY_TO_FRIDAY, workingDaysAfter, type WorkingDays } from '../facts/workingDays.ts';
import { DAY, dayOf, type LocalMinutes } from '../units/localTime.ts';
import type { Lateness } from '../facts/lateness.ts';
import type { Purchase } from '../facts/material.ts';

/** Parcels are counted on from noon of the day they come. Common practice. */
export const ARRIVAL_CLOCK = 12 * 60;

/** What is taken where nobody knows how long a thing takes to come. Starting value, from memory. */
export const USUAL_LEAD_DAYS = 7;

interface Lead {
	leadDays: number | null;
	leadWorkingDays: boolean;
	/** Of its supplier; Monday to Friday where nobody has said. */
	sends?: WorkingDays;
	/** Of its supplier, where enough parcels have come to say. */
	late?: Lateness | null;
}

export const leadDaysOf = (lead: Pick<Lead, 'leadDays'>): number => lead.leadDays ?? USUAL_LEAD_DAYS;

/** `5 working days`; `not known, 7 days assumed`. */
export function leadWords(lead: Lead): string {
	const kind = lead.leadWorkingDays ? 'working day' : 'day';
	const words = pluralize(kind, leadDaysOf(lead), true);
	return lead.leadDays === null ? `not known, ${words} assumed` : words;
}

const sendsOf = ({ leadWorkingDays, sends }: Lead): WorkingDays =>
	leadWorkingDays ? (sends ?? MONDAY_TO_FRIDAY) : EVERY_DAY;

/** The day on which something ordered on `day` arrives. */
export function arrivalDay(day: number, lead: Lead): number {
	return workingDaysAfter(day, leadDaysOf(lead), sendsOf(lead))!;
}

/** The last day on which to order so that it is there at `neededAt`. */
export function orderByDay(neededAt: LocalMinutes, lead: Lead): number {
	// Noon of the arrival day must not be after the moment of need.
	let day = dayOf(neededAt - ARRIVAL_CLOCK);
	while (arrivalDay(day, lead) * DAY + ARRIVAL_CLOCK > neededAt) day--;
	return day;
}

/** When a purchase can be used: null when it is here, else noon of the day it is due, never in the past. */
export function usableFrom(purchase: Purchase, now: LocalMinutes): LocalMinutes | null {
	if (purchase.state !== 'planned' && purchase.state !== 'ordered') return null;
	const today = dayOf(now);
	const ordered = purchase.state === 'ordered';
	// A day that was promised holds before it is ordered too, until it has passed.
	const promised = ordered || (purchase.dueOn ?? -1) >= today ? purchase.dueOn : null;
	const due = promised ?? arrivalDay((ordered ? purchase.orderedOn : null) ?? today, purchase);
	return Math.max(due, today) * DAY + ARRIVAL_CLOCK;
}

/**
 * By how much a parcel may be late: as its supplier's have been, a day at the worst at least. Where too few have come to say, half of
 * its lead time again at the worst; twice the usual where nobody knows that. Starting values, from memory.
 */
export function lateMinutes({ leadDays, late }: Lead): [number, number, number] {
	if (late) return [0, late.usualDays * DAY, Math.max(1, late.worstDays) * DAY];
	const worst = leadDays === null ? 2 * USUAL_LEAD_DAYS : Math.max(1, Math.ceil(leadDays / 2));
	return [0, 0, worst * DAY];
}

/** `2 days late as a rule, 5 at the worst, by 6 parcels`; nothing while too few have come. */
export const lateWords = (late: Lateness | null | undefined): string =>
	!late
		? ''
		: late.worstDays === 0
			? `on the day, by ${late.parcels} parcels`
			: `${late.usualDays === 0 ? 'on the day as a rule' : `${pluralize('day', late.usualDays, true)} late as a rule`}, ${late.worstDays} at the worst, by ${late.parcels} parcels`;

/** Ordered, promised for a day that has passed, and not here. */
export const isOverdue = (purchase: Purchase, now: LocalMinutes): boolean =>
	purchase.state === 'ordered' &&
	(purchase.dueOn ?? arrivalDay(purchase.orderedOn ?? dayOf(now), purchase)) < dayOf(now);
