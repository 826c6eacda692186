import { LOADS } from './bond.ts';

/**
 * What speaks for and against a glue of a pair, as rules: a glue with a trait of `glues`, and none of `unless`, has so many points more or
 * less where the joint bears what the rule is asked under.
 *
 * Traits of a glue: its key, `flexible` or `stiff`, `washable` or `unwashable`, `light`, `middling` or `strong`, `softens` where a hot car is
 * too hot for it, `quick`, `slow`, `solvent`; in this joint `usual` for the pair, `short` where the gap is wider than it fills, and `letGo`, once for
 * each time that the log says so. In `why`, {heat} is the °C that it bears, {gap} the mm that it fills, {times} how often it let go.
 */
export const GLUE_UNDER = ['any', ...LOADS] as const;
export type GlueUnder = (typeof GLUE_UNDER)[number];

export interface GlueRule {
	name: string;
	/** Asked of every joint, or of those that bear this. */
	under: GlueUnder;
	/** Any of them; `a+b` has both. */
	glues: readonly string[];
	/** Any of these, and the rule does not hold. */
	unless: readonly string[];
	/** Points, for it or against it. */
	points: number;
	why: string;
	source: string;
}

const rule = (
	name: string,
	under: GlueUnder,
	glues: readonly string[],
	points: number,
	why: string,
	source = 'common practice'
): GlueRule => ({ name, under, glues, unless: [], points, why, source });
const MEMORY = 'starting value, from memory';

export const GLUE_RULES = {
	usualForPair: rule('usual for the pair', 'any', ['usual'], 2, 'usual for this pair'),
	gapTooWide: rule(
		'a gap wider than it fills',
		'any',
		['short'],
		-2,
		'fills gaps up to {gap} mm only',
		MEMORY
	),
	letGoBefore: rule(
		'let go before',
		'any',
		['letGo'],
		-2,
		'let go {times} on such a pair, by the log',
		MEMORY
	),
	holdsAtOnce: rule('holds at once', 'any', ['quick'], 0, 'holds at once'),
	strongPulled: rule('strong where it is pulled', 'shear', ['strong'], 0.5, 'strong along the seam', MEMORY),
	lightPulled: rule('light where it is pulled', 'shear', ['light'], -0.5, 'holds lightly', MEMORY),
	stiffPeeled: rule('stiff where it is peeled', 'peel', ['stiff'], -1, 'stiff: an edge peels it'),
	stiffBent: rule('stiff where it bends', 'flex', ['stiff'], -2, 'stiff: it cracks off where it bends'),
	unwashable: rule('not for the wash', 'wash', ['unwashable'], -3, 'not for the wash', MEMORY),
	softInCar: rule(
		'soft in a hot car',
		'heat',
		['softens'],
		-2,
		'softens at {heat} °C: a hot car comes to 60',
		MEMORY
	)
} as const satisfies Record<string, GlueRule>;
