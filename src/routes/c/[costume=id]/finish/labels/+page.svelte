<script lang="ts">
	/** Labels to lay beside what dries: until when nobody touches it. */
	import Printer from '@lucide/svelte/icons/printer';
	import { capital } from '$core/units/names.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const costume = $derived(data.record.costume);
</script>

<svelte:head><title>Labels · {costume.name} · Dapper Ledger</title></svelte:head>

<div data-own-head></div>
{#if data.drying.length}
	<p class="no-print">
		<button class="button" onclick={() => window.print()}><Printer size={16} /> Print</button>
	</p>
	<ul>
		{#each data.drying as d (d.step.id)}
			<li>
				<p class="never">Do not touch until</p>
				<p class="until">{timeWords(d.until)}</p>
				<p><Tag component={d.component} /> {d.step.name}</p>
				<p class="small">
					{costume.name}{#if d.next}. {capital(`then ${d.next.name}`)}{/if}
				</p>
			</li>
		{/each}
	</ul>
{:else}
	<Sheet title="Labels">
		<p>
			Nothing dries now. A coat that is logged as on, or glue that sets, has its label here until it is dry.
		</p>
	</Sheet>
{/if}

<style>
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 320px), 1fr));
		gap: 12px;
	}
	li {
		display: grid;
		gap: 6px;
		padding: 16px 18px;
		background: white;
		color: black;
		border: 3px solid black;
	}
	.never {
		font: 600 var(--s20, 20px) var(--head);
	}
	.until {
		font: 700 34px/1.1 var(--head);
	}
	@media print {
		ul {
			grid-template-columns: 1fr 1fr;
		}
	}
</style>
