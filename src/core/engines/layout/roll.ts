import type { LaySettings } from '../../facts/layout.ts';

/** mm of a roll that are bought for a layout: before it shrinks, and one repeat of the print more to match it by. */
export const rollLength = (
	usedLength: number,
	{ shrinkLength, repeat }: Pick<LaySettings, 'shrinkLength' | 'repeat'>
): number => usedLength / (1 - shrinkLength / 100) + repeat;
