<script lang="ts">
	/** How a material is laid: gap and border; of cloth its fold, nap, grain, shrinkage and repeat. */
	import Field from '../Field.svelte';
	import Tick from '../Tick.svelte';
	import type { LaySettingsForm } from './laySettings.svelte.ts';

	interface Props {
		form: LaySettingsForm;
		roll: boolean;
	}
	let { form, roll }: Props = $props();
	const problems = $derived(form.read.problems);
</script>

<div class="fields">
	<Field
		name="gap"
		label="Between pieces"
		bind:value={form.texts.gap}
		hint={problems.gap ?? 'for the blade or the scissors'}
	/>
	<Field
		name="edge"
		label="To the border"
		bind:value={form.texts.edge}
		hint={problems.edge ?? (roll ? 'the selvedge' : undefined)}
	/>
	{#if roll}
		<Field
			name="tolerance"
			label="Off the grain, at most"
			bind:value={form.texts.tolerance}
			suffix="°"
			inputmode="decimal"
			hint={problems.tolerance}
		/>
		<Field
			name="shrinkLength"
			label="Shrinks in length"
			bind:value={form.texts.shrinkLength}
			suffix="%"
			inputmode="decimal"
			hint={problems.shrinkLength ?? 'wash a square of it and measure'}
		/>
		<Field
			name="shrinkWidth"
			label="Shrinks in width"
			bind:value={form.texts.shrinkWidth}
			suffix="%"
			inputmode="decimal"
			hint={problems.shrinkWidth}
		/>
		<Field
			name="repeat"
			label="Print repeats every"
			bind:value={form.texts.repeat}
			hint={problems.repeat ?? 'nothing: plain'}
		/>
	{/if}
</div>
{#if roll}
	<p class="ticks">
		<Tick name="folded" label="Folded along its length" bind:checked={form.folded} />
		<Tick name="oneWay" label="Nap or print runs one way" bind:checked={form.oneWay} />
	</p>
{/if}

<style>
	.fields {
		margin-top: 12px;
		grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
	}
	.ticks {
		display: grid;
		margin-top: 6px;
	}
</style>
