<script lang="ts">
	/** One recipe: what it is built up of, what it takes, who has it, and its swatches. */
	import Layers from '@lucide/svelte/icons/layers';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Plus from '@lucide/svelte/icons/plus';
	import pluralize from 'pluralize';
	import { layerWords, recipeTime } from '$core/answers/recipe.ts';
	import { recipeWaitFigure } from '$core/explain/recipe.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { Swatch } from '$core/facts/swatch.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import type { Recipe } from '$core/trade/recipe.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { capital } from '$core/units/names.ts';
	import Act from '$lib/ui/Act.svelte';
	import RecipeDrawing from '$lib/ui/coats/RecipeDrawing.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import EditRecipe from './EditRecipe.svelte';
	import PutOn from './PutOn.svelte';
	import SwatchCard from './SwatchCard.svelte';
	import SwatchFields from './SwatchFields.svelte';

	interface Props {
		recipeKey: string;
		recipe: Recipe;
		/** 0 as it ships. */
		/** How often it was written; 0 as it ships. */
		version: number;
		/** What tells what it says from what it said. */
		says: number;
		swatches: readonly Swatch[];
		/** Swatches of other costumes. */
		elsewhere: PageData['elsewhere'];
		/** As it was before its changes. */
		earlier: PageData['earlier'];
		on: readonly Component[];
		data: PageData;
		trade: Catalogue;
	}
	let { recipeKey, recipe, version, says, swatches, elsewhere, earlier, on, data, trade }: Props = $props();
	const time = $derived(recipeTime(recipe.layers, trade));
	const base = $derived(`/c/${data.record.costume.id}`);
	let putting = $state(false);
	let trying = $state(false);
	let editing = $state(false);
</script>

<Sheet>
	<article aria-label={recipe.name}>
		<header>
			<h2>{capital(recipe.name)}</h2>
			{#if version}<span class="small soft">version {version}</span>{/if}
			<span class="tools no-print">
				<button class="button small main" onclick={() => (putting = true)}
					><Layers size={14} /> Put it on</button
				>
				<button class="button small" aria-label="Swatch of {recipe.name}" onclick={() => (trying = true)}
					><Plus size={14} /> Swatch</button
				>
				<button class="button small quiet" aria-label="Edit {recipe.name}" onclick={() => (editing = true)}
					><Pencil size={14} /></button
				>
			</span>
		</header>
		<div class="drawing">
			<RecipeDrawing
				name={recipe.name}
				layers={recipe.layers}
				surface={recipe.surface}
				materials={data.paints}
				{trade}
			/>
			<p class="small soft">
				{recipe.note}{#if recipe.note}<br />{/if}{capital(recipe.source)}.
			</p>
		</div>
		<div class="told">
			<p>
				<b>{pluralize('coat', time.coats, true)}</b>{#if time.handlingMinutes !== null}, <Working
						figure={recipeWaitFigure(recipe.name, recipe.layers, trade)}
						text={formatWait(time.betweenMinutes)}
					/> of waiting between them, handled {formatWait(time.handlingMinutes)} after the last{/if}
			</p>
			{#if on.length}<p class="tags">
					On {#each on as component (component.id)}<Tag
							{component}
							href="{base}/look/{component.id}"
						/>{/each}
				</p>{/if}
			{#if swatches.length}
				<ul class="plain swatches">
					{#each swatches as swatch (swatch.id)}
						<li><SwatchCard {swatch} {data} {trade} {says} /></li>
					{/each}
				</ul>
			{:else}
				<p class="small soft">
					No swatch yet. Try it on a scrap, wet and dry: colours change as they dry, and coats are counted.
				</p>
			{/if}
			{#if earlier.length}
				<details>
					<summary
						>{earlier.length === 1 ? 'An earlier version' : `${earlier.length} earlier versions`}</summary
					>
					<ul class="plain earlier">
						{#each earlier as was (was.changeId)}
							<li>
								<span class="small"
									><b>Until {timeWords(was.until)}:</b>
									{was.content.layers.map((l) => layerWords(l, trade)).join(', ')}</span
								>
								<Act
									command="setRecipe"
									look="quiet"
									hidden={{
										key: recipeKey,
										name: was.content.name,
										surface: was.content.surface,
										layers: JSON.stringify(was.content.layers),
										note: was.content.note,
										source: was.content.source
									}}>Back to this</Act
								>
							</li>
						{/each}
					</ul>
				</details>
			{/if}
		</div>
	</article>
</Sheet>

<PutOn bind:open={putting} {recipeKey} {recipe} {swatches} {elsewhere} {data} />
<EditRecipe bind:open={editing} {recipeKey} {recipe} {trade} unit={data.settings.lengthUnit} />
<Dialog bind:open={trying} title="Swatch: {recipe.name}">
	<Form command="addSwatch" hidden={{ recipe: recipeKey }} onDone={() => (trying = false)} label="New swatch">
		<SwatchFields surface={recipe.surface} paints={data.paints} now={data.now} />
		<p class="small soft">Its photos, wet and dry, are added on its card.</p>
		<Submit>Add swatch</Submit>
	</Form>
</Dialog>

<style>
	article {
		display: grid;
		grid-template-columns: minmax(240px, 2fr) 3fr;
		gap: 8px 32px;
	}
	header {
		grid-column: 1 / -1;
		display: flex;
		align-items: center;
		gap: 4px 12px;
		flex-wrap: wrap;
	}
	.tools {
		display: flex;
		gap: 6px;
		margin-left: auto;
	}
	.drawing,
	.told {
		display: grid;
		gap: 10px;
		align-content: start;
		min-width: 0;
	}
	.tags {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
	}
	.swatches {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 250px), 1fr));
		gap: 12px;
		align-items: start;
	}
	.swatches li {
		display: block;
		padding: 0;
		border: 0;
	}
	.earlier li {
		display: flex;
		gap: 8px;
		align-items: baseline;
		justify-content: space-between;
		padding: 3px 0;
	}
	@media (max-width: 700px) {
		article {
			grid-template-columns: 1fr;
		}
		.tools {
			margin-left: 0;
		}
	}
</style>
