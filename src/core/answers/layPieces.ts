import { FillRule, unionD } from 'clipper2-ts';
import { areaOfUnit, type Material } from '../facts/material.ts';
import { useOfPlan } from '../engines/layout/cutSheets.ts';
import type {
	CostumePiece,
	LaidPart,
	LayPiece,
	LayPlan,
	LaySettings,
	SheetForm,
	Stock,
	StockUse
} from '../facts/layout.ts';
import type { Piece } from '../facts/piece.ts';
import { edgesOf, flatten, placed } from '../engines/pattern/outline.ts';
import { cutLine } from '../engines/pattern/allowance.ts';
import type { Point } from '../units/point.ts';
import { areaOf } from '../engines/layout/shape.ts';
import type { Component } from '../facts/component.ts';
import { cutFrom, type StoredShape } from '../facts/shape.ts';
import type { Wearer } from '../facts/bodyMeasure.ts';
import { piecesOf } from './shapePieces.ts';
import { areaOfPiece, freshSheets } from '../engines/layout/stock.ts';
import { rollLength } from '../engines/layout/roll.ts';

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
/** A fold edge may be so far off the grain, degrees, and is still laid on the fold. */
const OFF_FOLD = 1;

const foldOf = (piece: Piece) => (piece.foldEdge === null ? null : edgesOf(piece.outline)[piece.foldEdge]!);

type Rings = Pick<LayPiece, 'outline' | 'holes'>;

/** What is cut of a piece as it is drawn. */
const cutOf = (piece: Piece): Rings => ({
	outline: cutLine(piece, STRAY),
	holes: piece.holes.map((h) => flatten(h, STRAY).points)
});

/** What is cut, whole: half pieces unfolded over their fold. */
export function wholeCut(piece: Piece): Rings {
	const half = cutOf(piece);
	const fold = foldOf(piece);
	if (!fold) return half;
	const { from, edge } = fold;
	const [dx, dy] = [edge.to[0] - from[0], edge.to[1] - from[1]];
	const long = dx * dx + dy * dy;
	const over = ([x, y]: Point): Point => {
		const t = ((x - from[0]) * dx + (y - from[1]) * dy) / long;
		return [2 * (from[0] + t * dx) - x, 2 * (from[1] + t * dy) - y];
	};
	const turned = (ring: readonly Point[]) => ring.map(over).reverse();
	const both = [half.outline, turned(half.outline)].map((ring) => ring.map(([x, y]) => ({ x, y })));
	const [largest] = unionD(both, [], FillRule.NonZero, 4)
		.map((ring) => ring.map((p): Point => [p.x, p.y]))
		.sort((a, b) => Math.abs(areaOf(b)) - Math.abs(areaOf(a)));
	return largest ? { outline: largest, holes: [...half.holes, ...half.holes.map(turned)] } : half;
}

/** Half a piece with its fold along x = 0 and itself to the right; null when its grain does not run along the fold. */
export function halfOnFold(piece: Piece, tolerance: number): Rings | null {
	const fold = foldOf(piece);
	if (!fold) return null;
	const [dx, dy] = [fold.edge.to[0] - fold.from[0], fold.edge.to[1] - fold.from[1]];
	const along = (Math.atan2(dy, dx) * 180) / Math.PI;
	const off = piece.grain === null ? 0 : Math.abs(((((piece.grain - along) % 180) + 270) % 180) - 90);
	if (off > Math.max(OFF_FOLD, tolerance)) return null;
	// Outlines run counter-clockwise, their inside lies left of each edge: that is to the right where the edge runs down.
	const turn = -90 - along;
	const [fx, fy] = placed(fold.from, { turn });
	const put = (p: Point) => placed(p, { turn, move: [-fx, -fy] });
	const { outline, holes } = cutOf(piece);
	return { outline: outline.map(put), holes: holes.map((h) => h.map(put)) };
}

/**
 * How a piece may be turned, degrees: on cloth its grain runs along the roll, both ways, or one way where the nap does, and as far off
 * as is allowed.
 * @param roll whether the material comes off a roll, along y
 * @param tolerance degrees, to either side
 */
export function turnsOf(grain: number | null, roll: boolean, oneWay: boolean, tolerance = 0): number[] {
	if (!roll) return TURNS;
	const its = grain === null ? [0, 90, 180, 270] : [90 - grain, 270 - grain];
	const ways = oneWay ? its.slice(0, 1) : its;
	const off = tolerance > 0 ? [0, -tolerance, -tolerance / 2, tolerance / 2, tolerance] : [0];
	return ways.flatMap((way) => off.map((by) => (((way + by) % 360) + 360) % 360));
}

/** The pieces of a costume by their material; those that have none yet are counted. */
export function layGroups(
	components: readonly Component[],
	shapes: readonly StoredShape[],
	wearers: readonly Wearer[],
	materials: readonly Material[],
	settings: Pick<LaySettings, 'oneWay' | 'tolerance' | 'folded'>
): { groups: LayGroup[]; without: number } {
	const groups = new Map<number, LayGroup>();
	let without = 0;
	for (const component of components) {
		const its = shapes.filter((s) => s.componentId === component.id);
		for (const { shape, pieces } of piecesOf(its, { component, components, wearers, materials })) {
			for (const { piece, code, count } of pieces) {
				const { materialId, layers } = cutFrom(shape, piece);
				const material = materials.find((m) => m.id === materialId);
				if (!material) {
					without++;
					continue;
				}
				const group = groups.get(material.id) ?? { material, pieces: [], area: 0 };
				groups.set(material.id, group);
				const roll = material.lengthMm === null;
				const whole = wholeCut(piece);
				const copies = count * layers;
				const pair = piece.mirrored || component.side === 'pair';
				group.area += areaOfPiece(whole) * copies;
				const laid: CostumePiece = {
					id: code,
					code,
					name: piece.name,
					componentId: component.id,
					stock: String(material.id),
					...whole,
					quantity: copies,
					pair,
					rotations: turnsOf(piece.grain, roll, settings.oneWay, settings.tolerance),
					folded: null
				};
				group.pieces.push(roll && settings.folded ? onFoldedCloth(laid, piece, settings.tolerance) : laid);
			}
		}
	}
	return { groups: [...groups.values()], without };
}

/** Two layers, right sides together: what is cut through both is a left and a right. */
function onFoldedCloth(laid: CostumePiece, piece: Piece, tolerance: number): CostumePiece {
	const half = halfOnFold(piece, tolerance);
	if (half) return { ...laid, ...half, rotations: [0], onFold: true, folded: 'fold', pair: false };
	if (!laid.pair || laid.quantity % 2) return { ...laid, folded: 'one' };
	return { ...laid, quantity: laid.quantity / 2, pair: false, folded: 'both' };
}

/** mm that cloth of so many percent shrinkage is left with. */
const shrunk = (mm: number, percent: number) => mm * (1 - percent / 100);

/**
 * Sheets of a material, as many as are needed, or its roll, after the offcuts that are to be used; null while its size is not known.
 * Cloth is washed before it is cut: it is laid as wide as it is then.
 */
export function stockOfMaterial(
	material: Material,
	offcuts: readonly SheetForm[],
	settings: Pick<LaySettings, 'folded' | 'shrinkWidth'>
): Stock | null {
	const id = String(material.id);
	if (areaOfUnit(material) === null || material.widthMm === null) return null;
	if (material.lengthMm !== null)
		return {
			id,
			sheets: offcuts,
			more: { width: material.widthMm, height: material.lengthMm },
			roll: null
		};
	const width = shrunk(material.widthMm, settings.shrinkWidth);
	return settings.folded
		? { id, sheets: [], more: null, roll: width / 2 }
		: { id, sheets: offcuts, more: null, roll: width };
}

/** Units of the material that a layout takes beyond offcuts: whole sheets, or what comes off the roll. */
export function quantityLaid(
	material: Material,
	stock: Pick<Stock, 'sheets'>,
	use: Pick<StockUse, 'sheets' | 'usedLength'>,
	settings: Pick<LaySettings, 'shrinkLength' | 'repeat'>
): number {
	const fresh = freshSheets(use, stock.sheets.length);
	if (material.lengthMm !== null || fresh === 0) return fresh;
	const unit = (areaOfUnit(material) ?? 1) / (material.widthMm ?? 1);
	return Math.ceil((rollLength(use.usedLength, settings) / unit) * 100 - 1e-9) / 100;
}

/** What is cut from one material, as it would be cut from another, in so many layers. */
export const onOther = (
	pieces: readonly CostumePiece[],
	{ id }: Pick<Stock, 'id'>,
	layers: number
): CostumePiece[] => pieces.map((p) => ({ ...p, stock: id, quantity: p.quantity * layers }));

/**
 * All that is cut from a material once another's pieces are cut from it too: one layout of a material says what each component takes of it,
 * so that nobody's pieces may be missing there. Null where nothing is cut from that other.
 */
export function withMoved(
	groups: readonly Pick<LayGroup, 'material' | 'pieces'>[],
	fromId: number,
	stock: Pick<Stock, 'id'>,
	layers: number
): CostumePiece[] | null {
	const moved = groups.find((g) => g.material.id === fromId);
	const own = groups.find((g) => String(g.material.id) === stock.id);
	return moved ? [...(own?.pieces ?? []), ...onOther(moved.pieces, stock, layers)] : null;
}

/** mm² of all copies. */
export const areaOfPieces = (pieces: readonly CostumePiece[]): number =>
	pieces.reduce((sum, p) => sum + areaOfPiece(p) * p.quantity, 0);

/** mm² of all copies, by component. */
export function areasOfComponents(pieces: readonly CostumePiece[]): Map<number, number> {
	const areas = new Map<number, number>();
	for (const p of pieces)
		areas.set(p.componentId, (areas.get(p.componentId) ?? 0) + areaOfPiece(p) * p.quantity);
	return areas;
}

/** What each component takes of a quantity, by the area of its pieces; to a hundredth, and in all no less than the whole. */
export function partsOf(
	pieces: readonly CostumePiece[],
	quantity: number
): { componentId: number; quantity: number }[] {
	const its = [...areasOfComponents(pieces)];
	const all = areaOfPieces(pieces);
	let left = Math.round(quantity * 100);
	return its.map(([componentId, area], i) => {
		const part =
			i === its.length - 1 ? left : Math.min(left, Math.max(1, Math.round((100 * quantity * area) / all)));
		left -= part;
		return { componentId, quantity: Math.max(1, part) / 100 };
	});
}

/** Copies that a layout leaves without a place. */
export const leftWithout = (plan: Pick<LayPlan, 'pieces' | 'placements'>): number =>
	plan.pieces.reduce((sum, p) => sum + p.quantity, 0) - plan.placements.length;

/** What each component takes by a layout: nothing is told while a piece is left out, or while it all comes out of offcuts. */
export function laidParts(material: Material, plan: LayPlan): LaidPart[] {
	const quantity = quantityLaid(material, plan.stock, useOfPlan(plan), plan.settings);
	if (quantity === 0 || leftWithout(plan) > 0) return [];
	const areas = areasOfComponents(plan.pieces);
	return partsOf(plan.pieces, quantity).map((part) => ({ ...part, area: areas.get(part.componentId)! }));
}
