import type { Callout, ReferencePicture, StoredMeasure } from '../facts/picture.ts';
import type { Component } from '../facts/component.ts';
import { scaledToWearer } from '../engines/body/bodyScale.ts';
import { largerThan } from '../engines/assembly/measures.ts';
import { covered, type LookedFrom, towards } from '../engines/assembly/outline.ts';
import { signedArea, boxOf, polygon } from '../engines/pattern/outline.ts';
import { onPlane } from '../engines/plane/pictureMeasure.ts';
import type { Point } from '../units/point.ts';
import type { Assembled, Thing } from './assembled.ts';
import { axisOf } from './callouts.ts';
import { planeOfPicture } from './readings.ts';

/** How a picture lies behind the wearer: both scaled to the wearer, the figure’s crown on the wearer’s where the picture knows it. */
export interface Behind {
	/** Of a point of the picture, px: where it lies, mm, x to the right and y up. */
	at: (point: Point) => Point;
	/** mm of the wearer by mm of the picture’s scale. */
	scaled: number;
	/** By the figure’s height; else by where its components stand. */
	by: 'height' | 'components' | 'middle';
}

/** A component on the picture against what its pieces come to. */
export interface Against {
	component: Component;
	callout: Callout;
	/** Outlines, mm, and how wide, high and large they are. */
	made: Seen;
	picture: Seen;
	/** All of the component stands there; else only a part is compared. */
	whole: boolean;
	/** Made by picture less 1: of the side of a square of the same area, of width and of height. */
	larger: number;
	wider: number;
	higher: number;
}
export interface Seen {
	outlines: Point[][];
	wide: number;
	high: number;
	area: number;
}

/** Nearer than this is as the picture has it: nobody clicks an outline more exactly. */
export const ALIKE = 0.05;

const seenOf = (outlines: Point[][]): Seen => {
	const box = boxOf(outlines.flat());
	return {
		outlines,
		wide: box.right - box.left,
		high: box.top - box.bottom,
		area: Math.abs(outlines.reduce((sum, o) => sum + signedArea(polygon(o)), 0))
	};
};
const middleOf = (outlines: readonly Point[][]): Point => {
	const box = boxOf(outlines.flat());
	return [(box.left + box.right) / 2, (box.bottom + box.top) / 2];
};

/**
 * Everything that a picture shows outlined against what its pieces come to, seen from the same side.
 * @param stature of the wearer, mm; null where nobody measured
 * @returns null where the picture has no scale, or is no view of the whole figure
 */
export function againstPicture(
	picture: ReferencePicture,
	callouts: readonly Callout[],
	measures: readonly StoredMeasure[],
	{ things }: Pick<Assembled, 'things'>,
	stature: number | null
): { behind: Behind; found: Against[] } | null {
	const plane = planeOfPicture(picture, measures);
	const from = picture.angle;
	if (!plane || !picture.scale || from === 'detail') return null;
	const { scale } = picture;
	const scaled = scale.kind === 'height' && stature ? scaledToWearer(1, scale.mm, stature) : 1;
	const [zero, below] = onPlane(plane, [
		[0, 0],
		[0, picture.height]
	]) as [Point, Point];
	const up = below[1] > zero[1] ? -1 : 1;
	const flat = (points: readonly Point[]): Point[] =>
		onPlane(plane, points).map(([x, y]): Point => [x * scaled, y * up * scaled]);

	const pairs = callouts
		.filter((c) => c.pictureId === picture.id && c.shape === 'outline' && c.componentId !== null)
		.flatMap((callout) => {
			const its = things.filter(
				(t) =>
					t.component.id === callout.componentId &&
					(callout.side === 'none' || t.side === null || t.side === callout.side)
			);
			const component = its[0]?.component;
			if (!component) return [];
			const made = covered(
				its.map((t) => t.mesh),
				from
			);
			return made.length
				? [{ callout, component, whole: its.every((t) => t.whole), made, drawn: [flat(callout.points)] }]
				: [];
		});
	const [dx, dy, by] = ((): [number, number, Behind['by']] => {
		if (scale.kind === 'height' && stature) {
			const [crown] = flat(scale.points).sort((a, b) => b[1] - a[1]);
			const [axis] = flat([[axisOf(picture), 0]]);
			return [-axis![0], stature - crown![1], 'height'];
		}
		const offs = pairs.map(({ made, drawn }) => middleOf(made).map((v, k) => v - middleOf(drawn)[k]!));
		const mean = (k: number) => offs.reduce((sum, o) => sum + o[k]!, 0) / offs.length;
		if (offs.length) return [mean(0), mean(1), 'components'];
		const [axis] = flat([[axisOf(picture), picture.height]]);
		return [-axis![0], -axis![1], 'middle'];
	})();
	const shifted = (outline: readonly Point[]): Point[] => outline.map(([x, y]): Point => [x + dx, y + dy]);
	const found = pairs.map(({ callout, component, whole, made, drawn }): Against => {
		const [a, b] = [seenOf(made), seenOf(drawn.map(shifted))];
		return {
			component,
			callout,
			whole,
			made: a,
			picture: b,
			larger: largerThan(a.area, b.area),
			wider: a.wide / b.wide - 1,
			higher: a.high / b.high - 1
		};
	});
	return {
		behind: { at: (point) => shifted(flat([point]))[0]!, scaled, by },
		found: found.sort((a, b) => Math.abs(b.larger) - Math.abs(a.larger))
	};
}

/** So far beyond the middle of the wearer the body hides what stands there, mm. */
const HIDDEN = -20;

/** What everything covers seen from one side, each thing for itself, and whether the body stands before it. */
export const outlinesOf = (
	things: readonly Thing[],
	from: LookedFrom
): { thing: Thing; outlines: Point[][]; hidden: boolean }[] =>
	things.map((thing) => ({
		thing,
		outlines: covered([thing.mesh], from),
		hidden: towards(thing.mesh, from) < HIDDEN
	}));
