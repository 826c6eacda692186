import type { RecipeLayer } from './recipe.ts';
import type { Lab } from '../units/lab.ts';
import type { SurfaceKey } from './component.ts';

export const VERDICTS = ['use', 'maybe', 'no'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** A recipe tried on a scrap. */
export interface Swatch {
	id: number;
	costumeId: number;
	/** Of a recipe of the handbook, as it was then. */
	recipe: string;
	recipeVersion: number;
	layers: readonly RecipeLayer[];
	/** What the scrap was of; null where that was not said. */
	surface: SurfaceKey | null;
	/** Of which paint the colour is that is seen; null where none of them is. */
	materialId: number | null;
	/** Day since 1970-01-01. */
	madeOn: number;
	/** Coats of that paint until nothing beneath was seen; null where nobody counted. */
	coatsToCover: number | null;
	/** Just painted, and dry. */
	wet: Lab | null;
	dry: Lab | null;
	verdict: Verdict;
	note: string;
	version: number;
}
