import { z } from 'zod';
import type { Point } from '../pattern/outline.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import { ByHand } from './byHand.ts';
import { cutLength, cutOrder } from './cutOrder.ts';
import { leftoversOf, type Leftover } from './leftovers.ts';
import type { CostumePiece } from './pieces.ts';
import { laySettings, type LaySettings } from './settings.ts';
import {
	formsOf,
	laidPaths,
	nameOfSheet,
	useOf,
	type Placement,
	type SheetForm,
	type Stock,
	type StockUse
} from './stock.ts';

/** A layout as it is kept: all that is needed to cut by it, whatever becomes of the pattern and the stash. */

export interface LayPlan {
	settings: LaySettings;
	/** The offcuts that are used, in their order, and what is begun after them. */
	stock: Stock;
	pieces: readonly CostumePiece[];
	placements: readonly Placement[];
}

const coordinate = z.number().min(-1e7).max(1e7);
const ring = z
	.array(z.tuple([coordinate, coordinate]))
	.min(3)
	.max(20_000);
const size = z.number().positive().max(1e6);
const form = z.strictObject({
	width: size,
	height: size,
	outline: ring.nullable().optional(),
	flaws: z.array(ring).max(1000).optional(),
	offcut: z.number().int().positive().optional()
});
const words = z.string().max(200);
export const layPlan: z.ZodType<LayPlan> = z
	.strictObject({
		settings: laySettings,
		stock: z.strictObject({
			id: words,
			sheets: z.array(form).max(500),
			more: z.strictObject({ width: size, height: size }).nullable(),
			roll: size.nullable()
		}),
		pieces: z
			.array(
				z.strictObject({
					id: words.min(1),
					code: words.min(1),
					name: words,
					componentId: z.number().int().positive(),
					stock: words,
					outline: ring,
					holes: z.array(ring).max(1000),
					quantity: z.number().int().min(1).max(5000),
					pair: z.boolean(),
					rotations: z.union([z.literal('any'), z.array(z.number()).min(1).max(3600)]),
					onFold: z.boolean().optional(),
					folded: z.enum(['fold', 'both', 'one']).nullable()
				})
			)
			.min(1)
			.max(5000),
		placements: z
			.array(
				z.strictObject({
					piece: words,
					copy: z.number().int().min(1),
					stock: words,
					sheet: z.number().int().min(1).max(1000),
					mirrored: z.boolean(),
					rotation: z.number().min(-720).max(720),
					x: coordinate,
					y: coordinate
				})
			)
			.min(1)
			.max(5000)
	})
	.superRefine(({ pieces, placements }, ctx) => {
		const known = new Map(pieces.map((p) => [p.id, p.quantity]));
		const seen = new Set<string>();
		placements.forEach((p, i) => {
			const key = `${p.piece} ${p.copy}`;
			if (!known.has(p.piece) || p.copy > known.get(p.piece)! || seen.has(key))
				ctx.addIssue({ code: 'custom', path: ['placements', i], message: 'There is no such copy.' });
			seen.add(key);
		});
	});
/** A layout of a costume that is kept. */
export interface KeptLayout {
	id: number;
	costumeId: number;
	materialId: number;
	name: string;
	plan: LayPlan;
	keptAt: LocalMinutes;
	/** Null until it is cut. */
	cutAt: LocalMinutes | null;
	/** Units of its material that came out of the stash when it was cut. */
	fromStash: number | null;
	version: number;
}

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
	return formsOf(plan.stock, useOfPlan(plan)).map((own, i, forms) => {
		const laid = plan.placements
			.filter((p) => p.sheet === i + 1)
			.map((at) => ({ at, piece: byId.get(at.piece)!, paths: laidPaths(byId.get(at.piece)!, at) }));
		return {
			number: i + 1,
			name: plan.stock.roll !== null && i === plan.stock.sheets.length ? 'Roll' : nameOfSheet(forms, i),
			form: own,
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
	return cutSheets(plan).map(({ number, form: own, pieces }) => {
		if (!plan.settings.folded)
			return {
				sheet: number,
				leftovers: leftoversOf(
					own,
					pieces.map((p) => p.paths),
					cut,
					least
				)
			};
		const over = (ring: Point[], side: 1 | -1) => ring.map(([x, y]): Point => [own.width + side * x, y]);
		const open = pieces.flatMap(({ piece, paths }) =>
			(piece.folded === 'one' ? [1 as const] : [1 as const, -1 as const]).map((side) =>
				paths.map((ring) => over(ring, side))
			)
		);
		return { sheet: number, leftovers: leftoversOf({ ...own, width: 2 * own.width }, open, cut, least) };
	});
}

/** Copies that lie too near to another or beyond their sheet, as `piece copy`. */
export function clashesOf(plan: LayPlan): string[] {
	return [...new Set(plan.placements.map((p) => p.sheet))].flatMap((sheet) => {
		const own = plan.placements.filter((p) => p.sheet === sheet);
		return new ByHand(plan.stock, sheet, plan.pieces, own, plan.settings)
			.clashes()
			.map((i) => `${own[i]!.piece} ${own[i]!.copy}`);
	});
}
