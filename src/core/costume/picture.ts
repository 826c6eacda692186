import type { Reference } from '../measure/plane/reference.ts';
import type { MeasureKind } from '../measure/plane/pictureMeasure.ts';
import type { Point } from '../measure/plane/homography.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import type { Component } from './component.ts';

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

const OTHER_SIDE: Record<CalloutSide, CalloutSide> = { none: 'none', left: 'right', right: 'left' };

/** The same outline on the body's other side, turned so that it runs the same way round. */
export function mirrored(
	callout: Pick<Callout, 'points' | 'side'>,
	axis: number
): Pick<Callout, 'points' | 'side'> {
	return {
		points: callout.points.map(([x, y]): Point => [2 * axis - x, y]).reverse(),
		side: OTHER_SIDE[callout.side]
	};
}

export const axisOf = (picture: Pick<ReferencePicture, 'axisPx' | 'width'>): number =>
	picture.axisPx ?? picture.width / 2;

/** Where the tag of a callout hangs: the point, or the middle of the outline's box. */
export function anchorOf(points: readonly Point[]): Point {
	const xs = points.map((p) => p[0]);
	const ys = points.map((p) => p[1]);
	return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
}

/** Components on no picture, and regions without a component. */
export function unplaced(
	components: readonly Component[],
	callouts: readonly Callout[]
): { components: Component[]; callouts: Callout[] } {
	const placed = new Set(callouts.map((c) => c.componentId));
	return {
		components: components.filter((c) => !placed.has(c.id)),
		callouts: callouts.filter((c) => c.componentId === null)
	};
}

/** Numbers of the callouts of one picture: each component once, from top to bottom. */
export function calloutNumbers(callouts: readonly Callout[]): Map<number, number> {
	const numbers = new Map<number, number>();
	const byHeight = [...callouts].sort((a, b) => anchorOf(a.points)[1] - anchorOf(b.points)[1] || a.id - b.id);
	for (const c of byHeight)
		if (c.componentId !== null && !numbers.has(c.componentId)) numbers.set(c.componentId, numbers.size + 1);
	return numbers;
}
