import type { CoatProductKey } from './coat.ts';
import type { TechniqueKey } from './step.ts';

/** Coats of a recipe. */
export interface RecipeCoat {
	product: CoatProductKey;
	coats: number;
	/** Name of the material that it is put on with; nothing: whichever there is of the product. */
	colour: string;
}
/** Work between coats. */
export interface RecipeWork {
	technique: TechniqueKey;
	name: string;
}
export type RecipeLayer = RecipeCoat | RecipeWork;
export const isRecipeCoat = (layer: RecipeLayer): layer is RecipeCoat => 'product' in layer;
