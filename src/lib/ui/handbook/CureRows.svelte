<script lang="ts">
	/** What cures a warning: one a line. They go with the form as one field. */
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { CURES, type Cure } from '$core/trade/coatRule.ts';
	import Lines from './Lines.svelte';
	import { WORDS } from './tables.ts';

	interface Props {
		trade: Catalogue;
		cures: readonly Cure[];
	}
	let { trade, cures }: Props = $props();
	const names = (does: Cure['does']) => does === 'insert' || does === 'swap';
	// svelte-ignore state_referenced_locally
	let lines = $state(cures.map(({ does, product }) => ({ does, product: product ?? '' })));
	const sent = $derived(
		JSON.stringify(lines.map(({ does, product }) => ({ does, product: names(does) ? product : '' })))
	);
</script>

<Lines
	legend="Cures"
	name="cures"
	{sent}
	{lines}
	one="cure"
	onadd={() => lines.push({ does: 'insert', product: Object.keys(trade.coatProduct)[0] ?? '' })}
	onremove={(i) => lines.splice(i, 1)}
>
	{#snippet line(cure, i)}
		<select bind:value={cure.does} aria-label="Cure {i + 1}">
			{#each CURES as does (does)}<option value={does}>{WORDS[does] ?? does}</option>{/each}
		</select>
		{#if names(cure.does)}
			<select bind:value={cure.product} aria-label="Product of cure {i + 1}">
				{#each Object.entries(trade.coatProduct) as [key, p] (key)}<option value={key}>{p.name}</option
					>{/each}
			</select>
		{/if}
	{/snippet}
</Lines>
