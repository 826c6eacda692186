import type { Piece } from '../facts/piece.ts';
import { areaOfUnit, type Material } from '../facts/material.ts';
import { TOLD_BY, type DriverKey, type Drivers, type Takes } from '../trade/driver.ts';
import { driversOf } from '../engines/pattern/drivers.ts';
import { techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { FAMILIES_OF_GROUND, type Ground, type Technique } from '../trade/technique.ts';
import { cutFrom, type StoredShape } from '../facts/shape.ts';
import type { Wearer } from '../facts/bodyMeasure.ts';
import { type Component, copiesOf } from '../facts/component.ts';
import { shapeFor } from './shapePieces.ts';
import { ORIGINS } from '../engines/shapers/shapers.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Step } from '../facts/step.ts';

/** Steps, coats and needs that take their amounts from a component's pieces. */

/** A component's pieces with what they are cut from. */
export interface CutPieces {
	pieces: readonly Piece[];
	material: Material | null;
	/** So many, one on the other, make the thickness. */
	layers: number;
	/** They were drawn elsewhere: where no seam, bevel or edge is marked on them, they do not tell that there is none. */
	brought?: boolean;
}

/** What of the pieces a step takes; null for nothing. */
export function takesOf(step: Pick<Step, 'takes'>, technique: Technique): Exclude<Takes, 'nothing'> | null {
	const takes = (step.takes as Takes | null) ?? technique.follows;
	return takes === 'nothing' ? null : takes;
}

/** What pieces come to of one thing; null where nothing on them says it. */
function taken(drivers: Drivers, takes: Exclude<Takes, 'nothing'>): number | null {
	if (takes.startsWith('seam ')) return drivers.seams[takes.slice(5)] ?? null;
	if (takes === 'gathered' || takes === 'shaped') return drivers.told[takes] ? drivers[takes] : null;
	// Pieces into which nothing is set do not tell that nothing is.
	if (takes === 'eyelets' || takes === 'boned') return drivers[takes] || null;
	return drivers[takes as DriverKey];
}

/** Whether pieces say how much of it there is. An outline and an area always do. */
function tells({ brought, pieces }: CutPieces, takes: Takes): boolean {
	const by = TOLD_BY[takes as DriverKey];
	return !brought || by === undefined || driversOf(pieces)[by] > 0;
}

/** How often it is done to a piece of so many layers. */
const timesOf = (technique: Technique, layers: number): number =>
	({ once: 1, each: layers, between: layers - 1 })[technique.layers];

/** Pieces whose material nobody has said count for every technique. */
export function doneTo(cuts: readonly CutPieces[], ground: Ground): readonly CutPieces[] {
	const preferences = FAMILIES_OF_GROUND[ground];
	if (!preferences) return cuts;
	for (const families of preferences) {
		const fitting = cuts.filter((c) => c.material === null || families.includes(c.material.family));
		if (fitting.length) return fitting;
	}
	return [];
}

/** mm, mm² or a count for one copy; null when there are no pieces that it is done to, or when these do not tell. */
export function amountOfPieces(
	cuts: readonly CutPieces[],
	technique: Technique,
	step: Pick<Step, 'takes'> = { takes: null }
): number | null {
	const takes = takesOf(step, technique);
	const done = doneTo(cuts, technique.ground);
	const pieces = done.flatMap((c) =>
		Array.from({ length: timesOf(technique, c.layers) }, () => c.pieces).flat()
	);
	if (takes === null || pieces.length === 0 || !done.every((c) => tells(c, takes))) return null;
	return taken(driversOf(pieces), takes);
}

/** Areas of the same pieces, laid as lines and measured as curves, differ by no more than this share. */
export const SAME_PIECES = 0.005;

/** Units of a material for all copies: the area that is cut, so many times for waste. */
export function quantityOfPieces(
	cuts: readonly CutPieces[],
	material: Material,
	waste: number,
	copies: number
): { area: number; unit: number; quantity: number } | null {
	const unit = areaOfUnit(material);
	const area = cuts
		.filter((c) => c.material?.id === material.id)
		.reduce((sum, c) => sum + driversOf(c.pieces).cutArea * c.layers, 0);
	return unit === null || area === 0 ? null : { area, unit, quantity: (area * copies * waste) / unit };
}

export interface PiecesFrom {
	shapes: readonly StoredShape[];
	wearers: readonly Wearer[];
	materials: readonly Material[];
	trade: Catalogue;
}

/** What a component's shapes give; one that gives nothing is left out. */
export function cutsOf(
	component: Component,
	components: readonly Component[],
	{ shapes, wearers, materials }: Omit<PiecesFrom, 'trade'>
): CutPieces[] {
	return shapes
		.filter((s) => s.componentId === component.id)
		.flatMap((shape) => {
			const done = shapeFor(shape, { component, components, wearers, materials });
			if (!done.ok) return [];
			const brought = shape.shaper in ORIGINS;
			const groups = new Map<string, CutPieces & { pieces: Piece[] }>();
			for (const piece of done.value.pieces) {
				const { materialId, layers } = cutFrom(shape, piece);
				const key = `${materialId} ${layers}`;
				const material = materials.find((m) => m.id === materialId) ?? null;
				const group = groups.get(key) ?? { pieces: [], material, layers, brought };
				group.pieces.push(piece);
				groups.set(key, group);
			}
			return [...groups.values()];
		});
}

/**
 * The record with every amount that follows the pieces put in. Where there are no pieces, or where they do not tell,
 * what was entered stays.
 */
export function followPieces(record: CostumeRecord, from: PiecesFrom): CostumeRecord {
	const follows = new Set(
		[...record.steps, ...record.coats]
			.filter((r) => r.fromPieces)
			.map((r) => r.componentId)
			.concat(record.needs.filter((n) => n.waste !== null).map((n) => n.componentId))
	);
	if (follows.size === 0) return record;
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const cuts = new Map(
		[...follows].flatMap((id) => {
			const component = byId.get(id);
			return component ? [[id, cutsOf(component, record.components, from)] as const] : [];
		})
	);
	const coats = record.coats.map((coat) => {
		const done = coat.fromPieces ? doneTo(cuts.get(coat.componentId) ?? [], 'solidElseCloth') : [];
		const pieces = done.flatMap((c) => c.pieces);
		return pieces.length ? { ...coat, area: driversOf(pieces).area, guessed: false } : coat;
	});
	const coatOf = new Map(coats.map((c) => [c.id, c]));
	return {
		...record,
		coats,
		steps: record.steps.map((step) => {
			// What is done was done to what was there then: it is kept with it.
			if (step.doneAt !== null) return step;
			const coat = coatOf.get(step.coatId ?? 0);
			if (coat) return { ...step, amount: coat.area, guessed: coat.guessed };
			if (!step.fromPieces) return step;
			const technique = techniqueOf(from.trade, step.technique);
			const amount = amountOfPieces(cuts.get(step.componentId) ?? [], technique, step);
			return amount === null ? step : { ...step, amount, guessed: false };
		}),
		needs: record.needs.map((need) => {
			const component = byId.get(need.componentId);
			const material = from.materials.find((m) => m.id === need.materialId);
			if (need.waste === null || !component || !material) return need;
			const copies = copiesOf(component, byId);
			const found = quantityOfPieces(cuts.get(need.componentId) ?? [], material, need.waste, copies);
			const laid = record.laid.find(
				(l) => l.componentId === need.componentId && l.materialId === material.id
			);
			// A kept layout says what is taken, for as long as it is of the pieces as they are.
			if (found && laid && Math.abs(laid.area - found.area * copies) <= SAME_PIECES * laid.area)
				return { ...need, quantity: laid.quantity, laid: true, guessed: false };
			return found ? { ...need, quantity: found.quantity, guessed: false } : need;
		})
	};
}

/** Whether any amount of a component follows its pieces. */
export const followsPieces = (record: CostumeRecord, componentId: number): boolean =>
	[...record.steps, ...record.coats].some((r) => r.componentId === componentId && r.fromPieces) ||
	record.needs.some((n) => n.componentId === componentId && n.waste !== null);

/** Whether a component's amounts follow its pieces from now on: they do, or nothing of it says an amount yet. */
export const mayFollowPieces = (record: CostumeRecord, componentId: number): boolean =>
	followsPieces(record, componentId) ||
	![...record.steps, ...record.coats, ...record.needs].some((r) => r.componentId === componentId);
