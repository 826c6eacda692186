import type { HandbookRow } from './handbook.ts';
import type { HoldTally } from './health.ts';
import type { TechniqueKey } from './step.ts';
import type { SummerTime, Window } from './calendar.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { LengthUnit, WeightUnit } from '../units/measure.ts';
import type { Family, Material } from './material.ts';
import type { Supplier } from './supplier.ts';
import type { ComfortLimits, LoadFactors } from './wear.ts';
import type { ThreePoints } from '../units/threePoints.ts';

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

/** How it was where things dry, as it was typed on a day. */
export interface AirReading {
	/** Day since 1970-01-01. */
	on: number;
	/** °C and % of relative humidity; null where that was not measured. */
	celsius: number | null;
	humidity: number | null;
	coldOrDamp: boolean;
}

export interface Settings {
	lengthUnit: LengthUnit;
	clothUnit: 'm' | 'yd';
	weightUnit: WeightUnit;
	currency: string;
	/** 1 Monday … 7 Sunday. */
	weekStart: number;
	/** All drying is slower; follows from what was measured, where that was typed. */
	coldOrDamp: boolean;
	/** How it was where things dry, by the day: the last is of now. */
	air: readonly AirReading[];
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
	/** How often what is worked out from coats and work is bought, family by family: 1.1 is a tenth more. What is not said is usual. */
	margins: Partial<Record<Family, number>>;
	/** Parts of one colour that are this far apart, ΔE00, read as a mistake. */
	nearMissLeast: number;
	nearMissMost: number;
	/** How many times its weight pulls on what holds a thing: standing, walking, jumping. */
	loadFactors: LoadFactors;
	/** What is borne for hours. */
	comfort: ComfortLimits;
	version: number;
}

/** Before anybody has chosen. */
export const FIRST_SETTINGS: Settings = {
	lengthUnit: 'cm',
	clothUnit: 'm',
	weightUnit: 'g',
	currency: 'EUR',
	weekStart: 1,
	coldOrDamp: false,
	air: [],
	bedWideMm: 220,
	bedDeepMm: 220,
	bedHighMm: 250,
	latitude: 50,
	noonMinute: 735,
	summerTime: 'none',
	wetDays: 10,
	margins: {},
	nearMissLeast: 1,
	nearMissMost: 6,
	loadFactors: { standing: 1, walking: 2, jumping: 4 },
	comfort: {
		head: 800,
		neck: 300,
		shoulder: 2000,
		shoulders: 5000,
		waist: 6000,
		arm: 300,
		hand: 700,
		leg: 600
	},
	version: 1
};

/** What one unit of another currency is worth in the workshop's. */
export interface ExchangeRate {
	id: number;
	currency: string;
	rate: number;
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
	/** What wears of all costumes tell of how long things hold; nothing where none was worn. */
	holds?: readonly HoldTally[];
	/** By which factor starting amounts are off, as a rule; the stated one until some were settled. */
	guessOff?: number;
	materials: Material[];
	suppliers: readonly Supplier[];
	/** Currencies besides the workshop's own, as the maker typed them. */
	exchange: readonly ExchangeRate[];
	/** Rows of the handbook that are the maker's own. */
	handbook: readonly HandbookRow[];
}

export type Rates = Readonly<Partial<Record<TechniqueKey, ThreePoints>>>;

export interface LearnedRate {
	technique: TechniqueKey;
	/** What it was before anything was logged: set by hand, or the starting value. */
	before: ThreePoints;
	/** What is planned with now. */
	now: ThreePoints;
	/** Within these the usual rate lies, by nine in ten. */
	sure: readonly [number, number];
	logs: number;
	/** Logs that lie so far out that they count for less than half. */
	outliers: number;
	makers: { makerId: number; usual: number; logs: number }[];
}

/** What did not change stays the same object: whatever was made from it holds. */
export function keepSame<W extends Partial<Workshop> & Pick<Workshop, 'materials'>>(
	before: W | null,
	now: W
): W {
	if (!before) return now;
	const same = <T>(a: T, b: T): T => (JSON.stringify(a) === JSON.stringify(b) ? a : b);
	const parts = Object.entries(now).map(([key, part]) => [
		key,
		same(before[key as keyof W], part as W[keyof W])
	]);
	const kept = Object.fromEntries(parts) as W;
	if (kept.materials === before.materials) return kept;
	const was = new Map(before.materials.map((m) => [m.id, m]));
	return { ...kept, materials: now.materials.map((m) => same(was.get(m.id) ?? m, m)) };
}
