import type { Family } from '../facts/material.ts';
import type { TechniqueKey } from '../facts/step.ts';
import type { FastenerKey } from '../facts/wear.ts';

/** How roughly a thing may be washed, from hardly at all to by machine. */
export const WASHES = ['dry', 'wipe', 'hand', 'machine'] as const;
export type Wash = (typeof WASHES)[number];
/** How a thing is stored. */
export const STORES = ['hung', 'flat', 'stuffed', 'onStand', 'dark', 'apart', 'cellsOut'] as const;
export type Store = (typeof STORES)[number];
/** What washing or keeping does to it. */
export type CareDanger = 'rusts' | 'bleeds' | 'melts' | 'shrinks' | 'cracks' | 'peels' | 'perishes' | 'dies';

/** What something that a component is made of asks for. */
export interface CareRule {
	name: string;
	/** It is meant by the family of a material, words of its name, work that was done, or what holds it. */
	families?: readonly Family[];
	words?: RegExp;
	techniques?: readonly TechniqueKey[];
	fasteners?: readonly FastenerKey[];
	wash: Wash;
	/** °C at most; null where it does not say. */
	mostC: number | null;
	danger: CareDanger | null;
	/** Comes off before anything is washed. */
	off: boolean;
	store: readonly Store[];
	/** Hours until it is dry, on a usual day. */
	dryHours: number;
	/** From look to look. */
	months: number;
	say: string;
}

const rule = (
	name: string,
	[wash, mostC, dryHours]: readonly [Wash, number | null, number],
	months: number,
	say: string,
	more: Partial<CareRule> = {}
): CareRule => ({ name, wash, mostC, danger: null, off: false, store: [], dryHours, months, say, ...more });

/**
 * What is common practice; degrees, hours and months are starting values, from memory. The label of what was bought counts first. Rules by the
 * words of a material stand before the one of its family, which they take the place of.
 */
export const CARE_RULES: readonly CareRule[] = [
	rule('waxed cloth', ['wipe', 20, 4], 6, 'cold water, no soap: it takes the wax out', {
		words: /\b(waxed|oilskin)\b/i,
		danger: 'peels',
		store: ['hung']
	}),
	rule('faux leather', ['wipe', 30, 2], 6, 'never fold it; a damp cloth, dried at once', {
		words: /\b(faux leather|leather|vinyl)\b/i,
		danger: 'peels',
		store: ['hung', 'dark']
	}),
	rule('wool and felt', ['hand', 20, 24], 6, 'cold, pressed and not rubbed; moths look for it', {
		words: /\b(wool|felt|tweed)\b/i,
		danger: 'shrinks',
		store: ['flat', 'apart']
	}),
	rule('cotton and linen', ['machine', 30, 12], 12, 'washed before it was cut, or it shrinks now', {
		words: /\b(cotton|linen|canvas|muslin)\b/i,
		danger: 'shrinks',
		store: ['hung']
	}),
	rule('net and lace', ['hand', 30, 6], 12, 'in a bag; nothing that catches with it', {
		words: /\b(net|tulle|lace|chiffon|organza)\b/i,
		store: ['hung']
	}),
	rule('stretch cloth', ['hand', 30, 12], 12, 'no softener: it takes the stretch', {
		words: /\b(stretch|spandex|jersey|knit)\b/i,
		store: ['flat']
	}),
	rule('fur and pile', ['hand', 20, 24], 12, 'brushed when dry; no heat: the pile melts', {
		words: /\b(fur|pile|velvet|plush)\b/i,
		danger: 'melts',
		store: ['hung']
	}),
	rule('elastic', ['machine', 40, 12], 12, 'pulled: it springs back, no threads out', {
		words: /\belastic\b/i,
		fasteners: ['elastic'],
		danger: 'perishes',
		store: ['dark']
	}),
	rule('latex', ['wipe', 20, 4], 3, 'talc between its faces; no oil, no copper', {
		words: /\blatex\b/i,
		danger: 'perishes',
		store: ['dark', 'apart', 'stuffed']
	}),
	rule('foam', ['wipe', 50, 4], 6, 'dents come out with a little heat; sun makes it brittle', {
		families: ['foam'],
		techniques: ['cutFoam'],
		danger: 'perishes',
		store: ['dark', 'stuffed']
	}),
	rule('cloth', ['hand', 30, 12], 12, 'by its label, inside out', { families: ['cloth'], store: ['hung'] }),
	rule(
		'hair',
		['hand', 20, 24],
		12,
		'cold with a little shampoo, combed from the ends; no heat unless its label says so',
		{
			families: ['hair'],
			danger: 'melts',
			store: ['onStand', 'dark']
		}
	),
	rule('hard parts', ['wipe', 50, 1], 12, 'a closed car in the sun softens it', {
		families: ['hard'],
		danger: 'melts',
		store: ['stuffed']
	}),
	rule('light', ['dry', null, 0], 3, 'cells out: they leak', {
		families: ['light'],
		techniques: ['wire'],
		danger: 'dies',
		off: true,
		store: ['cellsOut']
	}),
	rule('eyelets', ['hand', 30, 12], 6, 'dry them at once: plain steel bleeds rust', {
		words: /^(?!.*\b(brass|stainless)\b).*\beyelet/i,
		techniques: ['eyelet'],
		danger: 'rusts'
	}),
	rule('brass eyelets', ['hand', 30, 12], 12, 'their washers sit fast', {
		words: /\beyelet/i,
		techniques: ['eyelet']
	}),
	rule('steel pins, hooks', ['hand', 30, 12], 6, 'out before it is wet: plain steel bleeds rust', {
		fasteners: ['pin', 'hooks'],
		danger: 'rusts',
		off: true
	}),
	rule('magnets', ['hand', 30, 12], 12, 'sewn in they rust where their coat is scratched', {
		fasteners: ['magnet'],
		danger: 'rusts'
	}),
	rule('hook-and-loop', ['machine', 30, 12], 12, 'closed before it is washed; lint out', {
		fasteners: ['hookAndLoop']
	}),
	rule('self-adhesive hook-and-loop', ['wipe', 40, 4], 6, 'its glue lets go when it is wet or warm', {
		fasteners: ['hookAndLoopGlued', 'tape']
	}),
	rule('dyed', ['hand', 20, 12], 12, 'alone, cold, until the water stays clear', {
		techniques: ['dye'],
		danger: 'bleeds',
		store: ['apart']
	}),
	rule('paint', ['wipe', 50, 2], 6, 'at bends and edges: chips and cracks', {
		families: ['paint'],
		danger: 'cracks',
		store: ['stuffed']
	})
];
