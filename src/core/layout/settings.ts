import { z } from 'zod';

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

/** mm of a roll that are bought for a layout: before it shrinks, and one repeat of the print more to match it by. */
export const rollLength = (
	usedLength: number,
	{ shrinkLength, repeat }: Pick<LaySettings, 'shrinkLength' | 'repeat'>
): number => usedLength / (1 - shrinkLength / 100) + repeat;
