import type { Vec } from '../units/vec.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { Zone } from './zone.ts';

/** What a join holds its component to. */
export const HOLDS_TO = ['body', 'component', 'self'] as const;
/** Which way it would come off. */
export const FACINGS = ['forward', 'outward', 'up'] as const;
export type HoldsTo = (typeof HOLDS_TO)[number];
export type Facing = (typeof FACINGS)[number];

export const MOTIONS = ['standing', 'walking', 'jumping'] as const;
export type Motion = (typeof MOTIONS)[number];
/** What an event may forbid of a thing. */
export const FEATURES = [
	'blade',
	'moving',
	'projectile',
	'glass',
	'flame',
	'wheels',
	'light',
	'sound',
	'mask'
] as const;
export type Feature = (typeof FEATURES)[number];
/** In a case, worn on the way, or carried beside the cases. */
export const TRAVELS = ['case', 'worn', 'hand'] as const;
export type Travels = (typeof TRAVELS)[number];

/** A component of whose wearing nothing is said. */
export const PLAIN_WEARING = {
	grams: null,
	centre: null,
	onMinutes: null,
	hands: 1,
	size: null,
	parts: 1,
	packed: null,
	softTo: null,
	fragile: false,
	upright: false,
	travels: 'case',
	insideId: null,
	features: [] as Feature[],
	offMinutes: null,
	circuit: null
} satisfies Partial<Wearing>;

/** What carries what is worn; of shoulders, arms, hands and legs each on its side. */
export const BEARERS = ['head', 'neck', 'shoulder', 'waist', 'arm', 'hand', 'leg'] as const;
export type Bearer = (typeof BEARERS)[number];
/** g that are borne for hours; `shoulders` by both. */
export const COMFORT_KEYS = [...BEARERS, 'shoulders'] as const;
export type ComfortLimits = Readonly<Record<(typeof COMFORT_KEYS)[number], number>>;

/** How many times its weight pulls on what holds a thing. */
export type LoadFactors = Readonly<Record<Motion, number>>;

/** Of a row of the handbook. */
export type FastenerKey = string;

/** What holds a component: to the body, to another component, or its own opening closed. */
export interface Join {
	id: number;
	componentId: number;
	position: number;
	holdsTo: HoldsTo;
	/** The other component; null where it holds to the body or to itself. */
	toComponentId: number | null;
	fastener: FastenerKey;
	/** So many, side by side. */
	count: number;
	/** Of one: across, and along it. */
	widthMm: number;
	lengthMm: number;
	/** Where on the body; null where nobody has said. */
	zone: Zone | null;
	/** From the middle of its component: outwards from the body’s middle line, up, and forward. */
	outMm: number;
	upMm: number;
	forwardMm: number;
	faces: Facing;
	/** It is meant to let go where somebody is caught or bumped. */
	breakaway: boolean;
	/** Nothing of it is seen when it is worn. */
	hidden: boolean;
	/** The step that sets it, which has its amount from it. */
	stepId: number | null;
	version: number;
}

export const CELL_KEYS = ['AA', 'AAA', '9V', 'CR2032'] as const;
export const SERIES_KEYS = ['E12', 'E24'] as const;

/** Strands on the same cells. */
export const MOST_STRANDS = 6;

/** LEDs that are alike. */
export interface KeptStrand {
	/** Of one LED, V, and the current wanted through it, mA. */
	volts: number;
	milliamps: number;
	/** LEDs one after the other, and so many such strings. */
	leds: number;
	strings: number;
}

/** A circuit of LEDs on cells, as it was typed: its first strand, and more. */
export interface KeptCircuit extends KeptStrand {
	cell: (typeof CELL_KEYS)[number];
	/** Cells one after the other, and such rows side by side. */
	inSeries: number;
	rows: number;
	/** Other strands on the same cells; none in circuits kept before there were any. */
	more?: KeptStrand[];
	series: (typeof SERIES_KEYS)[number];
	/** How long it has to last, and what fuse and switch bear, mA; null where nobody says. */
	hours: number | null;
	fuse: number | null;
	switch: number | null;
}

/** What is said of wearing one component: one row at most. */
export interface Wearing {
	id: number;
	componentId: number;
	/** One copy, by the scales; null where nobody has weighed it. */
	grams: number | null;
	/** Where its weight is, from its middle as joins are; null goes by its pieces: its middle. */
	centre: Vec | null;
	/** To put all copies on, minutes; null where nobody has timed it. */
	onMinutes: number | null;
	/** People that it takes to put it on, the wearer among them. */
	hands: number;
	/** The box of one copy, put together: length, width and height, mm; null where nobody has measured it. */
	size: Vec | null;
	/** What it comes apart into, along its longest side; 1 where it does not. */
	parts: number;
	/** Its box in the case, opened flat or folded; null goes by its size and parts. */
	packed: Vec | null;
	/** The least share of its height when it is pressed; null for what is rigid. */
	softTo: number | null;
	/** Nothing lies on it. */
	fragile: boolean;
	/** It travels this way up. */
	upright: boolean;
	travels: Travels;
	/** The component inside which it travels. */
	insideId: number | null;
	/** What an event may forbid. */
	features: Feature[];
	/** To take all copies off, minutes; null where nobody has timed it. */
	offMinutes: number | null;
	/** What lights one copy. */
	circuit: KeptCircuit | null;
	version: number;
}

/** Make-up, a prosthetic or an adhesive: it goes on the skin before what is worn there. */
export interface Preparation {
	id: number;
	position: number;
	name: string;
	zones: Zone[];
	minutes: number;
	/** Until something may lie on it. */
	waitMinutes: number;
	/** People that it takes, the wearer among them. */
	hands: number;
	/** Tried on a patch of skin the day before. */
	patchTest: boolean;
	/** Where the costume is worn so only; null for every way to wear it. */
	variantId: number | null;
	version: number;
}

/** A way to wear a costume: helmet or wig, with or without wings. */
export interface Variant {
	id: number;
	position: number;
	name: string;
	/** What is not worn then, its parts neither. */
	without: number[];
	version: number;
}

/** How long one thing took: a component, all copies of it, or a preparation. */
export interface RehearsalTime {
	componentId: number | null;
	preparationId: number | null;
	minutes: number;
}

/** The costume was put on by the clock. */
export interface Rehearsal {
	id: number;
	/** Null for all of it. */
	variantId: number | null;
	heldAt: LocalMinutes;
	/** The wearer among them. */
	dressers: number;
	/** From the first to the last. */
	minutes: number;
	times: RehearsalTime[];
	version: number;
}

/** How a costume is moved in; null for what nobody has measured. */
export interface Moving {
	id: number;
	/** Its widest place when it is worn, and at the hips when sitting. */
	wideMm: number | null;
	hipsMm: number | null;
	/** What its wearer sees through, and how far that is from the eye. */
	openingWideMm: number | null;
	openingHighMm: number | null;
	eyeMm: number | null;
	/** At a stretch, as it went: worn, and rested. */
	onMinutes: number | null;
	restMinutes: number | null;
	version: number;
}

/** A movement that was tried in it, the last time. */
export interface MoveCheck {
	id: number;
	/** By the key of what is tried. */
	move: string;
	works: boolean;
	checkedAt: LocalMinutes;
	version: number;
}

/** What is said of the components that are worn. */
export interface Worn {
	joins: Join[];
	wearings: Wearing[];
}
/** What dressing goes by. */
export interface DressRecord extends Worn {
	preparations: Preparation[];
	/** The newest first. */
	rehearsals: Rehearsal[];
}
/** What is recorded of how a costume is worn. */
export interface WearRecord extends DressRecord {
	variants: Variant[];
	/** Null where nothing is measured. */
	moving: Moving | null;
	moves: MoveCheck[];
}
