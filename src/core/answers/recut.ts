import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import { stepMinutes } from './minutes.ts';
import type { StandardTechnique } from '../trade/technique.ts';
import { fittedOf, type MeasureRecord } from '../facts/measureRecord.ts';
import type { Material } from '../facts/material.ts';
import { dayOf, type LocalMinutes } from '../units/localTime.ts';
import { areaOfUnit } from '../facts/material.ts';
import { USUAL_WASTE } from '../trade/driver.ts';
import { boxOf, flatten } from '../engines/pattern/outline.ts';
import { sizesOfPiece } from '../engines/pattern/piece.ts';
import type { Piece } from '../facts/piece.ts';
import { piecesOf, type ShapePieces } from './shapePieces.ts';
import type { StoredShape } from '../facts/shape.ts';

/** What was cut and, since a measure or a shape changed, is no longer as large as it has to be. */

/** A cut piece that is off by less is eased in. Starting value, from memory. */
const EASED_MM = 2;
/** What each way of cutting is done to. */
const CUTS: Readonly<Record<string, 'solid' | 'cloth'>> = {
	cutFoam: 'solid',
	cutCloth: 'cloth'
} satisfies Partial<Record<StandardTechnique, 'solid' | 'cloth'>>;
/** As near as a box of a curve has to be, mm. */
const TOLERANCE = 0.1;

export interface RecutPiece {
	componentId: number;
	/** Of the shape. */
	shapeId: number;
	code: string;
	name: string;
	/** For all copies, all layers of them. */
	count: number;
	/** Width and height as it was cut (null: it was no piece then), and as it has to be. */
	was: Size | null;
	now: Size;
	materialId: number | null;
	/** Of all of them: what is cut anew, mm² and mm. */
	area: number;
	length: number;
}
type Size = readonly [width: number, height: number];

/** What is on the table: the costume's shapes for the measures that hold at some moment. */
export type PiecesAt = Pick<MeasureRecord, 'wearers' | 'worn' | 'shapes'> & Pick<Workshop, 'materials'>;

/** When what a component is made of was cut last, of one material; nothing when it was not cut. */
export type CutAt = (componentId: number, materialId: number | null) => LocalMinutes | undefined;

/** By steps that are done, cloth and what is solid apart, and by layouts that were cut of the very material. */
export function cutAt(
	record: CostumeRecord,
	layouts: readonly { cutAt: LocalMinutes | null; materialId: number; componentIds: readonly number[] }[],
	materials: readonly Pick<Material, 'id' | 'family'>[]
): CutAt {
	const times = new Map<string, LocalMinutes>();
	const cut = (key: string, at: LocalMinutes) => times.set(key, Math.max(times.get(key) ?? at, at));
	for (const s of record.steps)
		if (s.doneAt !== null && s.technique in CUTS) cut(`${s.componentId} ${CUTS[s.technique]}`, s.doneAt);
	for (const l of layouts)
		if (l.cutAt !== null) for (const id of l.componentIds) cut(`${id} of ${l.materialId}`, l.cutAt);
	return (componentId, materialId) => {
		const family = materials.find((m) => m.id === materialId)?.family;
		// What it is cut from may not be said: then either kind of cutting was of it.
		const kinds = family === undefined ? ['cloth', 'solid'] : [family === 'cloth' ? 'cloth' : 'solid'];
		const found = [`of ${materialId}`, ...kinds].flatMap((k) => times.get(`${componentId} ${k}`) ?? []);
		return found.length ? Math.max(...found) : undefined;
	};
}

/** Pieces that were cut before a change and are another size after it. */
export function recutAfter(
	record: CostumeRecord,
	cut: CutAt,
	before: PiecesAt,
	after: PiecesAt
): RecutPiece[] {
	return record.components.flatMap((component) =>
		differing(
			component,
			piecesAt(record, component, before).filter((s) => cut(component.id, s.shape.materialId) !== undefined),
			piecesAt(record, component, after)
		)
	);
}

/** Pieces that were cut by measures, and for a wearer, that hold no longer. */
export function recutNow(record: CostumeRecord, cut: CutAt, fit: PiecesAt): RecutPiece[] {
	return record.components.flatMap((component) => {
		const now = piecesAt(record, component, fit);
		const then = now.flatMap(({ shape }) => {
			const at = cut(component.id, shape.materialId);
			if (at === undefined) return [];
			const was = piecesAt(record, component, fit, at).find((s) => s.shape.id === shape.id)!;
			// A shape whose measure was first taken after the cut was not cut by it.
			return was.done.ok ? [was] : [];
		});
		return differing(component, then, now);
	});
}

/** The pieces of a component, for the wearer that they follow, and by the measures that held at some moment. */
export const piecesAt = (
	record: CostumeRecord,
	component: Component,
	{ shapes, wearers, worn, materials }: PiecesAt,
	at?: LocalMinutes
): ShapePieces<StoredShape>[] => {
	const fitted = fittedOf({ wearers, worn }, at);
	const then =
		at === undefined
			? fitted
			: fitted.map((w) => ({ ...w, measures: w.measures.filter((m) => m.takenOn <= dayOf(at)) }));
	return piecesOf(
		shapes.filter((s) => s.componentId === component.id),
		{ component, components: record.components, wearers: then, materials }
	);
};

function differing(
	component: Component,
	before: readonly ShapePieces<StoredShape>[],
	after: readonly ShapePieces<StoredShape>[]
): RecutPiece[] {
	return before.flatMap(({ shape, pieces }) => {
		const same = after.find((a) => a.shape.id === shape.id);
		// A shape that was taken away is cut for nothing, but nothing of it is cut again.
		if (!same || pieces.length === 0) return [];
		return same.pieces.flatMap((now, i): RecutPiece[] => {
			const was = pieces[i];
			if (was && fits(was.piece, now.piece)) return [];
			const count = now.count * same.shape.layers;
			const { cutArea, cutLength } = sizesOfPiece(now.piece);
			return [
				{
					componentId: component.id,
					shapeId: shape.id,
					code: now.code,
					name: now.piece.name,
					count,
					was: was ? sizeOf(was.piece) : null,
					now: sizeOf(now.piece),
					materialId: same.shape.materialId,
					area: cutArea * count,
					length: cutLength * count
				}
			];
		});
	});
}

function sizeOf(piece: Piece): Size {
	const { left, right, bottom, top } = boxOf(flatten(piece.outline, TOLERANCE).points);
	return [right - left, top - bottom];
}

/** Within easing in width, height and round the edge. */
function fits(was: Piece, now: Piece): boolean {
	const [a, b] = [sizeOf(was), sizeOf(now)];
	const round = Math.abs(sizesOfPiece(was).cutLength - sizesOfPiece(now).cutLength);
	return Math.abs(a[0] - b[0]) <= EASED_MM && Math.abs(a[1] - b[1]) <= EASED_MM && round <= 4 * EASED_MM;
}

export interface RecutTotals {
	/** Usual minutes of tracing and cutting. */
	minutes: number;
	/** With the usual waste; the quantity is null where the material's size is not known. */
	materials: { material: Material; quantity: number | null }[];
}

/** What cutting anew takes. */
export function recutTotals(
	recut: readonly RecutPiece[],
	workshop: Pick<Workshop, 'materials' | 'rates' | 'handbook'>
): RecutTotals {
	const materialOf = (id: number | null) => workshop.materials.find((m) => m.id === id) ?? null;
	const minutes = recut.reduce((sum, r) => {
		const techniques: StandardTechnique[] =
			materialOf(r.materialId)?.family === 'cloth' ? ['cutCloth'] : ['trace', 'cutFoam'];
		const amount = { amount: r.length, perCopy: false, setUpMinutes: 0 };
		return (
			sum + techniques.reduce((t, technique) => t + stepMinutes({ ...amount, technique }, 1, workshop)[1], 0)
		);
	}, 0);
	const ids = [...new Set(recut.map((r) => r.materialId))];
	return {
		minutes,
		materials: ids.flatMap((id) => {
			const material = materialOf(id);
			if (!material) return [];
			const area = recut.reduce((sum, r) => sum + (r.materialId === id ? r.area : 0), 0);
			const unit = areaOfUnit(material);
			return [{ material, quantity: unit === null ? null : (area * USUAL_WASTE) / unit }];
		})
	};
}
