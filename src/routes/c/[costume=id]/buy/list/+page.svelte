<script lang="ts">
	/** The shopping list in the hand: one sheet a shop, ticked as things go into the basket. */
	import Printer from '@lucide/svelte/icons/printer';
	import { formatMoney } from '$core/units/money.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import ShopSheet from './ShopSheet.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const costume = $derived(data.record.costume);
</script>

<svelte:head><title>Shopping list · {costume.name} · Dapper Ledger</title></svelte:head>

{#if data.lists.length}
	<div class="no-print row">
		<p class="on-mat">
			What is ticked and typed here stays on this device until it is bought, with or without a network.
		</p>
		<button class="button small" onclick={() => window.print()}><Printer size={14} /> Print</button>
	</div>
	{#each data.lists as list (list.supplier)}
		<Sheet title={list.supplier || 'Anywhere'}>
			{#snippet tools()}<span class="sum"
					>{formatMoney(list.minor, costume.currency)}{list.unpriced
						? ` and ${list.unpriced} without a price`
						: ''}</span
				>{/snippet}
			<ShopSheet {list} currency={costume.currency} />
		</Sheet>
	{/each}
{:else}
	<Sheet title="Shopping list">
		<p>
			Nothing is on the list. <a href="/c/{costume.id}/buy">Materials</a> says what is needed, and puts it there.
		</p>
	</Sheet>
{/if}

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 16px;
		align-items: center;
		justify-content: space-between;
	}
	p {
		margin: 0;
	}
	.on-mat {
		color: var(--on-mat-soft);
		font-size: var(--s13);
	}
	.sum {
		font-family: var(--mono);
		font-size: var(--s13);
	}
</style>
