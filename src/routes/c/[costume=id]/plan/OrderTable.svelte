<script lang="ts">
	import { leadWords } from '$core/answers/leadTime.ts';
	/** What must be ordered by when, and when it comes. */
	import { orderByFigure } from '$core/explain/money.ts';
	import OrderStrip from '$lib/ui/OrderStrip.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { isOverdue } from '$core/answers/leadTime.ts';
	import { timeWords, dayWords, DAY, dayOf } from '$core/units/localTime.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import type { OrderBy } from '$core/answers/arrivals.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		orders: readonly OrderBy[];
		now: LocalMinutes;
	}
	let { orders, now }: Props = $props();
	const sorted = $derived(
		orders
			.filter((o) => o.usableFrom !== null)
			.sort((a, b) => (a.orderByDay ?? Infinity) - (b.orderByDay ?? Infinity))
	);
</script>

<Sheet title="Order by">
	{#if sorted.length}
		<div class="orders">
			<Table>
				{#snippet heads()}<th>Material</th><th>Order by</th><th>There</th><th>Needed</th><th class="number"
						>Lead</th
					>{/snippet}
				{#each sorted as o (o.material.id)}
					<tr>
						<td class="what">{o.material.name}</td>
						<td class="by"
							>{#if o.orderByDay !== null}<span class:wrong={o.orderByDay < dayOf(now)}
									><Working
										figure={orderByFigure(o)}
										text={o.orderByDay < dayOf(now)
											? `${dayWords(o.orderByDay)}, passed`
											: dayWords(o.orderByDay)}
									/></span
								>{#if o.odds}<OrderStrip
										odds={o.odds}
									/>{/if}{:else if o.purchase?.state === 'ordered'}ordered{isOverdue(o.purchase, now)
									? ', overdue'
									: ''}{/if}</td
						>
						<td class="there" class:wrong={o.tooLate}
							>{o.usableFrom !== null ? dayWords(Math.floor(o.usableFrom / DAY)) : ''}</td
						>
						<td class="needed">{o.neededAt !== null ? timeWords(o.neededAt) : ''}</td>
						<td class="lead">{leadWords(o.purchase ?? o.material)}</td>
					</tr>
				{/each}
			</Table>
		</div>
	{:else}
		<p class="soft">
			Everything that the steps need is here, or nothing has been entered under Materials yet.
		</p>
	{/if}
</Sheet>

<style>
	.lead {
		text-align: right;
	}
	@media (max-width: 700px) {
		.orders :global(thead) {
			display: none;
		}
		.orders :global(table),
		.orders :global(tbody) {
			display: block;
		}
		tr {
			display: grid;
			grid-template-columns: minmax(0, 1fr) auto;
			gap: 2px 12px;
			padding: 8px 0;
			border-top: 1px solid var(--rule);
		}
		td {
			border: 0;
			padding: 0;
			min-height: 0;
		}
		.what {
			font-weight: 600;
		}
		.there:not(:empty)::before {
			content: 'there ';
		}
		.needed:not(:empty)::before {
			content: 'needed ';
		}
		.lead:not(:empty)::before {
			content: 'takes ';
		}
		.there::before,
		.needed::before,
		.lead::before {
			color: var(--ink-soft);
			font-size: var(--s13);
		}
		.by,
		.needed {
			text-align: right;
		}
		.lead {
			grid-column: 1 / -1;
			text-align: left;
		}
	}
</style>
