import type { Component } from '$core/facts/component.ts';
import type { Stage } from '$core/answers/stage.ts';
import { weaveOf, type Weave } from '$core/trade/weave.ts';

/** What the colours of callouts stand for. The tag beside each says the same in words. */
export const COLOUR_BY = [
	{ value: 'layer', label: 'layer' },
	{ value: 'material', label: 'material family' },
	{ value: 'state', label: 'state' }
] as const;
export type ColourBy = (typeof COLOUR_BY)[number]['value'];

export interface Shade {
	key: string;
	words: string;
	colour: string;
}

/** From skin outwards: chalks that stay apart on a photo, light to deep. */
const LAYERS = ['#ffd9e4', '#f3a0ba', '#f2d16a', '#8fd3ae', '#9fcbee', '#c6a6ee', '#ffffff'];
const FAMILIES: Record<Weave, [string, string]> = {
	dots: ['foam', '#9fcbee'],
	twill: ['cloth', '#f3a0ba'],
	waves: ['hair', '#e0b98a'],
	crosshatch: ['hard', '#c6cdd2'],
	rings: ['metal and closures', '#e3bd69'],
	rays: ['light', '#fff3a8'],
	strokes: ['paint', '#8fd3ae'],
	plain: ['other', '#ffffff']
};
const STATES: [RegExp, string, string][] = [
	[/^broken$/, 'broken', '#ff9d93'],
	[/^(ready|mended)$/, 'ready', '#8fd3ae'],
	[/^(to finish|drying|to rig|to fit)$/, 'made, to finish or fit', '#f2d16a'],
	[/^left out$/, 'left out', '#c6cdd2'],
	[/^to make$/, 'to make', '#f3a0ba'],
	[/./, 'to plan, pattern or buy', '#9fcbee']
];
export const UNCLAIMED: Shade = { key: 'none', words: 'not claimed yet', colour: '#ff7a59' };

export function shadeOf(component: Component | undefined, by: ColourBy, stage: Stage | undefined): Shade {
	if (!component) return UNCLAIMED;
	if (by === 'layer') {
		const at = Math.min(component.layer, LAYERS.length - 1);
		return { key: String(component.layer), words: `layer ${component.layer}`, colour: LAYERS[at]! };
	}
	if (by === 'material') {
		const [words, colour] = FAMILIES[weaveOf(component)];
		return { key: words, words, colour };
	}
	const [, words, colour] = STATES.find(([pattern]) => pattern.test(stage ?? ''))!;
	return { key: words, words, colour };
}
