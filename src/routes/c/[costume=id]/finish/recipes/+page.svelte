<script lang="ts">
	/** Finishes that can be put on again, and how they came out on scraps. */
	import { versionOf } from '$core/answers/recipe.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Plus from '@lucide/svelte/icons/plus';
	import type { PageData } from './$types';
	import EditRecipe from './EditRecipe.svelte';
	import RecipeCard from './RecipeCard.svelte';

	let { data }: { data: PageData } = $props();
	const trade = $derived(handbook());
	let adding = $state(false);
	/** What is tried or used here stands first. */
	const rows = $derived.by(() => {
		const all = Object.entries(trade.recipe).map(([key, recipe]) => ({
			key,
			recipe,
			swatches: data.record.swatches.filter((s) => s.recipe === key),
			on: data.record.components.filter((c) => c.recipe === key)
		}));
		return all.sort(
			(a, b) => Number(b.swatches.length + b.on.length > 0) - Number(a.swatches.length + a.on.length > 0)
		);
	});
</script>

<svelte:head><title>Recipes · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#each rows as { key, recipe, swatches, on } (key)}
	<RecipeCard
		recipeKey={key}
		{recipe}
		{swatches}
		{on}
		{data}
		{trade}
		version={data.handbook.find((r) => r.tableName === 'recipe' && r.key === key)?.version ?? 0}
		says={versionOf(key, data.handbook)}
		elsewhere={data.elsewhere.filter((s) => s.recipe === key)}
		earlier={data.earlier.filter((e) => e.key === key)}
	/>
{/each}
<p class="no-print">
	<button class="button" data-add onclick={() => (adding = true)}><Plus size={16} /> New recipe</button>
</p>
<EditRecipe bind:open={adding} {trade} unit={data.settings.lengthUnit} />
