import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { HandbookRow } from '../facts/handbook.ts';
import type { Material } from '../facts/material.ts';
import type { Swatch } from '../facts/swatch.ts';
import { coatProductOf, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { isRecipeCoat, type Recipe, type RecipeCoat, type RecipeLayer } from '../trade/recipe.ts';
import type { Lab } from '../units/lab.ts';
import { materialOfCoat } from './coatStack.ts';
import { checkStack, stackOf, thoughtOf, type Ground, type Layer, type StackWarning } from './stackCheck.ts';

/** A layer in words: `3 × flexible acrylic sealer`, `heat seal`. */
export const layerWords = (layer: RecipeLayer, trade: Catalogue): string =>
	isRecipeCoat(layer)
		? `${layer.coats} × ${coatProductOf(trade, layer.product).name}${layer.colour && `, ${layer.colour}`}`
		: layer.name;

/** What a recipe comes to, from the inside out, as the stack check reads it. */
export const layersOf = (layers: readonly RecipeLayer[], trade: Catalogue): Layer[] =>
	layers.map((layer) =>
		isRecipeCoat(layer)
			? {
					...thoughtOf(layer.product, trade),
					colour: layer.colour || layer.product
				}
			: { kind: 'step', id: null, name: layer.name, technique: layer.technique, begun: false }
	);

/** What may not hold of a recipe on its surface. */
export const checkRecipe = (
	layers: readonly RecipeLayer[],
	surface: Recipe['surface'],
	trade: Catalogue
): StackWarning[] => {
	const ground: Ground = { surface, bends: false };
	return checkStack(ground, layersOf(layers, trade), trade, 0);
};

export interface RecipeTime {
	coats: number;
	/** Minutes of waiting between its coats, the last left out. */
	betweenMinutes: number;
	/** Minutes after the last coat until it is handled; null without a coat. */
	handlingMinutes: number | null;
}

/** How long it takes beside the work: between coats of one product the recoat wait, after its last the wait before handling. */
export function recipeTime(layers: readonly RecipeLayer[], trade: Catalogue): RecipeTime {
	const each = layers
		.filter(isRecipeCoat)
		.map(({ product, coats }) => ({ coats, of: coatProductOf(trade, product) }));
	const last = each.at(-1)?.of.handlingMinutes ?? null;
	const all = each.reduce(
		(sum, { coats, of }) => sum + (coats - 1) * of.recoatMinutes + of.handlingMinutes,
		0
	);
	return {
		coats: each.reduce((sum, { coats }) => sum + coats, 0),
		betweenMinutes: all - (last ?? 0),
		handlingMinutes: last
	};
}

/** The recipe that a component’s finish is: its coats with their colours, and the finishing work around them. */
export function recipeLayersOf(
	component: Component,
	record: CostumeRecord,
	materials: readonly Material[]
): RecipeLayer[] {
	const { layers } = stackOf(component, record, materials);
	const last = layers.findLastIndex((l) => l.kind === 'coat');
	return layers.slice(0, last + 1).flatMap((layer): RecipeLayer[] => {
		if (layer.kind === 'step') {
			const step = record.steps.find((s) => s.id === layer.id);
			const finishing = step?.phase === 'finish' || layer.technique === 'heatSeal';
			return finishing ? [{ technique: layer.technique, name: layer.name }] : [];
		}
		const coat = record.coats.find((c) => c.id === layer.id)!;
		const colour = materialOfCoat(coat, materials)?.name ?? '';
		return [{ product: coat.product, coats: coat.coats, colour }];
	});
}

/** The layers as a swatch found them: of its paint as many coats as covered on it. */
export function layersBy(
	layers: readonly RecipeLayer[],
	swatch: Swatch | null,
	materials: readonly Material[]
) {
	const paint = swatch && materials.find((m) => m.id === swatch.materialId);
	const covers = swatch?.coatsToCover ?? null;
	if (!paint || covers === null) return [...layers];
	const isIt = (l: RecipeLayer): l is RecipeCoat =>
		isRecipeCoat(l) && l.product === paint.coatProduct && (l.colour === '' || l.colour === paint.name);
	const named = layers.some((l) => isIt(l) && l.colour === paint.name);
	const at = layers.findIndex((l) => isIt(l) && (!named || l.colour === paint.name));
	return layers.map((l, i) =>
		i === at && isRecipeCoat(l) ? { ...l, coats: covers, colour: paint.name } : l
	);
}

/** What a component’s finish goes by. */
export interface ByRecipe {
	recipe: Recipe | null;
	/** It was changed since it was put on. */
	changed: boolean;
	swatch: Swatch | null;
}
export function byRecipe(
	component: Pick<Component, 'recipe' | 'recipeVersion' | 'swatchId'>,
	swatches: readonly Swatch[],
	trade: Catalogue,
	own: readonly HandbookRow[]
): ByRecipe | null {
	if (component.recipe === null) return null;
	return {
		recipe: trade.recipe[component.recipe] ?? null,
		changed: versionOf(component.recipe, own) !== component.recipeVersion,
		swatch: swatches.find((s) => s.id === component.swatchId) ?? null
	};
}
/** Of a recipe: 0 as it ships. */
export const versionOf = (recipe: string, own: readonly HandbookRow[]): number =>
	own.find((r) => r.tableName === 'recipe' && r.key === recipe)?.version ?? 0;

/** How a paint changes as it dries, as its swatches have it: dry less wet, their mean. */
export interface DriedShift {
	shift: Lab;
	swatches: number;
}
export function driedShift(materialId: number, swatches: readonly Swatch[]): DriedShift | null {
	const its = swatches.flatMap(({ materialId: of, wet, dry }) =>
		of === materialId && wet && dry ? [{ wet, dry }] : []
	);
	if (!its.length) return null;
	const mean = (k: number) => its.reduce((sum, s) => sum + s.dry[k]! - s.wet[k]!, 0) / its.length;
	return { shift: [mean(0), mean(1), mean(2)], swatches: its.length };
}

/** What a step of a recipe starts with where nobody has measured: masking goes along an edge, all else by the area. */
export const startOf = (technique: string, area: number, edge: number, trade: Catalogue): number =>
	({ area, length: edge, count: 1 })[techniqueOf(trade, technique).driver];
