import type { Reference, ReferencePicture, StoredMeasure } from '../facts/picture.ts';
import { type Parsed, bad } from '../units/problem.ts';
import { combine, combineOnPicture, type Combined } from '../engines/plane/combine.ts';
import {
	calibrate,
	lensOf,
	measure,
	TILT,
	type Measured,
	type Plane
} from '../engines/plane/pictureMeasure.ts';
import type { MeasureKind } from '../facts/picture.ts';

/** A stored measure with what it comes to. */
export interface Reading {
	stored: StoredMeasure;
	picture: ReferencePicture;
	plane: Plane | null;
	found: Parsed<Measured>;
}

/** A picture's plane; null while it has no scale, or one that no longer holds. */
export function planeOfPicture(
	picture: ReferencePicture,
	measures: readonly Pick<StoredMeasure, 'pictureId' | 'kind' | 'points'>[]
): Plane | null {
	if (!picture.scale) return null;
	const plane = calibratePicture(picture, picture.scale, measures);
	return plane.ok ? plane.value : null;
}

/** By how it was taken, and by the edges marked on it that are straight in truth. */
export const calibratePicture = (
	picture: ReferencePicture,
	scale: Reference,
	measures: readonly Pick<StoredMeasure, 'pictureId' | 'kind' | 'points'>[]
): Parsed<Plane> =>
	calibrate(
		scale,
		picture,
		{ click: picture.clickPx, reference: picture.scaleSigmaMm, tilt: TILT[picture.taken] },
		lensOf(
			picture,
			measures.flatMap((m) => (m.pictureId === picture.id && m.kind === 'straight' ? [m.points] : []))
		)
	);

/** Every measure of every picture. A picture that lost its scale measures nothing. */
export function readPictures(
	pictures: readonly ReferencePicture[],
	measures: readonly StoredMeasure[]
): Reading[] {
	const planes = new Map(pictures.map((p) => [p.id, planeOfPicture(p, measures)]));
	return measures.flatMap((stored): Reading[] => {
		const picture = pictures.find((p) => p.id === stored.pictureId);
		if (!picture) return [];
		const plane = planes.get(picture.id) ?? null;
		const found: Reading['found'] = plane
			? measure(plane, { kind: stored.kind, points: stored.points, offPlane: stored.offPlaneMm })
			: bad('noScale');
		return [{ stored, picture, plane, found }];
	});
}

export interface Thing {
	label: string;
	kind: MeasureKind;
	readings: Reading[];
	/** One for each picture on which it could be told. */
	perPicture: Combined[];
	combined: Combined | null;
}

/** Measures of the same name and kind are readings of one thing. */
export function thingsOf(readings: readonly Reading[]): Thing[] {
	const groups = new Map<string, Reading[]>();
	for (const r of readings) {
		const key = `${r.stored.kind} ${r.stored.label.trim().toLowerCase()}`;
		groups.set(key, [...(groups.get(key) ?? []), r]);
	}
	return [...groups.values()].map((mine) => {
		const told = new Map<number, Measured[]>();
		for (const { picture, found } of mine)
			if (found.ok && found.value.sigma > 0)
				told.set(picture.id, [...(told.get(picture.id) ?? []), found.value]);
		const perPicture = [...told.values()].map(combineOnPicture);
		const across = perPicture.length ? combine(perPicture) : null;
		return {
			label: mine[0]!.stored.label,
			kind: mine[0]!.stored.kind,
			readings: mine,
			perPicture,
			combined: across && { ...across, strays: Math.max(across.strays, ...perPicture.map((p) => p.strays)) }
		};
	});
}
