<script lang="ts">
	/** A recipe, drawn as it is built up: the surface at the bottom, and what would not hold. */
	import type { SurfaceKey } from '$core/facts/component.ts';
	import type { Material } from '$core/facts/material.ts';
	import { checkRecipe } from '$core/answers/recipe.ts';
	import { ruleOf } from '$core/answers/stackCheck.ts';
	import { coatProductOf, type Catalogue } from '$core/trade/catalogue.ts';
	import { isRecipeCoat, type RecipeLayer } from '$core/facts/recipe.ts';
	import { SURFACES } from '$core/trade/surface.ts';
	import Band from './Band.svelte';

	interface Props {
		name: string;
		layers: readonly RecipeLayer[];
		surface: SurfaceKey | null;
		materials: readonly Material[];
		trade: Catalogue;
	}
	let { name, layers, surface, materials, trade }: Props = $props();
	const warnings = $derived(checkRecipe(layers, surface, trade));
	const outside = $derived(layers.map((layer, at) => ({ layer, at })).reverse());
	const labOf = (colour: string) => materials.find((m) => m.name === colour)?.lab;
</script>

<ol class="plain" reversed aria-label="Layers of {name}, the outermost first">
	{#each outside as { layer, at } (at)}
		<li class:work={!isRecipeCoat(layer)}>
			{#if isRecipeCoat(layer)}
				<Band
					coats={layer.coats}
					on={layer.colour ? layer.coats : 0}
					lab={labOf(layer.colour)}
					label="{layer.coats} coats"
				/>
				<span
					>{layer.coats} × <b>{coatProductOf(trade, layer.product).name}</b>{#if layer.colour}<span
							class="small soft colour">{layer.colour}</span
						>{/if}</span
				>
			{:else}
				<span class="gap"></span><span class="small soft">{layer.name}</span>
			{/if}
			{#each warnings.filter((w) => w.over === at) as { rule, spoils, why } (rule)}
				<p class="small" class:spoils>
					<b>{spoils ? 'Will not hold' : 'Try it first'}: {ruleOf(trade, rule).name}.</b>
					{why}
				</p>
			{/each}
		</li>
	{/each}
	<li>
		<i data-surface={surface ?? ''}></i>
		<span>{surface ? SURFACES[surface].name : 'any surface'}</span>
	</li>
</ol>

<style>
	li {
		display: grid;
		grid-template-columns: 56px 1fr;
		gap: 0 12px;
		align-items: center;
		min-height: 30px;
	}
	.work {
		min-height: 22px;
	}
	.gap {
		align-self: stretch;
		border-left: 1px dashed var(--ink-soft);
		border-right: 1px dashed var(--ink-soft);
	}
	.colour {
		display: block;
	}
	i {
		align-self: stretch;
		min-height: 30px;
		border: 1px solid var(--ink-soft);
	}
	p {
		grid-column: 1 / -1;
		padding: 4px 8px;
		background: var(--yellow-wash);
		border-left: 4px solid var(--yellow-ink);
	}
	.spoils {
		background: var(--red-wash);
		border-color: var(--red-ink);
	}
</style>
