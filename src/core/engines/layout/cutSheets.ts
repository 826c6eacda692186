import type { CostumePiece, LayPlan, Placement, SheetForm, StockUse } from '../../facts/layout.ts';
import type { Point } from '../../units/point.ts';
import { formsOf, laidPaths, nameOfSheet, useOf } from './stock.ts';
import { cutLength, cutOrder } from './cutOrder.ts';
import { type Leftover, leftoversOf } from './leftovers.ts';
import { ByHand } from './byHand.ts';

/** A sheet of a plan as it is cut. */
export interface CutSheet {
	/** From 1. */
	number: number;
	form: SheetForm;
	/** `Offcut 1`, `Sheet 1`, `Roll`. */
	name: string;
	/** The offcut that it is; null for a new sheet or the roll. */
	offcut: number | null;
	/** In the order in which they are cut. */
	pieces: CutPlace[];
	/** mm that the blade goes. */
	cutLength: number;
}
export interface CutPlace {
	/** From 1, through all sheets. */
	order: number;
	at: Placement;
	piece: CostumePiece;
	/** Outline and holes as they lie on the sheet. */
	paths: Point[][];
}

export const useOfPlan = (plan: LayPlan): StockUse => useOf(plan.stock, plan.pieces, plan.placements);

/** The sheets of a plan, and what is cut out of each, in order. */
export function cutSheets(plan: LayPlan): CutSheet[] {
	const byId = new Map(plan.pieces.map((p) => [p.id, p]));
	let order = 0;
	return formsOf(plan.stock, useOfPlan(plan)).map((its, i, forms) => {
		const laid = plan.placements
			.filter((p) => p.sheet === i + 1)
			.map((at) => ({ at, piece: byId.get(at.piece)!, paths: laidPaths(byId.get(at.piece)!, at) }));
		return {
			number: i + 1,
			name: plan.stock.roll !== null && i === plan.stock.sheets.length ? 'Roll' : nameOfSheet(forms, i),
			form: its,
			offcut: plan.stock.sheets[i]?.offcut ?? null,
			pieces: cutOrder(laid).map((k) => ({ order: ++order, ...laid[k]! })),
			cutLength: cutLength(laid)
		};
	});
}

/**
 * What of each sheet can still be used. Folded cloth is looked at unfolded: what lies on the fold once, what is cut through both
 * layers twice.
 * @param least how wide something has to be to be kept, mm
 */
export function leftoversOfPlan(plan: LayPlan, least: number): { sheet: number; leftovers: Leftover[] }[] {
	const cut = plan.settings.gap / 2;
	return cutSheets(plan).map(({ number, form: its, pieces }) => {
		if (!plan.settings.folded)
			return {
				sheet: number,
				leftovers: leftoversOf(
					its,
					pieces.map((p) => p.paths),
					cut,
					least
				)
			};
		const over = (ring: Point[], side: 1 | -1) => ring.map(([x, y]): Point => [its.width + side * x, y]);
		const open = pieces.flatMap(({ piece, paths }) =>
			(piece.folded === 'one' ? [1 as const] : [1 as const, -1 as const]).map((side) =>
				paths.map((ring) => over(ring, side))
			)
		);
		return { sheet: number, leftovers: leftoversOf({ ...its, width: 2 * its.width }, open, cut, least) };
	});
}

/** Copies that lie too near to another or beyond their sheet, as `piece copy`. */
export function clashesOf(plan: LayPlan): string[] {
	return [...new Set(plan.placements.map((p) => p.sheet))].flatMap((sheet) => {
		const its = plan.placements.filter((p) => p.sheet === sheet);
		return new ByHand(plan.stock, sheet, plan.pieces, its, plan.settings)
			.clashes()
			.map((i) => `${its[i]!.piece} ${its[i]!.copy}`);
	});
}
