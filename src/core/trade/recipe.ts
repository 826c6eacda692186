import type { SurfaceKey } from '../facts/component.ts';
import type { RecipeCoat, RecipeLayer, RecipeWork } from '../facts/recipe.ts';
import type { StandardCoatProduct } from './coatProduct.ts';
import type { StandardTechnique } from './technique.ts';

/** A finish that can be put on again: what is done to a surface, from the inside out. */
export interface Recipe {
	name: string;
	/** What it is for; null for whatever it is tried on. */
	surface: SurfaceKey | null;
	layers: readonly RecipeLayer[];
	note: string;
	source: string;
}

const coat = (product: StandardCoatProduct, coats: number): RecipeCoat => ({ product, coats, colour: '' });
const work = (technique: StandardTechnique, name: string): RecipeWork => ({ technique, name });
const recipe = (name: string, surface: SurfaceKey, layers: readonly RecipeLayer[], note: string): Recipe => ({
	name,
	surface,
	layers,
	note,
	source: 'common practice'
});

/** Surface, seal, prime, base, mask, detail, wash or dry-brush, highlight, clear; counts of coats are starting values from memory. */
export const RECIPES = {
	paintedFoam: recipe(
		'painted foam',
		'foam',
		[
			work('heatSeal', 'heat seal'),
			coat('rubberSpray', 3),
			coat('brushedAcrylic', 3),
			coat('flexibleClear', 2)
		],
		'Bends with the part as long as every coat does.'
	),
	wornMetal: recipe(
		'worn metal on foam',
		'foam',
		[
			work('heatSeal', 'heat seal'),
			coat('rubberSpray', 4),
			coat('brushedAcrylic', 3),
			coat('acrylicWash', 1),
			work('dryBrush', 'dry-brush the edges'),
			coat('flexibleClear', 2)
		],
		'Three coats of a metallic acrylic. The wash goes into the recesses and is wiped off the rest; the dry brush goes over edges only.'
	),
	woodGrain: recipe(
		'wood grain on foam',
		'foam',
		[
			work('burnTexture', 'burn in the grain'),
			work('heatSeal', 'heat seal'),
			coat('rubberSpray', 3),
			coat('brushedAcrylic', 2),
			coat('acrylicWash', 2),
			work('dryBrush', 'dry-brush along the grain'),
			coat('flexibleClear', 2)
		],
		'The wash runs into the grain. Burning foam gives off fumes: outdoors, with a respirator.'
	),
	pressedStone: recipe(
		'pressed stone',
		'foam',
		[
			work('heatSeal', 'heat seal'),
			work('pressTexture', 'press a crumpled foil into the warm foam'),
			coat('rubberSpray', 3),
			coat('brushedAcrylic', 2),
			coat('acrylicWash', 1),
			work('dryBrush', 'dry-brush what stands up'),
			coat('flexibleClear', 2)
		],
		'Pressed while it is warm, before it is sealed by a coat.'
	),
	clothWrapped: recipe(
		'cloth wrapped, painted',
		'foam',
		[
			work('stretchOn', 'stretch the cloth on'),
			coat('flexibleSealer', 2),
			coat('brushedAcrylic', 2),
			coat('acrylicWash', 1),
			coat('flexibleClear', 1)
		],
		'The weave shows through: two thin coats of sealer, not one thick one.'
	),
	smoothPrint: recipe(
		'smooth print, glossy',
		'print',
		[
			work('sand', 'sand through the grits'),
			coat('fillerPrimer', 3),
			work('sand', 'sand the primer'),
			coat('acrylicSpray', 3),
			coat('glossClear', 2)
		],
		'Lines that are seen in the primer are seen in the gloss.'
	),
	paintedCloth: recipe(
		'painted cloth',
		'cloth',
		[coat('fabricPaint', 2)],
		'Wash the cloth first; fix it as the label says.'
	)
} as const satisfies Record<string, Recipe>;
