import { FillRule, unionD } from 'clipper2-ts';
import type { Component } from '../costume/component.ts';
import type { Wearer } from '../measure/body/bodyMeasure.ts';
import type { Material } from '../needs/material.ts';
import { cutLine } from '../pattern/allowance.ts';
import { areaOfUnit } from '../pattern/followPieces.ts';
import { edgesOf, flatten, type Point } from '../pattern/outline.ts';
import type { Piece } from '../pattern/piece.ts';
import { piecesOf, type StoredShape } from '../pattern/storedShape.ts';
import { areaOf } from './shape.ts';
import type { LayPiece, Stock } from './stock.ts';

/** What of a costume is cut from one material, as it is laid out. */

/** A piece to lay, with what the cutter calls it. */
export interface CostumePiece extends LayPiece {
	code: string;
	name: string;
	componentId: number;
}
export interface LayGroup {
	material: Material;
	pieces: CostumePiece[];
	/** mm², of all copies. */
	area: number;
}

/** Curves are laid as lines that stray by at most this, mm: well within any gap. */
const STRAY = 0.2;
/** Foam and boards may lie in any of these ways; a free turn saves little more and takes much longer. */
const TURNS = Array.from({ length: 12 }, (_, i) => i * 30);

/** What is cut, whole: half pieces unfolded over their fold. */
export function wholeCut(piece: Piece): Point[] {
	const half = cutLine(piece, STRAY);
	if (piece.foldEdge === null) return half;
	const { from, edge } = edgesOf(piece.outline)[piece.foldEdge]!;
	const [dx, dy] = [edge.to[0] - from[0], edge.to[1] - from[1]];
	const long = dx * dx + dy * dy;
	const over = ([x, y]: Point): Point => {
		const t = ((x - from[0]) * dx + (y - from[1]) * dy) / long;
		return [2 * (from[0] + t * dx) - x, 2 * (from[1] + t * dy) - y];
	};
	const both = [half, half.map(over).reverse()].map((ring) => ring.map(([x, y]) => ({ x, y })));
	const [largest] = unionD(both, [], FillRule.NonZero, 4)
		.map((ring) => ring.map((p): Point => [p.x, p.y]))
		.sort((a, b) => Math.abs(areaOf(b)) - Math.abs(areaOf(a)));
	return largest ?? half;
}

/**
 * How a piece may be turned, degrees: on cloth its grain runs along the roll, both ways, or one way where the nap does.
 * @param roll whether the material comes off a roll, along y
 */
export function turnsOf(grain: number | null, roll: boolean, oneWay: boolean): number[] {
	if (!roll) return TURNS;
	const own = grain === null ? [0, 90, 180, 270] : [90 - grain, 270 - grain];
	const all = own.map((d) => ((d % 360) + 360) % 360);
	return oneWay ? all.slice(0, 1) : all;
}

/** The pieces of a costume by their material; those that have none yet are counted. */
export function layGroups(
	components: readonly Component[],
	shapes: readonly StoredShape[],
	wearers: readonly Wearer[],
	materials: readonly Material[],
	oneWay = false
): { groups: LayGroup[]; without: number } {
	const groups = new Map<number, LayGroup>();
	let without = 0;
	for (const component of components) {
		const own = shapes.filter((s) => s.componentId === component.id);
		for (const { shape, pieces } of piecesOf(own, { component, components, wearers })) {
			const material = materials.find((m) => m.id === shape.materialId);
			if (!material) {
				without += pieces.length;
				continue;
			}
			const group = groups.get(material.id) ?? { material, pieces: [], area: 0 };
			groups.set(material.id, group);
			for (const { piece, code, count } of pieces) {
				const outline = wholeCut(piece);
				const holes = piece.holes.map((h) => flatten(h, STRAY).points);
				const area = [outline, ...holes].reduce((sum, ring) => sum + areaOf(ring), 0);
				group.area += area * count;
				group.pieces.push({
					id: code,
					code,
					name: piece.name,
					componentId: component.id,
					stock: String(material.id),
					outline,
					holes,
					quantity: count,
					pair: piece.mirrored || component.side === 'pair',
					rotations: turnsOf(piece.grain, material.lengthMm === null, oneWay)
				});
			}
		}
	}
	return { groups: [...groups.values()], without };
}

/** Sheets of a material, as many as are needed, or its roll; null while its size is not known. */
export function stockOfMaterial(material: Material): Stock | null {
	const id = String(material.id);
	if (areaOfUnit(material) === null || material.widthMm === null) return null;
	return material.lengthMm === null
		? { id, sheets: [], more: null, roll: material.widthMm }
		: { id, sheets: [], more: { width: material.widthMm, height: material.lengthMm }, roll: null };
}

/** Units of the material that a layout takes: whole sheets, or what comes off the roll. */
export function quantityLaid(material: Material, use: { sheets: number; usedLength: number }): number {
	if (material.lengthMm !== null) return use.sheets;
	const unit = (areaOfUnit(material) ?? 1) / (material.widthMm ?? 1);
	return Math.ceil((use.usedLength / unit) * 100) / 100;
}

/** What each component takes of a quantity, by the area of its pieces; to a hundredth, and in all no less than the whole. */
export function partsOf(group: LayGroup, quantity: number): { componentId: number; quantity: number }[] {
	const areas = new Map<number, number>();
	for (const p of group.pieces) {
		const area = [p.outline, ...p.holes].reduce((sum, ring) => sum + areaOf(ring), 0) * p.quantity;
		areas.set(p.componentId, (areas.get(p.componentId) ?? 0) + area);
	}
	const own = [...areas];
	let left = Math.round(quantity * 100);
	return own.map(([componentId, area], i) => {
		const part =
			i === own.length - 1
				? left
				: Math.min(left, Math.max(1, Math.round((100 * quantity * area) / group.area)));
		left -= part;
		return { componentId, quantity: Math.max(1, part) / 100 };
	});
}
