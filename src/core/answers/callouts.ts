import type { Callout, CalloutSide, ReferencePicture } from '../facts/picture.ts';
import type { Point } from '../units/point.ts';
import type { Component } from '../facts/component.ts';

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
