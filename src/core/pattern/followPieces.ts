import { copiesOf, type Component } from '../costume/component.ts';
import type { CostumeRecord } from '../costume/record.ts';
import { TECHNIQUES, type TechniqueKey } from '../costume/technique.ts';
import type { Wearer } from '../measure/body/bodyMeasure.ts';
import type { Family, Material } from '../needs/material.ts';
import type { Piece } from './piece.ts';
import { ORIGINS } from './shapers.ts';
import { driversOf, shapeFor, type Drivers, type StoredShape } from './storedShape.ts';

/** Steps, coats and needs that take their amounts from a component's pieces. */

export type DriverKey = keyof Drivers;

/** What a technique's amount is of the pieces. */
const OF_PIECES: Record<string, DriverKey> = {
	outline: 'outline',
	seam: 'seam',
	'bevelled edge': 'bevelled',
	edge: 'edge',
	'outside area': 'area',
	piece: 'pieces'
};

const SOLID: readonly Family[] = ['foam', 'hard'];
const CLOTH: readonly Family[] = ['cloth'];

/** The families that it is done to; of the second only where there is nothing of the first. */
const DONE_TO: Partial<Record<TechniqueKey, readonly (readonly Family[])[]>> = {
	cutFoam: [SOLID],
	bevel: [SOLID],
	heatShape: [SOLID],
	cement: [SOLID],
	stack: [SOLID],
	caulk: [SOLID],
	heatSeal: [SOLID],
	cutCloth: [CLOTH],
	interface: [CLOTH],
	baste: [CLOTH],
	sewMachine: [CLOTH],
	sewHand: [CLOTH],
	bind: [CLOTH],
	unpick: [CLOTH],
	sculpt: [SOLID],
	sand: [SOLID],
	clean: [SOLID, CLOTH],
	spray: [SOLID, CLOTH],
	brush: [SOLID, CLOTH],
	dryBrush: [SOLID, CLOTH],
	detailPaint: [SOLID, CLOTH],
	stretchOn: [CLOTH]
};

/** What of the pieces a technique's amount can follow; null when pieces do not tell. */
export const driverOf = (technique: TechniqueKey): DriverKey | null =>
	technique === 'draft' ? 'patterns' : (OF_PIECES[TECHNIQUES[technique].of] ?? null);

/** A component's pieces with what they are cut from. */
export interface CutPieces {
	pieces: readonly Piece[];
	material: Material | null;
	/** So many, one on the other, make the thickness. */
	layers: number;
	/** They were drawn elsewhere: where no seam, bevel or edge is marked on them, they do not tell that there is none. */
	brought?: boolean;
}

/** What has to be marked on brought pieces before they tell it. Edges are what no seam takes. */
const TOLD_BY: Partial<Record<DriverKey, DriverKey>> = { seam: 'seam', edge: 'seam', bevelled: 'bevelled' };

/** Whether pieces say how much of it there is. An outline and an area always do. */
function tells({ brought, pieces }: CutPieces, driver: DriverKey): boolean {
	const by = TOLD_BY[driver];
	return !brought || by === undefined || driversOf(pieces)[by] > 0;
}

/** How often it is done to a piece of so many layers. */
function timesOf(technique: TechniqueKey | null, layers: number): number {
	if (technique === 'stack') return layers - 1;
	return technique === 'trace' || technique === 'cutFoam' || technique === 'cutCloth' ? layers : 1;
}

/** Pieces whose material nobody has said count for every technique. */
function doneTo(cuts: readonly CutPieces[], technique: TechniqueKey | null): readonly CutPieces[] {
	const preferences = technique === null ? [[...SOLID], [...CLOTH]] : DONE_TO[technique];
	if (!preferences) return cuts;
	for (const families of preferences) {
		const fitting = cuts.filter((c) => c.material === null || families.includes(c.material.family));
		if (fitting.length) return fitting;
	}
	return [];
}

/** As often as it is done to each. */
const piecesOf = (cuts: readonly CutPieces[], technique: TechniqueKey | null): Piece[] =>
	cuts.flatMap((c) => Array.from({ length: timesOf(technique, c.layers) }, () => c.pieces).flat());

/** mm, mm² or a count for one copy; null when there are no pieces that it is done to, or when these do not tell. */
export function amountOfPieces(cuts: readonly CutPieces[], technique: TechniqueKey): number | null {
	const driver = driverOf(technique);
	const done = doneTo(cuts, technique);
	const pieces = piecesOf(done, technique);
	if (driver === null || pieces.length === 0 || !done.every((c) => tells(c, driver))) return null;
	return driversOf(pieces)[driver];
}

/** How often the area of the pieces is needed, for waste, until pieces are laid out. Common practice; a starting value, from memory. */
export const USUAL_WASTE = 1.3;

/** mm² that one unit of a material covers: a sheet, or a metre or yard of the roll. Null when its size is not known. */
export function areaOfUnit(material: Pick<Material, 'unit' | 'widthMm' | 'lengthMm'>): number | null {
	if (material.widthMm === null) return null;
	if (material.lengthMm !== null) return material.widthMm * material.lengthMm;
	const roll = { m: 1000, yd: 914.4, cm: 10 }[material.unit];
	return roll === undefined ? null : roll * material.widthMm;
}

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
}

/** What a component's shapes give; one that gives nothing is left out. */
export function cutsOf(
	component: Component,
	components: readonly Component[],
	{ shapes, wearers, materials }: PiecesFrom
): CutPieces[] {
	return shapes
		.filter((s) => s.componentId === component.id)
		.flatMap((shape) => {
			const done = shapeFor(shape, { component, components, wearers, materials });
			const material = materials.find((m) => m.id === shape.materialId) ?? null;
			const brought = shape.shaper in ORIGINS;
			return done.ok ? [{ pieces: done.value.pieces, material, layers: shape.layers, brought }] : [];
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
		const done = coat.fromPieces ? doneTo(cuts.get(coat.componentId) ?? [], null) : [];
		const pieces = piecesOf(done, null);
		return pieces.length ? { ...coat, area: driversOf(pieces).area } : coat;
	});
	const coatArea = new Map(coats.map((c) => [c.id, c.area]));
	return {
		...record,
		coats,
		steps: record.steps.map((step) => {
			if (step.coatId !== null) return { ...step, amount: coatArea.get(step.coatId) ?? step.amount };
			if (!step.fromPieces) return step;
			const amount = amountOfPieces(cuts.get(step.componentId) ?? [], step.technique);
			return amount === null ? step : { ...step, amount };
		}),
		needs: record.needs.map((need) => {
			const component = byId.get(need.componentId);
			const material = from.materials.find((m) => m.id === need.materialId);
			if (need.waste === null || !component || !material) return need;
			const copies = copiesOf(component, byId);
			const found = quantityOfPieces(cuts.get(need.componentId) ?? [], material, need.waste, copies);
			return found ? { ...need, quantity: found.quantity } : need;
		})
	};
}

/** Whether any amount of a component follows its pieces. */
export const followsPieces = (record: CostumeRecord, componentId: number): boolean =>
	[...record.steps, ...record.coats].some((r) => r.componentId === componentId && r.fromPieces) ||
	record.needs.some((n) => n.componentId === componentId && n.waste !== null);
