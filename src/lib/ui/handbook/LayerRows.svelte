<script lang="ts">
	/** The layers of a recipe, from the surface out: coats, and work between them. They go with the form as one field. */
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import { techniqueOf, type Catalogue } from '$core/trade/catalogue.ts';
	import { isRecipeCoat, type RecipeLayer } from '$core/facts/recipe.ts';
	import Lines from './Lines.svelte';

	interface Props {
		trade: Catalogue;
		layers: readonly RecipeLayer[];
	}
	let { trade, layers }: Props = $props();
	interface Line {
		/** `coat brushedAcrylic`, `work mask`. */
		what: string;
		coats: string;
		colour: string;
		name: string;
	}
	// svelte-ignore state_referenced_locally
	let lines = $state(
		layers.map((layer): Line =>
			isRecipeCoat(layer)
				? { what: `coat ${layer.product}`, coats: String(layer.coats), colour: layer.colour, name: '' }
				: { what: `work ${layer.technique}`, coats: '1', colour: '', name: layer.name }
		)
	);
	const keyOf = (line: Line) => line.what.slice(5);
	const isCoat = (line: Line) => line.what.startsWith('coat ');
	/** What cannot be read goes as it is not: the row’s form says so. */
	const sent = $derived(
		JSON.stringify(
			lines.map((line) =>
				isCoat(line)
					? { product: keyOf(line), coats: Number(line.coats), colour: line.colour }
					: { technique: keyOf(line), name: line.name || techniqueOf(trade, keyOf(line)).name }
			)
		)
	);
</script>

<Lines
	legend="Layers, from the surface out"
	name="layers"
	{sent}
	{lines}
	one="layer"
	onadd={() => lines.push({ what: 'coat brushedAcrylic', coats: '2', colour: '', name: '' })}
	onremove={(i) => lines.splice(i, 1)}
>
	{#snippet line(layer, i)}
		<select bind:value={layer.what} aria-label="Layer {i + 1}">
			<optgroup label="Coats">
				{#each Object.entries(trade.coatProduct) as [key, p] (key)}<option value="coat {key}">{p.name}</option
					>{/each}
			</optgroup>
			<optgroup label="Work between">
				{#each Object.entries(trade.technique) as [key, t] (key)}<option value="work {key}">{t.name}</option
					>{/each}
			</optgroup>
		</select>
		{#if isCoat(layer)}
			<label class="coats"
				><input bind:value={layer.coats} inputmode="numeric" aria-label="Coats of layer {i + 1}" /> coats</label
			>
			<input
				class="colour"
				bind:value={layer.colour}
				placeholder="colour: a material’s name"
				aria-label="Colour of layer {i + 1}"
			/>
		{:else}
			<input
				class="colour"
				bind:value={layer.name}
				placeholder={techniqueOf(trade, keyOf(layer)).name}
				aria-label="Name of layer {i + 1}"
			/>
		{/if}
		<button
			type="button"
			class="button small quiet"
			disabled={i === 0}
			aria-label="Layer {i + 1} nearer to the surface"
			onclick={() => ([lines[i - 1], lines[i]] = [lines[i]!, lines[i - 1]!])}><ArrowUp size={14} /></button
		>
	{/snippet}
</Lines>

<style>
	.coats input {
		width: 3.2em;
	}
	.colour {
		flex: 1 1 10em;
		min-width: 0;
	}
</style>
