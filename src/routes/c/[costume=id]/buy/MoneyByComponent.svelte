<script lang="ts">
	/** What was bought, by what it was bought for. */
	import { componentMoneyFigure } from '$core/explain/money.ts';
	import type { Costume } from '$core/facts/costume.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { formatMoney } from '$core/units/money.ts';
	import type { Spend } from '$core/answers/spend.ts';
	import Working from '$lib/ui/Working.svelte';
	import type { Component } from '$core/facts/component.ts';

	interface Props {
		costume: Costume;
		components: readonly Component[];
		spend: Spend;
		workshop: Workshop;
	}
	let { costume, components, spend, workshop }: Props = $props();
</script>

<table>
	<thead><tr><th>Component</th><th class="number">Its share of what was bought</th></tr></thead>
	<tbody>
		{#each components.filter((c) => spend.byComponent.get(c.id)) as c (c.id)}
			<tr
				><td>{c.code} {c.name}</td><td class="number"
					><Working figure={componentMoneyFigure(c, costume, spend, workshop)} /></td
				></tr
			>
		{/each}
		{#if spend.byComponent.get(null)}<tr
				><td class="soft">for no component</td><td class="number"
					>{formatMoney(spend.byComponent.get(null)!, costume.currency)}</td
				></tr
			>{/if}
		<tr class="sum"
			><td>Planned, ordered and paid</td><td class="number"
				>{formatMoney(spend.plannedMinor + spend.orderedMinor + spend.paidMinor, costume.currency)}</td
			></tr
		>
	</tbody>
</table>

<style>
	.sum td {
		font-weight: 600;
		border-top: 2px solid var(--ink);
	}
</style>
