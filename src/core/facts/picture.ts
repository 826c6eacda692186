import type { Point } from '../units/point.ts';
import type { LocalMinutes } from '../units/localTime.ts';

/**
 * `length` along a line of points, `angle` at the second of three, `area` of an outline, `circle`: the
 * diameter through three points or more of its rim, `heads`: how many times the head from crown to chin
 * goes into the standing figure, `straight`: an edge that is straight in truth, which tells how the lens bends.
 */
export const MEASURE_KINDS = ['length', 'circle', 'angle', 'area', 'heads', 'straight'] as const;
export type MeasureKind = (typeof MEASURE_KINDS)[number];

/**
 * What gives a picture its scale. `length`: one known length. `height`: a figure standing upright, from
 * crown to sole. Both take the picture as seen square on, as nearly as it was `taken`. `rectangle`: the four corners of a known
 * rectangle, clicked going round; the first two lie on its width. It works at any slant.
 */
export type Reference =
	| { kind: 'length' | 'height'; points: readonly [Point, Point]; mm: number }
	| { kind: 'rectangle'; points: readonly [Point, Point, Point, Point]; width: number; height: number };

/** How a picture came to be: drawn or scanned it has no slant and no lens; a photo was held level with care, or just by hand. */
export const TAKEN = ['flat', 'level', 'hand'] as const;
export type Taken = (typeof TAKEN)[number];

export const ANGLES = ['front', 'back', 'left', 'right', 'detail'] as const;
export const DESIGNS = ['faithful', 'own'] as const;
export const CALLOUT_SHAPES = ['point', 'outline'] as const;
export const CALLOUT_SIDES = ['none', 'left', 'right'] as const;
export type Angle = (typeof ANGLES)[number];
export type CalloutSide = (typeof CALLOUT_SIDES)[number];

/** A picture to work from. */
export const PURPOSES = ['look', 'trace'] as const;

/** The pictures that the breakdown is made from. */
export const referencesOf = (pictures: readonly ReferencePicture[]): ReferencePicture[] =>
	pictures.filter((p) => p.purpose === 'look');

export interface ReferencePicture {
	id: number;
	costumeId: number;
	position: number;
	hash: string;
	mime: string;
	width: number;
	height: number;
	bytes: number;
	title: string;
	angle: Angle;
	/** Followed faithfully, or only a start for an own design. */
	design: (typeof DESIGNS)[number];
	sourceNote: string;
	/** It shows how the costume looks, or pieces on a mat that are traced: only the first is broken down. */
	purpose: (typeof PURPOSES)[number];
	/** The body's middle line, px from the left; null for the middle of the picture. */
	axisPx: number | null;
	scale: Reference | null;
	/** One standard deviation of a click, px. */
	clickPx: number;
	/** One standard deviation of the known lengths, mm. */
	scaleSigmaMm: number;
	taken: Taken;
	version: number;
}

/** Where a component is seen on a picture; without one, a region that nobody has claimed yet. */
export interface Callout {
	id: number;
	pictureId: number;
	componentId: number | null;
	label: string;
	shape: (typeof CALLOUT_SHAPES)[number];
	side: CalloutSide;
	points: Point[];
	version: number;
}

export interface StoredMeasure {
	id: number;
	pictureId: number;
	componentId: number | null;
	label: string;
	kind: MeasureKind;
	points: Point[];
	offPlaneMm: number;
	version: number;
}

/** Make, buy or alter: what was chosen, why, and what it was weighed by. */
export interface Decision {
	id: number;
	componentId: number;
	source: 'make' | 'buy' | 'alter';
	reason: string;
	decidedAt: LocalMinutes;
	buyPriceMinor: number;
	buyLeadDays: number;
	alterPriceMinor: number;
	alterLeadDays: number;
	version: number;
}

/** What is kept about how a costume looks. */
export interface LookRecord {
	pictures: ReferencePicture[];
	callouts: Callout[];
	measures: StoredMeasure[];
	/** How each component is got, and why; the newest counts. */
	decisions: Decision[];
}
