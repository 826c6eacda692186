import type { Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { HandbookRow } from '../facts/handbook.ts';
import { difference } from '../engines/colour/difference.ts';
import type { Material } from '../facts/material.ts';
import type { MixPart, PaletteColour } from '../facts/palette.ts';
import type { Swatch } from '../facts/swatch.ts';
import { coatProductOf, STANDARD, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import type { CoatProduct } from '../trade/coatProduct.ts';
import { isRecipeCoat, type RecipeCoat, type RecipeLayer } from '../facts/recipe.ts';
import type { Recipe } from '../trade/recipe.ts';
import { formatNumber } from '../units/number.ts';
import type { Lab } from '../units/lab.ts';
import { materialOfCoat } from './coatStack.ts';
import { checkStack, stackOf, thoughtOf, type Ground, type Layer, type StackWarning } from './stackCheck.ts';

/** A layer in words: `3 × flexible acrylic sealer`, `heat seal`. */
export const layerWords = (layer: RecipeLayer, trade: Catalogue): string =>
	isRecipeCoat(layer)
		? `${layer.coats} × ${coatProductOf(trade, layer.product).name}${layer.colour && `, ${layer.colour}`}`
		: layer.name;

/** What a recipe comes to, from the inside out, as the stack check reads it. */
const layersOf = (layers: readonly RecipeLayer[], trade: Catalogue): Layer[] =>
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

/** What coats of a recipe wait for among themselves, and before the next may go on. */
export interface RecipeWait {
	product: CoatProduct;
	coats: number;
	/** Minutes; of the last only those between its coats. */
	minutes: number;
}
export interface RecipeTime {
	coats: number;
	waits: RecipeWait[];
	/** Minutes of waiting from the first coat to the last. */
	betweenMinutes: number;
	/** Minutes after the last coat until it is handled; null without a coat. */
	handlingMinutes: number | null;
}

/** How long it takes beside the work: between coats of one product the recoat wait, after its last the wait before handling. */
export function recipeTime(layers: readonly RecipeLayer[], trade: Catalogue): RecipeTime {
	const coats = layers.filter(isRecipeCoat);
	const waits = coats.map(({ product: key, coats: count }, i): RecipeWait => {
		const product = coatProductOf(trade, key);
		const after = i < coats.length - 1 ? product.handlingMinutes : 0;
		return { product, coats: count, minutes: (count - 1) * product.recoatMinutes + after };
	});
	return {
		coats: waits.reduce((sum, w) => sum + w.coats, 0),
		waits,
		betweenMinutes: waits.reduce((sum, w) => sum + w.minutes, 0),
		handlingMinutes: waits.at(-1)?.product.handlingMinutes ?? null
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
/**
 * Which state of a recipe this is: 0 as it ships, else a number that what it says makes. Taken back to what it said, it is the same again.
 *
 * @param own the maker's rows
 */
export function versionOf(
	recipe: string,
	own: readonly Pick<HandbookRow, 'tableName' | 'key' | 'content'>[]
): number {
	const row = own.find((r) => r.tableName === 'recipe' && r.key === recipe);
	const says = row && sayingOf(row.content as unknown as Recipe);
	const ships = STANDARD.recipe[recipe];
	return says === undefined || (ships && sayingOf(ships) === says) ? 0 : fingerprint(says);
}
const sayingOf = ({ surface, layers }: Pick<Recipe, 'surface' | 'layers'>) =>
	JSON.stringify([
		surface,
		layers.map((l) => (isRecipeCoat(l) ? [l.product, l.coats, l.colour] : [l.technique, l.name]))
	]);

/** A whole number of a text, 1 to 2³¹ − 1, by the hash of Fowler, Noll and Vo (FNV-1a, from memory). */
function fingerprint(text: string): number {
	let hash = 0x811c9dc5;
	for (const byte of new TextEncoder().encode(text)) hash = Math.imul(hash ^ byte, 0x01000193);
	return hash >>> 1 || 1;
}

/** From here on it is another colour, ΔE00 (from memory). */
const ANOTHER = 10;

/** How a paint changes as it dries, as its swatches have it: dry less wet, their mean. */
export function driedShift(
	materialId: number,
	swatches: readonly Pick<Swatch, 'materialId' | 'wet' | 'dry'>[]
): Lab | null {
	const its = swatches.flatMap(({ materialId: of, wet, dry }) =>
		of === materialId && wet && dry ? [{ wet, dry }] : []
	);
	if (!its.length) return null;
	const mean = (k: number) => its.reduce((sum, s) => sum + s.dry[k]! - s.wet[k]!, 0) / its.length;
	return [mean(0), mean(1), mean(2)];
}

/**
 * How a mix looks while it is wet: as it will dry, less what its paints change, by their drops. A model’s guess; null where the
 * swatches of one of them say nothing of it.
 * @param dry as it is expected to dry
 */
export function wetLook(
	dry: Lab,
	mix: readonly MixPart[],
	swatches: readonly Pick<Swatch, 'materialId' | 'wet' | 'dry'>[]
): Lab | null {
	const parts = mix.map(({ materialId, drops }) => ({ drops, shift: driedShift(materialId, swatches) }));
	const all = parts.reduce((sum, p) => sum + p.drops, 0);
	if (!all || parts.some((p) => !p.shift)) return null;
	const by = (k: number) => parts.reduce((sum, p) => sum + p.drops * p.shift![k]!, 0) / all;
	return [dry[0] - by(0), dry[1] - by(1), dry[2] - by(2)];
}

/** How it changed as it dried, in lightness: `dries 4.5 darker`; nothing where that was not measured. */
export function driedWords({ wet, dry }: Pick<Swatch, 'wet' | 'dry'>): string {
	if (!wet || !dry) return '';
	const lighter = dry[0] - wet[0];
	if (Math.abs(lighter) < 0.5) return 'dries as it was';
	return `dries ${formatNumber(Math.abs(lighter), 1)} ${lighter > 0 ? 'lighter' : 'darker'}`;
}

/** The colour of the palette that a swatch comes nearest to, dry; null where it or the palette is not known. */
export function nearestWanted(
	{ dry }: Pick<Swatch, 'dry'>,
	palette: readonly PaletteColour[]
): { colour: PaletteColour; difference: number } | null {
	if (!dry) return null;
	const all = palette.map((colour) => ({ colour, difference: difference(colour.lab, dry) }));
	return all.sort((a, b) => a.difference - b.difference)[0] ?? null;
}

/** Swatches that come near to a colour, dry, the nearest first; another colour is none. */
export const nearestSwatches = (
	lab: Lab,
	swatches: readonly Swatch[],
	most = 3
): { swatch: Swatch; difference: number }[] =>
	swatches
		.flatMap((swatch) => (swatch.dry ? [{ swatch, difference: difference(lab, swatch.dry) }] : []))
		.filter((s) => s.difference < ANOTHER)
		.sort((a, b) => a.difference - b.difference)
		.slice(0, most);

/** What a step of a recipe starts with where nobody has measured: masking goes along an edge, all else by the area. */
export const startOf = (technique: string, area: number, edge: number, trade: Catalogue): number =>
	({ area, length: edge, count: 1 })[techniqueOf(trade, technique).driver];
