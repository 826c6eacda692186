import type { Component } from '../facts/component.ts';

/** Layers of a costume that add thickness to whoever wears it, and what is on each, from the skin outwards. */
export function layersWorn(components: readonly Component[]): { layer: number; words: string }[] {
	const thick = components.filter((c) => c.parentId === null && c.layer > 0 && (c.thicknessMm ?? 0) > 0);
	return [...new Set(thick.map((c) => c.layer))]
		.sort((a, b) => a - b)
		.map((layer) => ({
			layer,
			words: `layer ${layer}: ${thick
				.filter((c) => c.layer === layer)
				.map((c) => c.name)
				.join(', ')}`
		}));
}
