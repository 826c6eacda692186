import type { Coat } from '../finish/coatStack.ts';
import type { Fault } from '../mend/fault.ts';
import type { Material, Need, Purchase } from '../needs/material.ts';
import type { Window } from '../schedule/calendar.ts';
import type { SummerTime } from '../schedule/daylight.ts';
import type { Split } from '../schedule/problem.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { LengthUnit, WeightUnit } from '../units/measure.ts';
import type { Component } from './component.ts';
import type { Step } from './step.ts';
import type { LearnedRate } from '../learn/rates.ts';
import type { Rates, TechniqueKey } from './technique.ts';

/** One character for one wearer and its event. */
export interface Costume {
	id: number;
	name: string;
	wearer: string;
	eventName: string;
	eventAt: LocalMinutes;
	/** The last days before the event that are kept for test wear and packing. */
	bufferDays: number;
	/** The most it may cost; null for no limit. */
	limitMinor: number | null;
	currency: string;
	/** Whether what comes out of the stash counts at what it cost, or at nothing. */
	stashAtCost: boolean;
	split: Split;
	/** How likely it should be, in per cent, that it is ready by the buffer. */
	targetOdds: number;
	/** When everything is worn once as a whole; null for no rehearsal. */
	rehearsalAt: LocalMinutes | null;
	archivedAt: LocalMinutes | null;
	note: string;
	version: number;
}

/** A stretch of work at the bench. The timer runs while `endedAt` is null. */
export interface WorkLog {
	id: number;
	stepId: number;
	makerId: number | null;
	startedAt: LocalMinutes;
	endedAt: LocalMinutes | null;
	minutes: number;
	note: string;
	version: number;
}

export interface Photo {
	id: number;
	hash: string;
	mime: string;
	width: number;
	height: number;
	bytes: number;
	caption: string;
	componentId: number | null;
	stepId: number | null;
	faultId: number | null;
	fittingId: number | null;
	takenAt: LocalMinutes;
}

/** Everything stored about one costume. */
export interface CostumeRecord {
	costume: Costume;
	components: Component[];
	steps: Step[];
	coats: Coat[];
	needs: Need[];
	purchases: Purchase[];
	faults: Fault[];
	logs: WorkLog[];
	photos: Photo[];
	/** Steps left out to be in time: planned and counted nowhere. */
	leftOut: Step[];
	/** What components that are left out would take. */
	leftOutNeeds: Need[];
	/** The order of steps that a search found, if it was kept. */
	found: FoundStep[] | null;
	/** Fittings booked, with what is tried on. */
	fittings: { id: number; heldAt: LocalMinutes; componentIds: number[] }[];
}

/** A step of a kept order; with makers, they do it and not whoever is free first. */
export interface FoundStep {
	step: number;
	makers?: number[];
}

export interface Maker {
	id: number;
	name: string;
	/** Lends a hand where two are needed, and is planned for nothing alone. */
	helpsOnly: boolean;
	/** Techniques that this maker does; null for all. */
	techniques: TechniqueKey[] | null;
	windows: (Window & { id: number })[];
	/** Days off, as whole days since 1970-01-01. */
	off: number[];
	/** Parts of days off, local minutes from, to. */
	away: (readonly [LocalMinutes, LocalMinutes])[];
	version: number;
}

export interface Place {
	id: number;
	name: string;
	capacity: number;
	/** The place that spraying needs. */
	forSpray: boolean;
	/** Work there needs daylight. */
	daylightOnly: boolean;
	/** Work there needs dry weather. */
	dryOnly: boolean;
	windows: (Window & { id: number })[];
	/** Days on which it is closed, as whole days since 1970-01-01. */
	off: number[];
	version: number;
}

export interface Settings {
	lengthUnit: LengthUnit;
	clothUnit: 'm' | 'yd';
	weightUnit: WeightUnit;
	currency: string;
	/** 1 Monday … 7 Sunday. */
	weekStart: number;
	coldOrDamp: boolean;
	/** What the printer takes, mm. */
	bedWideMm: number;
	bedDeepMm: number;
	bedHighMm: number;
	/** Degrees north, negative south. */
	latitude: number;
	/** When the sun stands highest by the clock without summer time, minutes of the day. */
	noonMinute: number;
	summerTime: SummerTime;
	/** Days of thirty that are too wet to work in the open. */
	wetDays: number;
	version: number;
}

/** What all costumes share. */
export interface Workshop {
	settings: Settings;
	makers: Maker[];
	places: Place[];
	/** What is planned with: learned from logs where there are any, else as set by hand, else the starting values. */
	rates: Rates;
	/** Set by hand. */
	ownRates: Rates;
	learned: LearnedRate[];
	materials: Material[];
}
