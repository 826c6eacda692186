import type { Zone } from './zone.ts';

/** What a join holds its component to. */
export const HOLDS_TO = ['body', 'component', 'self'] as const;
/** Which way it would come off. */
export const FACINGS = ['forward', 'outward', 'up'] as const;
export type HoldsTo = (typeof HOLDS_TO)[number];
export type Facing = (typeof FACINGS)[number];

export const MOTIONS = ['standing', 'walking', 'jumping'] as const;
export type Motion = (typeof MOTIONS)[number];
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

/** What is said of wearing one component: one row at most. */
export interface Wearing {
	id: number;
	componentId: number;
	/** One copy, by the scales; null where nobody has weighed it. */
	grams: number | null;
	/** Where its weight is, from its middle as joins are; null goes by its pieces: its middle. */
	centre: readonly [number, number, number] | null;
	/** To put all copies on, minutes; null where nobody has timed it. */
	onMinutes: number | null;
	/** People that it takes to put it on, the wearer among them. */
	hands: number;
	version: number;
}

/** What is recorded of how a costume is worn. */
export interface WearRecord {
	joins: Join[];
	wearings: Wearing[];
}
