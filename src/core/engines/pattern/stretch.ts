import type { Param } from './shaper.ts';

/** How much cloth stretches, from its material: percent of its length. */
export const STRETCH_ACROSS = {
	name: 'stretch across the cloth',
	unit: 'percent',
	value: 0,
	least: 0,
	most: 200,
	hint: 'what it is cut from says it'
} as const satisfies Param;
export const STRETCH_ALONG = { ...STRETCH_ACROSS, name: 'stretch along the cloth' } as const satisfies Param;

/** Of what the cloth stretches, how much is used up by wearing it; the rest is for moving. Common practice: a third to a half. */
export const STRETCH_USED = {
	name: 'share of the stretch that is worn',
	unit: 'times',
	value: 0.3,
	least: 0,
	most: 1,
	hint: 'the rest is for moving'
} as const satisfies Param;
