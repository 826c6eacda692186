import { z } from 'zod';
import type { LocalMinutes } from '../units/localTime.ts';
import type { Point } from '../units/point.ts';

/** What the maker says of how a material is laid. */
export const laySettings = z.strictObject({
	/** The least distance between pieces, and from the border, mm. */
	gap: z.number().min(0).max(1000),
	edge: z.number().min(0).max(1000),
	/** Cloth is folded along its length: pieces are cut through both layers, halves on the fold. */
	folded: z.boolean(),
	/** Nap or print runs one way. */
	oneWay: z.boolean(),
	/** How far off the grain a piece may lie, degrees. */
	tolerance: z.number().min(0).max(20),
	/** Percent that cloth loses in its first wash, along and across. */
	shrinkLength: z.number().min(0).max(30),
	shrinkWidth: z.number().min(0).max(30),
	/** After how much of the length the print repeats, mm; 0 for none. */
	repeat: z.number().min(0).max(5000)
});
export type LaySettings = z.infer<typeof laySettings>;

export const PLAIN_LAY: LaySettings = {
	gap: 3,
	edge: 5,
	folded: false,
	oneWay: false,
	tolerance: 0,
	shrinkLength: 0,
	shrinkWidth: 0,
	repeat: 0
};

/** How a piece comes out of folded cloth: half of it on the fold, a left and a right at once, or out of one layer only. */
export type FoldedCut = 'fold' | 'both' | 'one';

/** A piece to lay, with what the cutter calls it. */
export interface CostumePiece extends LayPiece {
	code: string;
	name: string;
	componentId: number;
	/** On folded cloth only. */
	folded: FoldedCut | null;
}

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
/** What is laid is looked at point by point before it is kept. */
const MOST_POINTS = 400_000;
const MOST_LAID = 1_000_000;
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
		const pointsOf = new Map(
			pieces.map((p) => [p.id, p.holes.reduce((n, h) => n + h.length, p.outline.length)])
		);
		const points = [...pointsOf.values()].reduce((a, b) => a + b, 0);
		const laid = placements.reduce((n, p) => n + (pointsOf.get(p.piece) ?? 0), 0);
		if (points > MOST_POINTS || laid > MOST_LAID) {
			ctx.addIssue({
				code: 'custom',
				path: ['pieces'],
				message: `A layout holds ${MOST_POINTS} points of pieces, and ${MOST_LAID} of all copies, at most.`
			});
			return;
		}
		const seen = new Set<string>();
		placements.forEach((p, i) => {
			const key = `${p.piece} ${p.copy}`;
			if (!known.has(p.piece) || p.copy > known.get(p.piece)! || seen.has(key))
				ctx.addIssue({ code: 'custom', path: ['placements', i], message: 'There is no such copy.' });
			seen.add(key);
		});
	});
/** A layout of a costume that is kept. */
/** What a component takes of a layout, in units of the material, and the area of its pieces that were laid, mm². */
export interface LaidPart {
	componentId: number;
	quantity: number;
	area: number;
}

export interface KeptLayout {
	id: number;
	costumeId: number;
	materialId: number;
	name: string;
	plan: LayPlan;
	keptAt: LocalMinutes;
	/** What each component takes by it; none while it leaves a piece out. */
	parts: LaidPart[];
	/** Null until it is cut. */
	cutAt: LocalMinutes | null;
	/** Units of its material that came out of the stash when it was cut. */
	fromStash: number | null;
	version: number;
}

/** What pieces are laid on, and what they have to keep from each other. */

export interface SheetForm {
	width: number;
	height: number;
	/** Its real outline, within width and height, of an offcut; null for a rectangle. */
	outline?: readonly Point[] | null;
	/** Places that are spoiled. */
	flaws?: readonly (readonly Point[])[];
	/** The offcut of the stash that it is. */
	offcut?: number;
}

export interface Stock {
	id: string;
	/** Sheets that are there, filled in this order. */
	sheets: readonly SheetForm[];
	/** As many more of these as are needed. */
	more: { width: number; height: number } | null;
	/** Cloth from a roll of this width, once what there is of sheets is full. */
	roll: number | null;
}

export interface LayPiece {
	id: string;
	stock: string;
	outline: readonly Point[];
	holes: readonly (readonly Point[])[];
	quantity: number;
	/** Each second copy is mirrored. */
	pair: boolean;
	/** Degrees, or any. */
	rotations: readonly number[] | 'any';
	/** Half of what is cut: its edge along x = 0 lies on the fold of the cloth, which is the stock's left border. */
	onFold?: boolean;
}

/** A placed point is: mirrored if so (x to −x), turned about the origin, moved by x, y. */
export interface Placement {
	piece: string;
	copy: number;
	stock: string;
	/** From 1. */
	sheet: number;
	mirrored: boolean;
	/** Degrees counter-clockwise. */
	rotation: number;
	x: number;
	y: number;
}

export interface StockUse {
	id: string;
	sheets: number;
	/** Along y, on the roll or on the last of the sheets, mm. */
	usedLength: number;
	/** Of the pieces, holes taken out, over whole sheets, or over width × length of the roll. */
	density: number;
}
